package org.morphotera.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class SampleTest {

    /** Student's own sleep data, as differences (Student, 1908). */
    private static final Sample SLEEP = Sample.of(1.2, 2.4, 1.3, 1.3, 0.0, 1.0, 1.8, 0.8, 4.6, 1.4);

    @Test
    void meanAndIntervalOfStudentsSleepData() {
        assertThat(SLEEP.mean()).isCloseTo(1.58, within(1e-12));
        assertThat(SLEEP.standardDeviation()).isCloseTo(1.229995, within(1e-6));
        // published interval: 0.70 to 2.46
        assertThat(SLEEP.mean() - SLEEP.halfWidth()).isCloseTo(0.7001142, within(1e-5));
        assertThat(SLEEP.mean() + SLEEP.halfWidth()).isCloseTo(2.4598858, within(1e-5));
    }

    @Test
    void theMiddleOfEvenlyManyLiesBetweenTwo() {
        assertThat(Sample.of(3, 1, 2).median()).isEqualTo(2);
        assertThat(Sample.of(4, 1, 2, 3).median()).isEqualTo(2.5);
        assertThat(Sample.medianOrNull(List.of())).isNull();
        assertThat(Sample.medianOrNull(List.of(7.0))).isEqualTo(7);
    }

    @Test
    void oneValueHasNoSpread() {
        assertThat(Sample.of(5).standardDeviation()).isZero();
        assertThat(Sample.of(5).halfWidth()).isZero();
        assertThat(Sample.of(List.of()).standardError()).isZero();
    }

    @Test
    void itKeepsItsOwnValues() {
        double[] values = {3, 1, 2};
        Sample sample = Sample.of(values);
        values[0] = 100;
        assertThat(sample.median()).isEqualTo(2);
        assertThat(sample.size()).isEqualTo(3);
    }

    @Test
    void quantilesAreThoseOfTheTables() {
        assertThat(Sample.studentTQuantile(0.975, 1)).isEqualTo(12.7062);
        assertThat(Sample.studentTQuantile(0.975, 4)).isEqualTo(2.77645);
        assertThat(Sample.studentTQuantile(0.8, 9)).isEqualTo(0.883404);
    }

    @Test
    void aMeanScoreStaysOnItsScale() {
        MeanScore wide = MeanScore.of(List.of(0.0, 2.0, 0.0), 0, 2);
        assertThat(wide.low()).isZero();
        assertThat(wide.high()).isEqualTo(2);
        assertThat(MeanScore.of(List.of(1.0, 2.0), 0, 2).low()).isNull();
        assertThat(MeanScore.of(List.of(1.0, 1.0, 1.0), 0, 2).high()).isNull();
    }
}
