package org.morphotera.core.day;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.schedule.WalkSet;

/** Days to be planned, as a client would send them. */
public final class Days {

    static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());

    private Days() {}

    static Evaluation plan(Map<String, Object> inputs) {
        Outcome outcome = ALL.evaluate("day-plan", Map.of("inputs", inputs), CoreData.BENCHMARKS);
        if (outcome instanceof Outcome.Evaluated done) {
            return done.evaluation();
        }
        throw new AssertionError(((Outcome.Refused) outcome).faults());
    }

    /** The walk's ten tests at each of some places within 300 m. */
    public static Map<String, Object> standard(int places, int crew, long seed) {
        Random random = new Random(seed);
        List<Map<String, Object>> spots = new ArrayList<>();
        List<Map<String, Object>> chains = new ArrayList<>();
        for (int p = 0; p < places; p++) {
            spots.add(Map.of(
                    "id", "s" + p, "eastM", (double) random.nextInt(300), "northM", (double) random.nextInt(300)));
            for (String method : WalkSet.TEN_TESTS.methods()) {
                chains.add(Map.of("id", "s" + p + " " + method, "place", "s" + p, "method", method));
            }
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("crew", crew);
        inputs.put("places", spots);
        inputs.put("chains", chains);
        return inputs;
    }

    /** A day of at most some steps, all times in tenths of a minute, all places on one line. */
    static Map<String, Object> small(Random random, int mostSteps) {
        List<Map<String, Object>> spots = new ArrayList<>();
        int places = 1 + random.nextInt(3);
        for (int p = 0; p < places; p++) {
            spots.add(Map.of("id", "s" + p, "eastM", 6.0 * (random.nextInt(80) - 40), "northM", 0.0));
        }
        List<Map<String, Object>> chains = new ArrayList<>();
        int left = 2 + random.nextInt(mostSteps - 1);
        while (left > 0) {
            int length = Math.min(left, 1 + random.nextInt(3));
            List<Map<String, Object>> steps = new ArrayList<>();
            for (int s = 0; s < length; s++) {
                Map<String, Object> step = new LinkedHashMap<>();
                step.put("code", "step-" + s);
                step.put("minutes", (1 + random.nextInt(30)) / 2.0);
                if (s > 0 || random.nextInt(6) == 0) {
                    double least = random.nextInt(16);
                    step.put("least", least);
                    if (s > 0 && random.nextInt(4) > 0) {
                        step.put("most", least + random.nextInt(5));
                    }
                }
                steps.add(step);
            }
            chains.add(Map.of("id", "c" + chains.size(), "place", "s" + random.nextInt(places), "steps", steps));
            left -= length;
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("crew", 1 + random.nextInt(3));
        inputs.put("places", spots);
        inputs.put("base", Map.of("eastM", 0.0, "northM", 0.0));
        inputs.put("chains", chains);
        return inputs;
    }

    /** What is done of a plan by a minute, each step late by up to some minutes, at tenths of a minute. */
    static List<Map<String, Object>> done(Evaluation plan, double by, int latest, Random random) {
        List<Map<String, Object>> done = new ArrayList<>();
        for (Map<String, Object> step : plan.series().get("steps")) {
            double start = Math.rint((Double) step.get("start") * 10) / 10;
            if (start > by) {
                continue;
            }
            double end = (Double) step.get("end") + random.nextInt(latest + 1);
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("chain", step.get("chain"));
            row.put("step", ((Double) step.get("step")).intValue());
            row.put("person", ((Double) step.get("person")).intValue());
            row.put("start", start);
            row.put("end", Math.rint(end * 10) / 10);
            done.add(row);
        }
        done.sort((a, b) -> Integer.compare((Integer) a.get("step"), (Integer) b.get("step")));
        return done;
    }
}
