package org.morphotera.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.judgement.ChangeTrials.Drawn;
import org.morphotera.core.judgement.ChangeTrials.World;
import org.morphotera.core.judgement.IndicatorSeries.Did;
import org.morphotera.core.judgement.IndicatorSeries.Told;

/**
 * What is told of made-up fields, held to their truth. {@code trial.fields} is how many are drawn for each indicator;
 * {@code bin/bench change} draws many.
 */
class ChangeTrialsTest {

    private static final int FIELDS = Integer.getInteger("trial.fields", 60);
    private static final int LIMED = 5 * FIELDS;

    /** Chance leaves a share of few fields so far off, in percent points. */
    private static final double SLACK = Math.min(3, 300.0 / Math.sqrt(FIELDS * 100.0));

    private static IndicatorSeries series(Drawn drawn) {
        return FieldJudgement.of(drawn.field(), CoreData.BENCHMARKS).series().get(0);
    }

    private static boolean told(double risen, double fallen) {
        return Math.max(risen, fallen) >= FieldJudgement.TOLD_FROM;
    }

    @ParameterizedTest
    @EnumSource(World.class)
    void nothingIsToldWhereNothingChangedAndNothingWasDone(World world) {
        int windows = 0;
        int wrong = 0;
        for (int visits : List.of(2, 3, 5)) {
            for (String indicator : ChangeTrials.INDICATORS) {
                ChangeTrials trials = new ChangeTrials(31 + visits);
                for (int i = 0; i < FIELDS; i++) {
                    Told change = series(trials.draw(indicator, world, visits, 5, i % 3, null, false))
                            .change(null, null);
                    windows++;
                    wrong += told(change.risen(), change.fallen()) ? 1 : 0;
                }
            }
        }
        double share = 100.0 * wrong / windows;
        System.out.printf("%s, nothing changed: %.2f %% told%n", world, share);
        assertThat(share).isLessThanOrEqualTo(world == World.AS_THE_TABLES ? 1 : 5);
    }

    @ParameterizedTest
    @EnumSource(World.class)
    void limeThatDidNothingIsNotTold(World world) {
        int change = 0;
        int effect = 0;
        for (int i = 0; i < LIMED; i++) {
            IndicatorSeries series = series(new ChangeTrials(700 + i).draw("ph", world, 2, 5, i % 3, 0.0, false));
            Told told = series.change(null, null);
            Did did = series.did().get(0);
            change += told(told.risen(), told.fallen()) ? 1 : 0;
            effect += told(did.risen(), did.fallen()) ? 1 : 0;
        }
        System.out.printf(
                "%s, lime that did nothing: change %.1f %%, effect %.1f %% told%n",
                world, 100.0 * change / LIMED, 100.0 * effect / LIMED);
        double most = world == World.VISITS_DOUBLED || world == World.KITS_OFF ? 10 : 3;
        assertThat(100.0 * change / LIMED).isLessThanOrEqualTo(most + SLACK);
        assertThat(100.0 * effect / LIMED).isLessThanOrEqualTo(3 + SLACK);
    }

    private record Power(double told, double probable, double effect, double wrong, double covered, double effectIn) {}

    private static Power limed(int leftAlone) {
        int[] counts = new int[6];
        for (int i = 0; i < LIMED; i++) {
            Drawn drawn = new ChangeTrials(9000 + i).draw("ph", World.AS_THE_TABLES, 2, 5, leftAlone, 0.5, false);
            IndicatorSeries series = series(drawn);
            Told told = series.change(null, null);
            Did did = series.did().get(0);
            counts[0] += told.risen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
            counts[1] += told.risen() >= FieldJudgement.PROBABLE_FROM ? 1 : 0;
            counts[2] += did.risen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
            counts[3] += told.fallen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
            counts[4] += told.low() <= drawn.change() && drawn.change() <= told.high() ? 1 : 0;
            counts[5] += did.low() <= drawn.effect() && drawn.effect() <= did.high() ? 1 : 0;
        }
        double[] share = new double[6];
        for (int k = 0; k < share.length; k++) {
            share[k] = 100.0 * counts[k] / LIMED;
        }
        System.out.printf(
                "pH +0.5, %d left alone: told %.1f %%, at least probable %.1f %%, effect told %.1f %%, wrong way %.1f %%, "
                        + "intervals hold %.1f %%, of the effect %.1f %%%n",
                leftAlone, share[0], share[1], share[2], share[3], share[4], share[5]);
        return new Power(share[0], share[1], share[2], share[3], share[4], share[5]);
    }

