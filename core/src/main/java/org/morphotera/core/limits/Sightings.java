package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.method.Envelope;

/** From evaluated tests to findings: what each test says in the words of the evidence tables. */
public final class Sightings {

    /** One thing seen at one stop: a figure to be sorted into states, or a state. Exactly one is given. */
    public record Sighting(String finding, Double figure, String state) {}

    /** Not a finding itself: half of the contrast between the surface and 200 mm. */
    public static final String AT_200 = "infiltration-at-200";

    private static final String INFILTRATION = "infiltration";
    private static final String CONTRAST = "infiltration-contrast";
    private static final double SUBSOIL_FROM_MM = 200;
    private static final double NO_LIMIT_MM = 999;

    private Sightings() {}

    /**
     * What a test shows.
     *
     * @param readings as they were entered
     * @param topMm top of the sampled layer, or {@code null}
     */
    public static List<Sighting> of(Map<String, Object> readings, Envelope envelope, Double topMm) {
        List<Sighting> seen = new ArrayList<>();
        switch (envelope.method()) {
            case "ph" -> {
                figure(seen, "surface-ph", envelope, "phWater");
                subsoilPh(seen, envelope);
            }
            case "fizz" -> state(seen, "fizz", envelope.classes().get("carbonate"));
            case "salinity" -> figure(seen, "ece", envelope, "ece");
            case "lab-result" -> {
                figure(seen, "surface-ph", envelope, "phWater");
                figure(seen, "esp", envelope, "espPct");
                exchangeCapacity(seen, readings);
                standing(seen, "organic-matter", envelope, "organic-matter");
            }
            case "crumb-stability" -> crumbs(seen, envelope, topMm);
            case "ring-infiltration" ->
                figure(seen, "at-200".equals(readings.get("depthLevel")) ? AT_200 : INFILTRATION, envelope, "rate");
            case "hole-drainage" -> {
                figure(seen, "drain-out", envelope, "rate");
                figure(seen, "straight-down", envelope, "fieldPermeability");
            }
            case "penetration" -> {
                Envelope.Figure depth = envelope.values().get("limitDepthMm");
                seen.add(new Sighting("probe-depth", depth == null ? NO_LIMIT_MM : depth.value(), null));
            }
            case "structure", "porosity", "respiration" ->
                standing(seen, envelope.method(), envelope, envelope.method());
            case "earthworms" -> {
                standing(seen, "worms", envelope, "earthworms");
                figure(seen, "juveniles", envelope, "juvenilePct");
            }
            case "mottling" -> {
                figure(seen, "mottling", envelope, "score");
                if (readings.get("greyPct") instanceof Number grey) {
                    seen.add(new Sighting("grey", grey.doubleValue(), null));
                }
            }
            case "smell" -> figure(seen, "smell", envelope, "score");
            case "colour" -> figure(seen, "colour", envelope, "valueDifference");
            case "ground-cover" -> figure(seen, "cover", envelope, "coverPct");
            case "nutrient-kit" -> figure(seen, "kit-nitrogen", envelope, "n");
            case "texture-feel", "texture-jar" ->
                state(seen, "texture-group", envelope.classes().get("textureGroup"));
            case "roots" -> roots(seen, readings, envelope);
            case "pit" -> {
                boolean water = readings.get("standingWaterMm") instanceof Number mm && mm.doubleValue() > 0;
                seen.add(new Sighting("standing-water", null, water ? "yes" : "no"));
            }
            default -> {
                // the others speak of no constraint
            }
        }
        return seen;
    }

    /** No finding of its own: what a plan for gypsum needs to know. */
    private static void exchangeCapacity(List<Sighting> seen, Map<String, Object> readings) {
        if (readings.get("analytes") instanceof List<?> analytes) {
            for (Object each : analytes) {
                if (each instanceof Map<?, ?> analyte
                        && "cec".equals(analyte.get("code"))
                        && analyte.get("value") instanceof Number cec) {
                    seen.add(new Sighting("cec", cec.doubleValue(), null));
                }
            }
        }
    }

    private static void subsoilPh(List<Sighting> seen, Envelope envelope) {
        Double deepest = null;
        for (Map<String, Object> row : envelope.series().getOrDefault("layers", List.of())) {
            boolean subsoil = row.get("topMm") instanceof Number top && top.doubleValue() >= SUBSOIL_FROM_MM;
            if (subsoil && row.get("phWater") instanceof Envelope.Figure ph) {
                deepest = ph.value();
            } else if (subsoil && row.get("phWater") instanceof Map<?, ?> ph && ph.get("value") instanceof Number x) {
                deepest = x.doubleValue();
            }
        }
        if (deepest != null) {
            seen.add(new Sighting("subsoil-ph", deepest, null));
        }
    }

    private static void crumbs(List<Sighting> seen, Envelope envelope, Double topMm) {
        boolean sub = topMm != null && topMm >= SUBSOIL_FROM_MM;
        boolean hidden = envelope.notes().stream().anyMatch(note -> note.code().equals("TAP_WATER"));
        if (!hidden) {
            standing(seen, sub ? "dispersion-sub" : "dispersion-top", envelope, "dispersion");
        }
        if (!sub) {
            standing(seen, "slaking", envelope, "slaking");
        }
    }

    private static void roots(List<Sighting> seen, Map<String, Object> readings, Envelope envelope) {
        state(seen, "root-barrier", envelope.classes().get("barrier"));
        if (readings.get("bent") instanceof Boolean bent) {
            seen.add(new Sighting("bent-roots", null, bent ? "yes" : "no"));
        }
        if (Boolean.TRUE.equals(readings.get("legume"))) {
            state(seen, "nodules", readings.get("nodules"));
        }
    }

    private static void figure(List<Sighting> seen, String finding, Envelope envelope, String value) {
        Envelope.Figure figure = envelope.values().get(value);
        if (figure != null) {
            seen.add(new Sighting(finding, figure.value(), null));
        }
    }

    private static void standing(List<Sighting> seen, String finding, Envelope envelope, String indicator) {
        envelope.ratings().stream()
                .filter(rating -> rating.indicator().equals(indicator)
                        && rating.school().equals("standing")
                        && rating.standing() != null)
                .findFirst()
                .ifPresent(rating -> seen.add(new Sighting(finding, rating.standing(), null)));
    }

    private static void state(List<Sighting> seen, String finding, Object state) {
        if (state instanceof String code) {
            seen.add(new Sighting(finding, null, code));
        }
    }

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
        if (values == null || values.isEmpty()) {
            return null;
        }
        List<Double> sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
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
