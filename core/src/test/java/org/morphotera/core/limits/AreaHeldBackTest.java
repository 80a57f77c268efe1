package org.morphotera.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AreaHeldBackTest {

    private static double[] of(double... figures) {
        return figures;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.02, 0.3, 0.5, 0.8, 0.99})
    void ofOneStopItIsTheStops(double chance) {
        AreaHeldBack one = new AreaHeldBack(of(chance), of(1));
        assertThat(one.atLeast(0.5)).isCloseTo(chance, within(1e-3));
        assertThat(one.atLeast(0.2)).isCloseTo(chance, within(1e-3));
    }

    @Test
    void sureStopsCountByTheirShares() {
        AreaHeldBack two = new AreaHeldBack(of(1, 1, 0, 0, 0), of(0.2, 0.2, 0.2, 0.2, 0.2));
        assertThat(two.atLeast(0.4)).isGreaterThan(0.99);
        assertThat(two.atLeast(0.5)).isLessThan(0.01);
        AreaHeldBack patch = new AreaHeldBack(of(1, 0), of(0.15, 0.85));
        assertThat(patch.atLeast(0.15)).isGreaterThan(0.99);
        assertThat(patch.atLeast(0.2)).isLessThan(0.01);
    }

    @Test
    void isWhatDrawingFieldsComesTo() {
        double[] chances = {0.9, 0.6, 0.35, 0.2};
        double[] shares = {0.4, 0.3, 0.2, 0.1};
        double[] at = {1.2816, 0.2533, -0.3853, -0.8416};
        Random random = new Random(4);
        int held = 0;
        int drawn = 200_000;
        for (int i = 0; i < drawn; i++) {
            double common = random.nextGaussian();
            double area = 0;
            for (int s = 0; s < at.length; s++) {
                boolean here = Math.sqrt(0.8) * common + Math.sqrt(0.2) * random.nextGaussian() < at[s];
                area += here ? shares[s] : 0;
            }
            held += area >= 0.5 - 1e-9 ? 1 : 0;
        }
        assertThat(new AreaHeldBack(chances, shares).atLeast(0.5)).isCloseTo((double) held / drawn, within(0.005));
    }

    @Test
    void noStopLowersTheAreaByBeingSourer() {
        double before = 0;
        for (double chance = 0.05; chance < 1; chance += 0.1) {
            double now = new AreaHeldBack(of(chance, 0.4, 0.7), of(0.5, 0.25, 0.25)).atLeast(0.5);
            assertThat(now).isGreaterThanOrEqualTo(before - 1e-12);
            before = now;
        }
    }
}
