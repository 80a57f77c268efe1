package org.morphotera.core.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.WorkStep;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.result.Evaluation;

class DayPlanTest {

    private static final int SMALL_DAYS = Integer.getInteger("day.small", 200);
    private static final int STANDARD_DAYS = Integer.getInteger("day.standard", 10);

    private static double value(Evaluation plan, String name) {
        return plan.values().get(name).value();
    }

    @Test
    void aSmallDayIsAsGoodAsASolverProvesItCanBe() {
        Random random = new Random(7);
        int withDone = 0;
        int late = 0;
        for (int i = 0; i < SMALL_DAYS; i++) {
            Map<String, Object> day = Days.small(random, i % 20 == 0 ? 7 : i % 3 == 0 ? 6 : 5);
            if (i % 2 == 1) {
                Evaluation before = Days.plan(day);
                double now = Math.rint(random.nextDouble() * value(before, "finishMin") * 10) / 10;
                day.put("done", Days.done(before, now - 0.05, 8, random));
                // and often nobody looked at the clock for a while
                day.put("nowMin", now + (i % 4 == 1 ? random.nextInt(20) : 0));
                withDone += ((List<?>) day.get("done")).isEmpty() ? 0 : 1;
            }
            Evaluation plan = Days.plan(day);
            SolverOptimum.Optimum best = SolverOptimum.of(day, value(plan, "lateMin"), value(plan, "finishMin"));
            assertThat(value(plan, "lateMin")).as("lateness of " + day).isCloseTo(best.late(), within(1e-6));
            assertThat(value(plan, "finishMin")).as("finish of " + day).isCloseTo(best.finish(), within(1e-6));
            assertThat(plan.classes()).containsEntry("optimal", "yes");
            assertThat(faultsOf(day, plan)).as("plan of " + day).isEmpty();
            late += best.late() > 0 ? 1 : 0;
        }
        assertThat(withDone).as("days with something done").isGreaterThan(SMALL_DAYS / 4);
        assertThat(late).as("days that can't keep all waits").isGreaterThan(SMALL_DAYS / 40);
    }

