package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.benchmark.Table;

/** The typical composition of a class is the mean over the area of its polygon, found here by a fine grid. */
class TypicalTextureTest {

    private static final double STEP = 0.1;
    private static final Map<TextureClass, double[]> MEANS = new EnumMap<>(TextureClass.class);

    static {
        for (double clay = STEP / 2; clay < 100; clay += STEP) {
            for (double sand = STEP / 2; sand + clay < 100; sand += STEP) {
                double silt = 100 - sand - clay;
                double[] sums = MEANS.computeIfAbsent(TextureClass.of(sand, silt, clay), key -> new double[4]);
                sums[0] += sand;
                sums[1] += silt;
                sums[2] += clay;
                sums[3]++;
            }
        }
    }

    @ParameterizedTest
    @EnumSource
    void isTheMiddleOfItsPolygon(TextureClass texture) {
        Table typical = CoreData.BENCHMARKS.table("texture.typical");
        double[] sums = MEANS.get(texture);
        String[] columns = {"sandPct", "siltPct", "clayPct"};
        for (int i = 0; i < 3; i++) {
            assertThat(typical.at(texture.code(), columns[i]))
                    .as(columns[i])
                    .isCloseTo(sums[i] / sums[3], within(0.25));
        }
    }

    @Test
    void everyClassHasItsPlaceInTheTriangle() {
        assertThat(MEANS).hasSize(TextureClass.values().length);
    }

    @ParameterizedTest
    @EnumSource
    void aTypicalCompositionIsOfItsOwnClass(TextureClass texture) {
        double[] sums = MEANS.get(texture);
        assertThat(TextureClass.of(sums[0] / sums[3], sums[1] / sums[3], sums[2] / sums[3]))
                .isEqualTo(texture);
    }
}
