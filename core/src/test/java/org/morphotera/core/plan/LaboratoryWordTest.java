package org.morphotera.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.plan.LaboratoryWord.Interval;

class LaboratoryWordTest {

    private static final LocalDate MAY = LocalDate.of(2030, 5, 1);

    private static Interval around(double value, double half) {
        return new Interval(value, value - half, value + half);
    }

    @ParameterizedTest(name = "laboratory {0}, own {1}: {2}")
    @CsvSource({
        "5.3, 5.2, true", // both under, and near each other
        "5.6, 5.2, true",
        "6.6, 5.2, false", // the kit was wrong
        "6.1, 5.9, false", // near each other, but on two sides of the threshold
        "5.0, 5.9, false" // both under, but so far apart that one of them is wrong
    })
    void itConfirmsLimeOnlyWhereBothLieUnderTheWindowAndMeet(double laboratory, double own, boolean agrees) {
        LaboratoryWord word = LaboratoryWord.of(MAY, around(laboratory, 0.1), around(own, 0.5), 6.0, true);
        assertThat(word).isEqualTo(new LaboratoryWord(MAY, agrees));
    }

    @Test
    void aloneItConfirmsWhatItCallsFor() {
        assertThat(LaboratoryWord.of(MAY, around(6, 0), null, 6, false).agrees())
                .isTrue();
        assertThat(LaboratoryWord.of(MAY, around(5.9, 0), null, 6, false).agrees())
                .isFalse();
        assertThat(LaboratoryWord.of(MAY, around(5.9, 0), null, 6, true).agrees())
                .isTrue();
    }
}
