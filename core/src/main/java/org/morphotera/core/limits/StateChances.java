package org.morphotera.core.limits;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/** Chances of the states of a finding, by state; they add up to 1. */
final class StateChances {

    private static final double LEAST_CHANCE = 1e-6;

    /** What was hardly possible before is not taken for proven by one reading. */
    private static final double LEAST_BEFORE = 0.02;

    private StateChances() {}

    /**
     * Of states that follow one another.
     *
     * @param ends of all but the last
     * @param under the chance of lying under an end
     */
    static Map<String, Double> of(List<String> states, double[] ends, DoubleUnaryOperator under) {
        Map<String, Double> chances = new LinkedHashMap<>();
        double before = 0;
        for (int i = 0; i < ends.length; i++) {
            double now = under.applyAsDouble(ends[i]);
            chances.put(states.get(i), Math.max(LEAST_CHANCE, now - before));
            before = Math.max(before, now);
        }
        chances.put(states.get(ends.length), Math.max(LEAST_CHANCE, 1 - before));
        return chances;
    }

    /** What the readings alone say: the chances less what was supposed before anything was read (Pearl, 1988). */
    static Map<String, Double> saidByReadings(Map<String, Double> chances, Map<String, Double> before) {
        Map<String, Double> said = new LinkedHashMap<>();
        chances.forEach((state, chance) -> said.put(state, chance / Math.max(LEAST_BEFORE, before.get(state))));
        double sum = said.values().stream().mapToDouble(Double::doubleValue).sum();
        said.replaceAll((state, share) -> share / sum);
        return said;
    }

    /** The state with the greatest chance. */
    static String likeliest(Map<String, Double> chances) {
        return chances.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .orElseThrow()
                .getKey();
    }
}
