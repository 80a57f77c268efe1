package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SourceOrderTest {

    private record Figure(String property, Source source, double value) {}

    private static List<Figure> best(Figure... all) {
        return SourceOrder.best(List.of(all), Figure::property, Figure::source);
    }

    private static Figure figure(String property, Source source, double value) {
        return new Figure(property, source, value);
    }

    @Test
    void theBestSourceOfAPropertySpeaksAlone() {
        Figure laboratory = figure("ph", Source.LABORATORY, 6.4);
        assertThat(best(figure("ph", Source.KIT, 5), figure("ph", Source.METER, 6), laboratory))
                .containsExactly(laboratory);
    }

    @Test
    void ofSeveralOfTheBestAllSpeakInTheirOrder() {
        Figure one = figure("ph", Source.METER, 6);
        Figure other = figure("ph", Source.METER, 6.2);
        assertThat(best(one, figure("ph", Source.KIT, 5), other)).containsExactly(one, other);
    }

    @Test
    void aPropertyDoesNotSilenceAnother() {
        Figure salt = figure("salt", Source.KIT, 3);
        assertThat(best(figure("ph", Source.LABORATORY, 6), salt)).contains(salt);
    }
}