    @Test
    void aRiseByLimeIsToldAndMoreLeftAloneNeverLowersThat() {
        Power none = limed(0);
        Power one = limed(1);
        Power two = limed(2);
        assertThat(one.told()).isGreaterThanOrEqualTo(60 - SLACK);
        assertThat(one.probable()).isGreaterThanOrEqualTo(80 - SLACK);
        assertThat(one.effect()).isGreaterThanOrEqualTo(40 - SLACK);
        assertThat(two.effect()).isGreaterThanOrEqualTo(55 - SLACK);
        assertThat(one.told()).isGreaterThanOrEqualTo(none.told());
        assertThat(two.told()).isGreaterThanOrEqualTo(one.told() - SLACK);
        assertThat(two.effect()).isGreaterThan(one.effect());
        assertThat(one.effect()).isGreaterThan(none.effect());
        assertThat(List.of(none.wrong(), one.wrong(), two.wrong())).allMatch(share -> share <= 0.5);
    }

    /** Truth drawn from the model's own world, drift too: 95 % intervals hold it in 93 to 97 of a hundred. */
    @Test
    void intervalsHoldWhatIsTrue() {
        int held = 0;
        int all = 0;
        for (String indicator : List.of("ph", "salinity", "compaction", "infiltration", "rooting")) {
            IndicatorModel model = IndicatorModel.of(indicator, CoreData.BENCHMARKS);
            ChangeTrials trials = new ChangeTrials(77);
            for (int i = 0; i < FIELDS; i++) {
                Drawn drawn = trials.draw(indicator, World.AS_THE_TABLES, 3, 5, i % 3, null, true);
                Told told = series(drawn).change(null, null);
                double truth = model.scale().ratio() ? Math.exp(drawn.change()) : drawn.change();
                all++;
                held += told.low() <= truth && truth <= told.high() ? 1 : 0;
            }
        }
        double share = 100.0 * held / all;
        System.out.printf("intervals of changes hold %.1f %% of %d%n", share, all);
        assertThat(share).isBetween(93 - SLACK, 97 + SLACK);
    }

    /** Patches that do not differ, at one to three stops each, are told apart in 5 of a hundred at most. */
    @Test
    void identicalPatchesAreNotToldApart() {
        for (int stops = 1; stops <= 3; stops++) {
            int told = 0;
            int all = 0;
            for (String indicator : ChangeTrials.INDICATORS) {
                ChangeTrials trials = new ChangeTrials(55);
                for (int i = 0; i < FIELDS; i++) {
                    Drawn drawn = trials.patches(indicator, stops);
                    all++;
                    told += series(drawn)
                                    .difference(IndicatorSeries.Side.patch("poor"), IndicatorSeries.Side.patch("good"))
                                    .told()
                            ? 1
                            : 0;
                }
            }
            double share = 100.0 * told / all;
            System.out.printf("identical patches of %d: %.1f %% told apart%n", stops, share);
            assertThat(share).isLessThanOrEqualTo(5 + SLACK / 3);
        }
    }

    /** One indicator of a dozen changes: what leads the told is it. */
    @Test
    void whatLeadsIsTheTrueChange() {
        int led = 0;
        int right = 0;
        for (int i = 0; i < LIMED; i++) {
            ChangeTrials trials = new ChangeTrials(4000 + i);
            String best = null;
            double surest = 0;
            for (String indicator : ChangeTrials.INDICATORS) {
                Double effect = indicator.equals("ph") ? 0.8 : null;
                Told told = series(trials.draw(indicator, World.AS_THE_TABLES, 2, 5, 1, effect, false))
                        .change(null, null);
                if (told.probability() >= FieldJudgement.TOLD_FROM && told.probability() > surest) {
                    surest = told.probability();
                    best = indicator;
                }
            }
            led += best == null ? 0 : 1;
            right += "ph".equals(best) ? 1 : 0;
        }
        System.out.printf(
                "one true change: told in %d of %d, leads truly in %.1f %%%n", led, LIMED, 100.0 * right / led);
        assertThat(led).isGreaterThan(LIMED / 2);
        assertThat(100.0 * right / led).isGreaterThanOrEqualTo(95);
    }
}
