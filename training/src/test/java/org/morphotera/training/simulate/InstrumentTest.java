package org.morphotera.training.simulate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.training.simulate.Instrument.Kind;
import org.morphotera.training.simulate.Instrument.Shown;

class InstrumentTest {

    private static final double EVERY_S = 0.25;

    private static double truth(Kind kind) {
        return switch (kind) {
            case PH_METER -> 6.2;
            case CONDUCTIVITY_PROBE -> 1.8;
            case PENETROMETER -> 1700;
        };
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void settlesOnTheTruthAndSaysSoOnlyThen(Kind kind) {
        int late = 0;
        for (int seed = 0; seed < 100; seed++) {
            SimulatedInstrument meter = new SimulatedInstrument(kind, truth(kind), new Random(seed));
            Shown shown = meter.at(0);
            assertThat(shown.stable()).isFalse();
            double seconds = 0;
            while (!shown.stable() && seconds < 120) {
                seconds += EVERY_S;
                shown = meter.at(seconds);
            }
            assertThat(shown.stable()).as("%s, seed %d", kind, seed).isTrue();
            // standing still is not yet being right: most of the first error must be gone all the same
            late += Math.abs(shown.value() - truth(kind)) > 6 * kind.stableWithin() ? 1 : 0;
        }
        assertThat(late).isLessThanOrEqualTo(5);
    }

    @Test
    void theSamePlaceIsAlwaysTheSameSoil() {
        HiddenSoil one = new HiddenSoil(7);
        HiddenSoil again = new HiddenSoil(7);
        for (Kind kind : Kind.values()) {
            assertThat(one.truth(kind, 150, null, null)).isEqualTo(again.truth(kind, 150, null, null));
        }
        assertThat(one.truth(Kind.PENETROMETER, 300, null, null))
                .isGreaterThan(one.truth(Kind.PENETROMETER, 0, null, null));
        assertThat(one.truth(Kind.PH_METER, 0, 5.1, null)).isEqualTo(5.1);
        assertThat(one.truth(Kind.CONDUCTIVITY_PROBE, 0, null, 9.0))
                .isGreaterThan(one.truth(Kind.CONDUCTIVITY_PROBE, 0, null, 1.0));
    }
}