    @Test
    void aStandardDayStaysWithinFifteenPercentOfTheBound() {
        List<Double> ratios = new ArrayList<>();
        for (int i = 0; i < STANDARD_DAYS; i++) {
            Map<String, Object> day = Days.standard(5 + i % 6, 1 + i / 6 % 4, i);
            Evaluation plan = Days.plan(day);
            assertThat(faultsOf(day, plan)).isEmpty();
            assertThat(value(plan, "lateMin")).isZero();
            if (Boolean.getBoolean("day.print")) {
                System.out.println((5 + i % 6) + " places, crew " + (1 + i / 6 % 4) + ": "
                        + value(plan, "finishMin") / value(plan, "lowerBoundMin"));
            }
            ratios.add(value(plan, "finishMin") / value(plan, "lowerBoundMin"));
        }
        ratios.sort(null);
        System.out.printf(
                "day plan over bound, %d standard days: median %.3f, worst %.3f%n",
                ratios.size(), ratios.get(ratios.size() / 2), ratios.get(ratios.size() - 1));
        assertThat(ratios.get(ratios.size() - 1)).isLessThanOrEqualTo(1.15);
        assertThat(ratios.get(0)).isGreaterThanOrEqualTo(1 - 1e-9);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void aSlippedDayIsPlannedAnewAroundWhatIsDone(int crew) {
        Random random = new Random(crew);
        for (int i = 0; i < 4; i++) {
            Map<String, Object> day = Days.standard(5 + i, crew, 100 + i);
            Evaluation before = Days.plan(day);
            double now = value(before, "finishMin") * (0.2 + 0.15 * i);
            day.put("nowMin", now);
            day.put("done", Days.done(before, now, 3, random));
            Evaluation after = Days.plan(day);
            assertThat(faultsOf(day, after)).isEmpty();
            assertThat(value(after, "finishMin"))
                    .as("a few minutes late end the day a few minutes later")
                    .isLessThan(value(before, "finishMin") + 25);
        }
    }

    @Test
    void theSameDayGivesTheSamePlan() {
        assertThat(Days.plan(Days.standard(6, 2, 4)).series())
                .isEqualTo(Days.plan(Days.standard(6, 2, 4)).series());
    }

    @Test
    void everythingDoneLeavesNothingToPlan() {
        Map<String, Object> day = Days.small(new Random(3), 4);
        Evaluation before = Days.plan(day);
        day.put("nowMin", 500.0);
        day.put("done", Days.done(before, 1000, 0, new Random(1)));
        Evaluation after = Days.plan(day);
        assertThat(value(after, "finishMin")).isCloseTo(value(before, "finishMin"), within(0.11));
        assertThat(after.series().get("walks")).isEmpty();
    }

    @Test
    void fourHundredLongTestsAreStillPlanned() {
        Random random = new Random(5);
        Map<String, Object> day = new LinkedHashMap<>(Days.standard(40, 4, 1));
        List<Map<String, Object>> chains = new ArrayList<>();
        for (int c = 0; c < 400; c++) {
            List<Map<String, Object>> steps = new ArrayList<>();
            for (int s = 0; s < 8; s++) {
                Map<String, Object> step = new LinkedHashMap<>(Map.of("code", "x" + s, "minutes", 1.0));
                if (s > 0) {
                    step.put("least", 4.0);
                    step.put("most", 6.0);
                }
                steps.add(step);
            }
            chains.add(Map.of("id", "c" + c, "place", "s" + random.nextInt(40), "steps", steps));
        }
        day.put("chains", chains);
        Evaluation plan = Days.plan(day);
        assertThat(faultsOf(day, plan)).isEmpty();
        assertThat(value(plan, "lateMin")).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "places[1].id, place",
        "chains[1].id, chain",
        "chains[0].place, away",
        "chains[0].method, both",
        "chains[0].steps, neither",
        "chains[0].method, unknown",
        "chains[0].steps[0].most, first",
        "chains[0].steps[1].most, most",
        "done[0].chain, nobody",
        "done[0].step, second",
        "done[1].step, twice",
        "done[0].person, stranger",
        "done[0].end, backwards"
    })
    void whatIsWrongIsNamed(String field, String spoilt) {
        Map<String, Object> step = new LinkedHashMap<>(Map.of("code", "a", "minutes", 2.0));
        Map<String, Object> next = new LinkedHashMap<>(Map.of("code", "b", "minutes", 2.0, "least", 5.0, "most", 7.0));
        Map<String, Object> chain = new LinkedHashMap<>(Map.of("id", "c", "place", "p", "steps", List.of(step, next)));
        Map<String, Object> other = new LinkedHashMap<>(Map.of("id", "d", "place", "p", "method", "ph"));
        Map<String, Object> place = new LinkedHashMap<>(Map.of("id", "q", "eastM", 0.0, "northM", 9.0));
        Map<String, Object> done =
                new LinkedHashMap<>(Map.of("chain", "c", "step", 0, "person", 0, "start", 1.0, "end", 3.0));
        List<Map<String, Object>> rows = new ArrayList<>(List.of(done));
        switch (spoilt) {
            case "place" -> place.put("id", "p");
            case "chain" -> other.put("id", "c");
            case "away" -> chain.put("place", "moon");
            case "both" -> chain.put("method", "ph");
            case "neither" -> chain.remove("steps");
            case "unknown" -> {
                chain.remove("steps");
                chain.put("method", "divining");
            }
            case "first" -> step.put("most", 3.0);
            case "most" -> next.put("most", 4.0);
            case "nobody" -> done.put("chain", "e");
            case "second" -> done.put("step", 1);
            case "twice" -> rows.add(done);
            case "stranger" -> done.put("person", 1);
            default -> done.put("end", 0.5);
        }
        Map<String, Object> inputs = Map.of(
                "places",
                List.of(Map.of("id", "p", "eastM", 0.0, "northM", 0.0), place),
                "chains",
                List.of(chain, other),
                "done",
                rows);
        Outcome outcome = Days.ALL.evaluate("day-plan", Map.of("inputs", inputs), CoreData.BENCHMARKS);
        assertThat(((Outcome.Refused) outcome).faults())
                .extracting(Fault::field)
                .contains(field);
    }

