package org.morphotera.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;

/**
 * The engine on soils that know nothing of its tables. Small here; {@code -Dtrial.soils=5000} runs the whole and prints
 * it. The lines asserted lie under what the whole run shows, so that a small sample does not fail by chance.
 */
class LimitsTrialTest {

    private static final int SOILS = Integer.getInteger("trial.soils", 250);

    private final LimitsTrial trial =
            new LimitsTrial(Methods.all(), CoreData.BENCHMARKS, CoreData.MESSAGES, CoreData.EVIDENCE);

    @Test
    void theFullSetNamesWhatIsThere() {
        LimitsTrial.Result result = trial.run(SOILS, SimulatedVisit.FULL_SET, 1);
        print("full set", result);
        assertThat(result.oneOfTrue()).isGreaterThan(0.8);
        assertThat(result.falseAlarm()).isLessThan(0.2);
        assertThat(result.brier()).isLessThan(0.06);
    }

    @Test
    void tenTestsNameLessAndStillMost() {
        LimitsTrial.Result result = trial.run(SOILS, SimulatedVisit.TEN_TESTS, 2);
        print("ten tests", result);
        assertThat(result.oneOfTrue()).isGreaterThan(0.68);
        assertThat(result.brier()).isLessThan(0.08);
    }

    @Test
    void theNextBestTestGetsThereSooner() {
        LimitsTrial.Minutes minutes = trial.minutes(Math.max(60, SOILS / 5), 3);
        System.out.printf(
                "until sure: next best %.0f min, fixed order %.0f min, %d soils%n",
                minutes.byNextBest(), minutes.byFixedOrder(), minutes.soils());
        assertThat(minutes.byNextBest()).isLessThan(0.9 * minutes.byFixedOrder());
    }

    private static void print(String set, LimitsTrial.Result result) {
        System.out.printf(
                "%s, %d soils: most severe named first %.1f %%, a true one named first %.1f %%, false alarms %.1f %%, "
                        + "Brier %.3f%n",
                set,
                result.soils(),
                100 * result.trueFirst(),
                100 * result.oneOfTrue(),
                100 * result.falseAlarm(),
                result.brier());
        List<LimitsTrial.Bin> bins = result.calibration();
        for (LimitsTrial.Bin bin : bins) {
            System.out.printf("  said %.2f, was %.2f (%d)%n", bin.meanProbability(), bin.shareTrue(), bin.count());
        }
    }
}
