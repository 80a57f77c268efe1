package org.morphotera.core.method;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * Removes from random readings the contradictions that each method would refuse, so that most of them are evaluated:
 * sorts what must rise, joins layers, drops one of two readings that exclude each other.
 */
public final class SoundReadings {

    private SoundReadings() {}

    /** Random readings of a method that keep its limits and, mostly, its rules between readings. */
    public static Map<String, Object> of(FieldMethod<?> method, Random random) {
        Map<String, Object> tree = RandomFields.tree(method::read, random);
        switch (method.card().id()) {
            case "ground-cover" -> cover(tree, random);
            case "penetration" -> probes(tree);
            case "ring-infiltration" -> ring(tree, random);
            case "hole-drainage" -> hole(tree, random);
            case "texture-feel" -> tree.computeIfPresent("formsBall", (name, ball) -> true);
            case "texture-jar" -> jar(tree, random);
            case "structure" -> structure(tree, random);
            case "porosity", "smell", "finger-stain" -> halves(tree, "score");
            case "mottling" -> mottles(tree);
            case "nutrient-kit" -> halves(tree, "n", "p", "k");
            case "earthworms" -> kinds(tree);
            case "roots" -> tree.computeIfPresent("deepestMm", (name, x) -> 5000.0);
            case "pit" -> pit(tree);
            case "crumb-stability" -> groups(tree, "crumbs").forEach(crumb -> crumb.remove("collapseSeconds"));
            case "ph" -> ph(tree, random);
            case "lab-result" -> lab(tree, random);
            case "respiration" -> tree.remove(tree.containsKey("co2MgKgDay") ? "colourNumber" : "co2MgKgDay");
            default -> {
                // no rules between readings
            }
        }
        return tree;
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> groups(Map<String, Object> tree, String name) {
        return (List<Map<String, Object>>) tree.getOrDefault(name, List.of());
    }

    private static double number(Map<String, Object> tree, String name) {
        return ((Number) tree.get(name)).doubleValue();
    }

    /** Sorts groups by a figure and drops those that repeat it. */
    private static void rising(Map<String, Object> tree, String list, String figure) {
        List<Map<String, Object>> sorted = new ArrayList<>(groups(tree, list));
        sorted.sort(Comparator.comparingDouble(each -> number(each, figure)));
        List<Map<String, Object>> kept = new ArrayList<>();
        for (Map<String, Object> each : sorted) {
            if (kept.isEmpty() || number(each, figure) - number(kept.get(kept.size() - 1), figure) > 1e-5) {
                kept.add(each);
            }
        }
        tree.computeIfPresent(list, (name, x) -> kept);
    }

    private static void halves(Map<String, Object> tree, String... names) {
        for (String name : names) {
            tree.computeIfPresent(name, (key, x) -> Math.rint(((Number) x).doubleValue() * 2) / 2);
        }
    }

    private static void mottles(Map<String, Object> tree) {
        halves(tree, "score");
        tree.replaceAll((name, x) -> name.equals("score") ? x : ((Number) x).doubleValue() / 3);
    }

    private static void cover(Map<String, Object> tree, Random random) {
        if (random.nextBoolean() && tree.containsKey("points")) {
            List.of("livingPct", "litterPct", "stonePct", "barePct").forEach(tree::remove);
            return;
        }
        tree.remove("points");
        double bare = 100 * random.nextDouble();
        double stone = (100 - bare) * random.nextDouble();
        tree.put("barePct", bare);
        tree.put("stonePct", stone);
        tree.put("litterPct", 0.0);
        tree.put("livingPct", 100 - bare - stone);
    }

    private static void probes(Map<String, Object> tree) {
        groups(tree, "probes").forEach(probe -> {
            rising(probe, "readings", "depthMm");
            probe.computeIfPresent("refusedAtMm", (name, x) -> 5000.0);
        });
    }

    private static void ring(Map<String, Object> tree, Random random) {
        tree.remove(random.nextBoolean() || !tree.containsKey("series") ? "series" : "runs");
        rising(tree, "series", "minute");
        if (tree.containsKey("series") && groups(tree, "series").size() < 5) {
            tree.put("series", new ArrayList<>(List.of(point(1), point(4), point(9), point(16), point(25))));
        }
        double so = 0;
        for (Map<String, Object> point : groups(tree, "series")) {
            so = Math.min(5000, so + random.nextInt(40));
            point.put("cumulativeMm", so);
        }
    }

    private static Map<String, Object> point(double minute) {
        return new LinkedHashMap<>(Map.of("minute", minute));
    }

    private static void hole(Map<String, Object> tree, Random random) {
        tree.remove(random.nextBoolean() ? "minutesToEmpty" : "stillWaterAtMinutes");
        if (tree.containsKey("endMm") && tree.containsKey("startMm")) {
            tree.put("endMm", Math.min(number(tree, "endMm"), number(tree, "startMm")));
        }
        if (tree.get("points") != null) {
            rising(tree, "points", "minute");
            double depth = number(tree, "holeDepthMm");
            groups(tree, "points").forEach(point -> point.put("mm", Math.min(depth, number(point, "mm"))));
        }
    }

    private static void jar(Map<String, Object> tree, Random random) {
        double base = 20 * random.nextDouble();
        tree.put("baseOffsetMm", base);
        tree.put("sandMm", base += 0.01 + 90 * random.nextDouble());
        tree.put("siltMm", base += 0.01 + 90 * random.nextDouble());
        tree.put("clayMm", base + 0.01 + 90 * random.nextDouble());
        tree.put("waterColumnMm", 300 + 1000 * random.nextDouble());
        List.of("sandMarkSeconds", "siltMarkSeconds", "clayMarkSeconds").forEach(tree::remove);
    }

    private static void structure(Map<String, Object> tree, Random random) {
        if ("spade-block".equals(tree.get("key"))) {
            tree.remove(random.nextBoolean() && tree.containsKey("layers") ? "score" : "layers");
        }
        groups(tree, "fractions").forEach(each -> each.put("maxMm", number(each, "minMm") / 2 + 2500.1));
        groups(tree, "fractions").forEach(each -> each.put("minMm", number(each, "minMm") / 2));
    }

    private static void kinds(Map<String, Object> tree) {
        groups(tree, "blocks").forEach(block -> {
            block.remove("surfaceDwellers");
            block.computeIfPresent("deepBurrowers", (name, x) -> 0);
        });
    }

    private static void pit(Map<String, Object> tree) {
        double top = 0;
        for (Map<String, Object> horizon : groups(tree, "horizons")) {
            horizon.put("topMm", top);
            top += 1 + number(horizon, "bottomMm") / 50;
            horizon.put("bottomMm", top);
        }
        tree.put("depthMm", Math.min(5000, top + 10));
    }

    private static void ph(Map<String, Object> tree, Random random) {
        double top = 0;
        for (Map<String, Object> layer : groups(tree, "layers")) {
            layer.put("topMm", top);
            layer.put("bottomMm", top += 10 + 200 * random.nextDouble());
            layer.keySet().removeAll(List.of("value", "chipLow", "chipHigh"));
            if (random.nextBoolean()) {
                layer.put("value", 14 * random.nextDouble());
            } else {
                double low = 13 * random.nextDouble();
                layer.put("chipLow", low);
                layer.put("chipHigh", low + random.nextDouble());
            }
        }
    }

    private static void lab(Map<String, Object> tree, Random random) {
        Map<String, String> units = Map.ofEntries(
                Map.entry("ph-water", "pH"),
                Map.entry("ph-cacl2", "pH"),
                Map.entry("organic-matter", "%"),
                Map.entry("ece", "dS/m"),
                Map.entry("buffer-ph", "t/ha"));
        Map<Object, Map<String, Object>> byCode = new LinkedHashMap<>();
        for (Map<String, Object> analyte : groups(tree, "analytes")) {
            String code = (String) analyte.get("code");
            boolean exchangeable = code.startsWith("ex-") || code.equals("cec");
            analyte.put("unit", units.getOrDefault(code, exchangeable ? "cmol/kg" : "mg/kg"));
            analyte.put("value", 14 * random.nextDouble());
            byCode.put(code, analyte);
        }
        tree.put("analytes", new ArrayList<>(byCode.values()));
    }
}
