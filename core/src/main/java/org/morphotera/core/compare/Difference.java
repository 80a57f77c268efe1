package org.morphotera.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Table;

/**
 * How one indicator differs between two sides.
 *
 * @param key indicator and depth band
 * @param standing other less one
 * @param figure other less one in the measured figure, or {@code null}
 * @param ratio difference over combined uncertainty, never negative; by standing or by figure, whichever tells more
 * @param defensible the ratio is 1 or more
 */
public record Difference(
        Key key, Side one, Side other, double standing, Double figure, double ratio, boolean defensible) {

    /** What is compared with what. */
    public record Key(String indicator, String band) {}

    /** Keeps a division by a vanishing uncertainty finite: two identical exact readings differ by nothing. */
    private static final double SMALLEST_HALF = 1e-3;

    /** All that was measured on both sides, strongest first. */
    public static List<Difference> ranked(
            Map<Key, List<Side.Reading>> one, Map<Key, List<Side.Reading>> other, Table scatter) {
        List<Difference> differences = new ArrayList<>();
        for (Map.Entry<Key, List<Side.Reading>> entry : new LinkedHashMap<>(one).entrySet()) {
            List<Side.Reading> readings = other.get(entry.getKey());
            if (readings != null) {
                String indicator = entry.getKey().indicator();
                double half = scatter.at(scatter.has(indicator) ? indicator : "other", "standing");
                differences.add(between(entry.getKey(), Side.of(entry.getValue(), half), Side.of(readings, half)));
            }
        }
        differences.sort(Comparator.comparingDouble(Difference::ratio)
                .reversed()
                .thenComparing(difference -> difference.key().indicator()));
        return differences;
    }

    static Difference between(Key key, Side one, Side other) {
        double standing = other.standing() - one.standing();
        double combined = Math.max(SMALLEST_HALF, Math.hypot(one.standingHalf(), other.standingHalf()));
        double ratio = Math.abs(standing) / combined;
        Double figure =
                one.figure() == null || other.figure() == null ? null : Double.valueOf(other.figure() - one.figure());
        return new Difference(key, one, other, standing, figure, ratio, ratio >= 1);
    }
}
