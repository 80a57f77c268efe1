package org.morphotera.core.method.surface.ringinfiltration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PhilipFitTest {

    private static final double[] MINUTES = {0, 1, 3, 6, 10, 20, 40, 60};

    private static List<RingInfiltration.Point> series(double s, double a, double scatter, Random random) {
        List<RingInfiltration.Point> points = new ArrayList<>();
        for (double minute : MINUTES) {
            double hours = minute / 60;
            double depth = s * Math.sqrt(hours) + a * hours + scatter * random.nextGaussian();
            points.add(new RingInfiltration.Point(minute, minute == 0 ? 0 : Math.max(0, depth)));
        }
        return points;
    }

    @Test
    void findsWhatASoilWasMadeWith() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            double s = 60 * random.nextDouble();
            double a = 80 * random.nextDouble();
            PhilipFit fit = PhilipFit.of(series(s, a, 0, random));
            assertThat(fit.sorptivity()).isCloseTo(s, within(1e-6));
            assertThat(fit.steadyRate()).isCloseTo(a, within(1e-6));
            assertThat(fit.points()).isEqualTo(MINUTES.length - 1);
        }
    }

    @Test
    void isNotBiasedByTheRuler() {
        Random random = new Random(4);
        double s = 0;
        double a = 0;
        for (int i = 0; i < 400; i++) {
            PhilipFit fit = PhilipFit.of(series(20, 30, 0.5, random));
            s += fit.sorptivity() / 400;
            a += fit.steadyRate() / 400;
        }
        assertThat(s).isCloseTo(20, within(0.3));
        assertThat(a).isCloseTo(30, within(0.4));
    }

    @Test
    void noCoefficientIsBelowNone() {
        // it soaks in faster and faster, as no soil does by itself
        PhilipFit rising = PhilipFit.of(List.of(
                new RingInfiltration.Point(10.0, 1.0),
                new RingInfiltration.Point(20.0, 4.0),
                new RingInfiltration.Point(30.0, 9.0),
                new RingInfiltration.Point(40.0, 16.0)));
        assertThat(rising.sorptivity()).isZero();
        assertThat(rising.steadyRate()).isPositive();
        // all at once, then nothing more
        PhilipFit sealed = PhilipFit.of(List.of(
                new RingInfiltration.Point(1.0, 9.0),
                new RingInfiltration.Point(10.0, 10.0),
                new RingInfiltration.Point(30.0, 10.1),
                new RingInfiltration.Point(60.0, 10.2)));
        assertThat(sealed.steadyRate()).isZero();
        assertThat(sealed.sorptivity()).isPositive();
    }

    @Test
    void hasNoR2WhereNothingVaries() {
        PhilipFit flat = PhilipFit.of(List.of(
                new RingInfiltration.Point(10.0, 5.0),
                new RingInfiltration.Point(20.0, 5.0),
                new RingInfiltration.Point(30.0, 5.0),
                new RingInfiltration.Point(40.0, 5.0)));
        assertThat(flat.r2()).isNull();
    }
}