    /** What is wrong with a plan, worked out from the day alone. */
    @SuppressWarnings("unchecked")
    private static List<String> faultsOf(Map<String, Object> day, Evaluation plan) {
        List<String> faults = new ArrayList<>();
        Map<String, double[]> spots = new HashMap<>();
        ((List<Map<String, Object>>) day.get("places"))
                .forEach(place -> spots.put(
                        (String) place.get("id"),
                        new double[] {(Double) place.get("eastM"), (Double) place.get("northM")}));
        Map<String, Object> base = (Map<String, Object>) day.get("base");
        spots.put(
                "base",
                base == null
                        ? spots.get(((List<Map<String, Object>>) day.get("places"))
                                .get(0)
                                .get("id"))
                        : new double[] {(Double) base.get("eastM"), (Double) base.get("northM")});
        double now = ((Number) day.getOrDefault("nowMin", 0.0)).doubleValue();
        Map<String, Map<String, Object>> done = new HashMap<>();
        ((List<Map<String, Object>>) day.getOrDefault("done", List.of()))
                .forEach(row -> done.put(row.get("chain") + "#" + row.get("step"), row));
        List<Map<String, Object>> steps = plan.series().get("steps");
        Map<String, Map<String, Object>> byKey = new HashMap<>();
        for (Map<String, Object> step : steps) {
            String key = step.get("chain") + "#" + ((Double) step.get("step")).intValue();
            if (byKey.put(key, step) != null) {
                faults.add(key + " twice");
            }
            Map<String, Object> as = done.get(key);
            if (as != null && Math.abs((Double) step.get("start") - (Double) as.get("start")) > 1e-9) {
                faults.add(key + " was done at another time");
            }
            if (as == null && (Double) step.get("start") < now - 1e-6) {
                faults.add(key + " begins before now");
            }
        }
        double sumLate = 0;
        for (Map<String, Object> chain : (List<Map<String, Object>>) day.get("chains")) {
            List<Map<String, Object>> own = (List<Map<String, Object>>) chain.get("steps");
            int length = own != null
                    ? own.size()
                    : WorkStep.of(
                                    Methods.all()
                                            .get((String) chain.get("method"))
                                            .card(),
                                    CoreData.BENCHMARKS)
                            .size();
            for (int s = 0; s < length; s++) {
                Map<String, Object> step = byKey.remove(chain.get("id") + "#" + s);
                if (step == null) {
                    faults.add(chain.get("id") + "#" + s + " is missing");
                    continue;
                }
                if (s > 0 && own != null) {
                    Map<String, Object> before = steps.stream()
                            .filter(each -> each.get("chain").equals(chain.get("id")))
                            .toList()
                            .get(s - 1);
                    double wait = (Double) step.get("start") - (Double) before.get("end");
                    double least = (Double) own.get(s).getOrDefault("least", 0.0);
                    double most = (Double) own.get(s).getOrDefault("most", Double.POSITIVE_INFINITY);
                    sumLate += Math.max(0, wait - most);
                    if (wait < least - 1e-6 && !done.containsKey(chain.get("id") + "#" + s)) {
                        faults.add(chain.get("id") + "#" + s + " waits too little: " + wait);
                    }
                }
            }
        }
        if (!byKey.isEmpty()) {
            faults.add("not asked for: " + byKey.keySet());
        }
        if (((List<Map<String, Object>>) day.get("chains")).get(0).get("steps") != null
                && Math.abs(sumLate - value(plan, "lateMin")) > 1e-6) {
            faults.add("late by " + sumLate + ", says " + value(plan, "lateMin"));
        }
        faults.addAll(impossibleWays(day, plan, spots, done, now));
        return faults;
    }

    private static List<String> impossibleWays(
            Map<String, Object> day,
            Evaluation plan,
            Map<String, double[]> spots,
            Map<String, Map<String, Object>> done,
            double now) {
        List<String> faults = new ArrayList<>();
        int crew = ((Number) day.getOrDefault("crew", 1)).intValue();
        double walking = 0;
        for (int p = 0; p < crew; p++) {
            String here = "base";
            double free = now;
            double lastEnd = -1;
            for (Map<String, Object> row : done.values()) {
                if ((Integer) row.get("person") == p && (Double) row.get("end") > lastEnd) {
                    lastEnd = (Double) row.get("end");
                    free = Math.max(now, lastEnd);
                    here = plan.series().get("steps").stream()
                            .filter(each -> each.get("chain").equals(row.get("chain")))
                            .findFirst()
                            .orElseThrow()
                            .get("place")
                            .toString();
                }
            }
            for (Map<String, Object> step : plan.series().get("steps")) {
                boolean open = !done.containsKey(step.get("chain") + "#" + ((Double) step.get("step")).intValue());
                if ((Double) step.get("person") != p || !open) {
                    continue;
                }
                double[] a = spots.get(here);
                double[] b = spots.get(step.get("place").toString());
                double walk = Math.hypot(a[0] - b[0], a[1] - b[1]) / 60;
                walking += walk;
                if ((Double) step.get("start") < free + walk - 1e-6) {
                    faults.add("person " + p + " can't be at " + step);
                }
                here = step.get("place").toString();
                free = (Double) step.get("end");
            }
        }
        if (Math.abs(walking - value(plan, "walkingMin")) > 1e-6) {
            faults.add("walks " + walking + ", says " + value(plan, "walkingMin"));
        }
        return faults;
    }
}
