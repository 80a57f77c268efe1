package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class PondingTest {

    @Test
    void rainThatTheGroundTakesNeverPonds() {
        assertThat(Ponding.never(10, 12)).isTrue();
        assertThat(Ponding.never(12, 12)).isTrue();
        assertThat(Ponding.never(12.1, 12)).isFalse();
    }

    /** At ponding Philip's infiltration rate, at the depth that has soaked in, has fallen to the rain. */
    @Test
    void atPondingTheGroundTakesJustTheRain() {
        for (double rain : new double[] {15, 25, 60}) {
            double steady = 10;
            double s = 20;
            double soakedMm = rain * Ponding.minutes(rain, steady, s) / 60;
            // Philip (1957): I = S√t + At, i = S/(2√t) + A; the time at which I is what has soaked in
            double root = (-s + Math.sqrt(s * s + 4 * steady * soakedMm)) / (2 * steady);
            assertThat(s / (2 * root) + steady).isCloseTo(rain, within(1e-9));
        }
    }

    @Test
    void aSealedGroundPondsAtOnce() {
        assertThat(Ponding.minutes(30, 10, 0)).isZero();
        assertThat(Ponding.minutes(1e6, 10, 20)).isCloseTo(0, within(1e-3));
    }
}
