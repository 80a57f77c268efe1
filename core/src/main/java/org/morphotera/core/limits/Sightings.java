package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.statistics.Sample;

/** From what the tests of a field show, stop by stop, to its findings in the states of the evidence tables. */
public final class Sightings {

    /** Not a finding itself: half of the contrast between the surface and 200 mm. */
    public static final String AT_200 = "infiltration-at-200";

    private static final String INFILTRATION = "infiltration";
    private static final String CONTRAST = "infiltration-contrast";

    private Sightings() {}

    /**
     * Findings of a field: the middle of figures, the commonest state (of two as common, the one that is not "none").
     *
     * @param seen at all its stops, the newest of each
     * @return state by finding
     */
    public static Map<String, String> findings(List<Sighting> seen, EvidenceTables tables) {
        Map<String, List<Double>> figures = new LinkedHashMap<>();
        Map<String, Map<String, Integer>> states = new LinkedHashMap<>();
        for (Sighting each : seen) {
            if (each.figure() != null) {
                figures.computeIfAbsent(each.finding(), key -> new ArrayList<>())
                        .add(each.figure());
            } else {
                states.computeIfAbsent(each.finding(), key -> new LinkedHashMap<>())
                        .merge(each.state(), 1, Integer::sum);
            }
        }
        Map<String, String> findings = new LinkedHashMap<>();
        Double surface = middle(figures.get(INFILTRATION));
        Double below = middle(figures.remove(AT_200));
        if (surface != null && below != null && surface > 0) {
            findings.put(CONTRAST, tables.kind(CONTRAST).stateOf(below / surface));
        }
        figures.forEach((finding, values) -> {
            EvidenceTables.Kind kind = tables.kind(finding);
            if (kind != null) {
                findings.put(finding, kind.stateOf(middle(values)));
            }
        });
        states.forEach((finding, counts) -> findings.put(finding, commonest(counts)));
        return findings;
    }

    private static Double middle(List<Double> values) {
        return values == null ? null : Sample.medianOrNull(values);
    }

    private static String commonest(Map<String, Integer> counts) {
        String best = null;
        for (Map.Entry<String, Integer> each : counts.entrySet()) {
            boolean more = best == null || each.getValue() > counts.get(best);
            boolean asMany = best != null && each.getValue().equals(counts.get(best)) && best.equals("none");
            if (more || asMany) {
                best = each.getKey();
            }
        }
        return best;
    }
}
