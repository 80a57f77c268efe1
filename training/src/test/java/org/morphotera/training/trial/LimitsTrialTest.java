package org.morphotera.training.trial;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/**
 * The engine on fields that know nothing of its tables. Small here; {@code -Dtrial.soils=5000} runs the whole and prints
 * it. The lines asserted lie under what the whole run shows, so that a small sample does not fail by chance.
 */
class LimitsTrialTest {

    private static final int FIELDS = Integer.getInteger("trial.soils", 300);

    private final LimitsTrial trial = new LimitsTrial();

    @Test
    void theFullSetNamesWhatIsThere() {
        LimitsTrial.Result result = trial.run(FIELDS, TestSets.FULL, 1);
        print("full set", result);
        assertThat(result.aTrueOne()).isGreaterThan(0.85);
        assertThat(result.falseAlarm()).isLessThan(0.1);
        assertThat(result.tooFast()).isLessThan(0.03);
        assertThat(result.brier()).isLessThan(0.04);
    }

    @Test
    void tenTestsNameLessAndStillMost() {
        LimitsTrial.Result result = trial.run(FIELDS, TestSets.TEN, 2);
        print("ten tests", result);
        assertThat(result.aTrueOne()).isGreaterThan(0.6);
        assertThat(result.brier()).isLessThan(0.06);
    }

    @Test
    void theNextBestTestGetsThereSooner() {
        LimitsTrial.Minutes minutes = trial.minutes(Math.max(60, FIELDS / 5), 3);
        System.out.printf(
                "until sure: next best %.0f min, fixed order %.0f min, %d fields%n",
                minutes.byNextBest(), minutes.byFixedOrder(), minutes.fields());
        assertThat(minutes.byNextBest()).isLessThan(0.9 * minutes.byFixedOrder());
    }

    private static void print(String set, LimitsTrial.Result result) {
        System.out.printf(
                "%s, %d fields: a true one named first %.1f %% (%.1f %% of what the set can see), the most severe first %.1f %%, false alarms on sound "
                        + "fields %.1f %%, called too fast wrongly %.1f %%, Brier %.3f%n",
                set,
                result.fields(),
                100 * result.aTrueOne(),
                100 * result.ofSeeable(),
                100 * result.severest(),
                100 * result.falseAlarm(),
                100 * result.tooFast(),
                result.brier());
        for (LimitsTrial.Tenth tenth : result.tenths()) {
            System.out.printf("  said %.2f, found %.2f (%d)%n", tenth.said(), tenth.found(), tenth.count());
        }
        result.byConstraint()
                .forEach((constraint, n) -> System.out.printf(
                        "  %-22s there: named %d, missed %d; not there: named %d%n",
                        constraint.code(), n[0], n[1], n[2]));
    }
}
