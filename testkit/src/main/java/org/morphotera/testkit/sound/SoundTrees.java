package org.morphotera.testkit.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Helps {@link FieldMethod#makeSound}: changes to plain trees of readings. */
public final class SoundTrees {

    /** Readings nearer to each other than this count as the same. */
    private static final double SAME = 1e-5;

    private SoundTrees() {}

    /** The groups of a list of readings; none when it is absent. */
    @SuppressWarnings("unchecked")
    public static List<Map<String, Object>> groups(Map<String, Object> tree, String name) {
        return (List<Map<String, Object>>) tree.getOrDefault(name, List.of());
    }

    /** A reading that is a number and there. */
    public static double number(Map<String, Object> tree, String name) {
        return ((Number) tree.get(name)).doubleValue();
    }

    /** Sorts groups by a figure and drops those that repeat it. */
    public static void rising(Map<String, Object> tree, String list, String figure) {
        List<Map<String, Object>> sorted = new ArrayList<>(groups(tree, list));
        sorted.sort(Comparator.comparingDouble(each -> number(each, figure)));
        List<Map<String, Object>> kept = new ArrayList<>();
        for (Map<String, Object> each : sorted) {
            if (kept.isEmpty() || number(each, figure) - number(kept.get(kept.size() - 1), figure) > SAME) {
                kept.add(each);
            }
        }
        tree.computeIfPresent(list, (name, x) -> kept);
    }

    /** Brings readings, where they are given, to the nearest half. */
    public static void halves(Map<String, Object> tree, String... names) {
        for (String name : names) {
            tree.computeIfPresent(name, (key, x) -> Math.rint(((Number) x).doubleValue() * 2) / 2);
        }
    }
}
