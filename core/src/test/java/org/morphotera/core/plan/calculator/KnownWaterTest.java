package org.morphotera.core.plan.calculator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;

/** Calculators of water, organic matter and covers against balances that are run step by step. */
class KnownWaterTest {

    private static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());
    private static final double STEP_HOURS = 0.001;

    private static Evaluation evaluate(String id, Map<String, Object> inputs) {
        Outcome outcome = ALL.evaluate(id, Map.of("inputs", inputs), CoreData.BENCHMARKS);
        assertThat(outcome).as("%s of %s", id, inputs).isInstanceOf(Outcome.Evaluated.class);
        return ((Outcome.Evaluated) outcome).evaluation();
    }

    private static double value(Evaluation evaluation, String name) {
        return evaluation.values().get(name).value();
    }

    /** A basin filled by the roof and emptied by its soil, minute by minute: it gets just full, and is empty in a day. */
    @ParameterizedTest
    @CsvSource({"120, 25, 2, 20", "80, 40, 6, 30", "500, 60, 12, 15", "60, 15, 0.5, 200"})
    void aRainGardenGetsJustFullInItsStormAndIsEmptyInADay(double roofM2, double stormMm, double hours, double rate) {
        Evaluation garden = evaluate(
                "rain-garden",
                Map.of(
                        "catchmentM2",
                        roofM2,
                        "runoffPct",
                        90,
                        "stormMm",
                        stormMm,
                        "stormHours",
                        hours,
                        "rateMmH",
                        rate));
        double basin = value(garden, "basinM2");
        double inflow = roofM2 * 0.9 * stormMm / hours / basin;
        double depth = 0;
        double deepest = 0;
        double wetUntil = 0;
        for (double t = 0; t < hours + 30; t += STEP_HOURS) {
            depth = Math.max(0, depth + ((t < hours ? inflow : 0) - rate) * STEP_HOURS);
            deepest = Math.max(deepest, depth);
            wetUntil = depth > 0 ? t : wetUntil;
        }
        assertThat(deepest).isCloseTo(value(garden, "pondingMm"), within(0.5));
        assertThat(wetUntil - hours)
                .isCloseTo(value(garden, "drainHours"), within(0.05))
                .isLessThanOrEqualTo(24.01);
    }

    /** A store that is drawn on day by day: it is watered on the day on which the allowed share is gone. */
    @Test
    void irrigationComesBackWhenTheAllowedShareIsGone() {
        Random random = new Random(7);
        for (int i = 0; i < 100; i++) {
            double store = 30 + 170 * random.nextDouble();
            double share = 30 + 40 * random.nextDouble();
            double use = 1 + 7 * random.nextDouble();
            Evaluation plan = evaluate(
                    "irrigation",
                    Map.of(
                            "rootableWaterMm",
                            store,
                            "allowedDepletionPct",
                            share,
                            "dailyUseMm",
                            use,
                            "applicationMmH",
                            25,
                            "steadyRateMmH",
                            8,
                            "sorptivity",
                            15));
            int days = 0;
            for (double left = store; left - use >= store * (1 - share / 100); left -= use) {
                days++;
            }
            assertThat(value(plan, "intervalDays")).isBetween((double) days, days + 1.0);
            double perRun = 25 * value(plan, "longestRunMin") / 60;
            double cycles = value(plan, "cycles");
            assertThat(cycles * perRun).isGreaterThanOrEqualTo(value(plan, "refillMm") - 1e-6);
            assertThat((cycles - 1) * perRun).isLessThan(value(plan, "refillMm"));
        }
    }

    /** What drains below the roots carries the salt that came: the soil settles at the mean of what enters and leaves. */
    @Test
    void theShareThatWashesHoldsTheRootsAtTheThreshold() {
        for (double water = 0.5; water < 4.5; water += 0.5) {
            for (double threshold = 2; threshold < 8; threshold += 1.5) {
                Evaluation leaching = evaluate(
                        "leaching",
                        Map.of(
                                "eceNow",
                                6,
                                "eceTarget",
                                4,
                                "way",
                                "sprinkled",
                                "drained",
                                true,
                                "irrigationEc",
                                water,
                                "cropThresholdEce",
                                threshold));
                double share = value(leaching, "leachingRequirementPct") / 100;
                assertThat((water + water / share) / 5).isCloseTo(threshold, within(1e-6));
            }
        }
    }

    @Test
    void rainAloneLeadsStraightDownToTheTargetAndNotBelow() {
        Evaluation leaching =
                evaluate("leaching", Map.of("eceNow", 7.3, "eceTarget", 4, "way", "ponded", "drained", true));
        List<Map<String, Object>> rows = leaching.series().get("outlook");
        List<Double> salt = rows.stream().map(row -> (Double) row.get("ece")).toList();
        assertThat(salt)
                .isSortedAccordingTo((a, b) -> Double.compare(b, a))
                .startsWith(7.3)
                .endsWith(4.0);
        assertThat(rows).hasSize((int) Math.ceil(value(leaching, "yearsByRain")) + 1);
        assertThat(salt.get(salt.size() - 2)).isGreaterThan(4.0);
    }

    /** Microbes keep 35 % of the carbon, with one part of nitrogen to eight; the rest of both is let go. */
    @ParameterizedTest
    @ValueSource(doubles = {8, 15, 20, 22, 24, 30, 60, 100})
    void mulchSuppliesOrLocksWhatItsMicrobesLeaveOrLack(double cn) {
        Evaluation mulch = evaluate("organic-matter", Map.of("thicknessMm", 20, "cnRatio", cn));
        double carbon = 0.02 * 10_000 * 500 * 0.6 * 0.3;
        double built = 0;
        double kept = 0;
        for (double eaten = 0; eaten < carbon - 1e-6; eaten += carbon / 1000) {
            built += carbon / 1000 * 0.35 / 8;
            kept += carbon / 1000 / cn;
        }
        assertThat(value(mulch, "nitrogenToAddKgHa")).isCloseTo(built - kept, within(0.01 * built));
        assertThat(mulch.notes().stream().anyMatch(note -> note.code().equals("LOCKS_NITROGEN")))
                .isEqualTo(cn > 8 / 0.35);
    }

    @Test
    void moreOfANutrientNeverAsksForMoreOfIt() {
        List<String> least = List.of("add", "hold", "do-not-add");
        int before = 0;
        for (double step = 0; step <= 4; step += 0.5) {
            Evaluation advice = evaluate("nutrients", Map.of("n", step, "p", step, "k", step));
            int now = least.indexOf(advice.classes().get("nitrogen"));
            assertThat(now).isGreaterThanOrEqualTo(before);
            assertThat(advice.classes()).containsValues(least.get(now)).hasSize(3);
            assertThat(advice.classes().values()).containsOnly(least.get(now));
            before = now;
        }
        assertThat(before).isEqualTo(2);
    }

    @Test
    void aCoverOutOfItsSeasonIsNeverRankedHigherAndKinOfTheNextCropIsOut() {
        Map<String, Object> aims = Map.of("aims", List.of("layer", "catch-nitrogen"));
        Map<String, Object> sown =
                Map.of("aims", List.of("layer", "catch-nitrogen"), "season", "autumn", "following", "oilseed");
        List<Map<String, Object>> free = evaluate("cover-crop", aims).series().get("ranking");
        List<Map<String, Object>> bound = evaluate("cover-crop", sown).series().get("ranking");
        assertThat(bound).hasSameSizeAs(free);
        for (Map<String, Object> row : bound) {
            Map<String, Object> same = free.stream()
                    .filter(each -> each.get("species").equals(row.get("species")))
                    .findFirst()
                    .orElseThrow();
            assertThat((Double) row.get("fit")).isBetween(0.0, (Double) same.get("fit"));
        }
        assertThat(bound.stream().filter(row -> row.get("why").toString().contains("same-family-follows")))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row).containsEntry("fit", 0.0));
    }
}
