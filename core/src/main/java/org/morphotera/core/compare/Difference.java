package org.morphotera.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.trend.ChangeScale;

/**
 * How one indicator differs between two sides.
 *
 * @param key indicator and depth band
 * @param standing other less one
 * @param figure other less one in the measured figure, or {@code null}
 * @param ratio difference over combined uncertainty, never negative; by standing or by figure on its scale, whichever
 *     tells more: two pH may stand equally badly and differ very much
 * @param defensible the ratio is 1 or more
 * @param better which side stands better
 */
public record Difference(
        Key key,
        Side one,
        Side other,
        double standing,
        Double figure,
        double ratio,
        boolean defensible,
        Better better) {

    /** Which side stands better by more than the uncertainty of both. */
    public enum Better implements Coded {
        ONE,
        OTHER,
        NEITHER
    }

    /** What is compared with what. */
    public record Key(String indicator, String band) {}

    /** Keeps a division by a vanishing uncertainty finite: two identical exact readings differ by nothing. */
    private static final double SMALLEST_HALF = 1e-3;

    /** All that was measured on both sides, strongest first. */
    public static List<Difference> ranked(
            Map<Key, List<Side.Reading>> one, Map<Key, List<Side.Reading>> other, Benchmarks benchmarks) {
        Table scatter = benchmarks.table("scatter");
        List<Difference> differences = new ArrayList<>();
        for (Map.Entry<Key, List<Side.Reading>> entry : new LinkedHashMap<>(one).entrySet()) {
            List<Side.Reading> readings = other.get(entry.getKey());
            if (readings != null) {
                String indicator = entry.getKey().indicator();
                double half = scatter.at(scatter.has(indicator) ? indicator : "other", "standing");
                ChangeScale scale = ChangeScale.of(indicator, benchmarks);
                differences.add(between(
                        entry.getKey(), Side.of(entry.getValue(), half, scale), Side.of(readings, half, scale)));
            }
        }
        differences.sort(Comparator.comparingDouble(Difference::ratio)
                .reversed()
                .thenComparing(difference -> difference.key().indicator()));
        return differences;
    }

    static Difference between(Key key, Side one, Side other) {
        double standing = other.standing() - one.standing();
        double combined = Math.max(SMALLEST_HALF, Math.hypot(one.scoreHalf(), other.scoreHalf()));
        double byScore = Math.abs(standing) / combined;
        double ratio = Math.max(byScore, byFigure(one, other));
        Better better = byScore < 1 ? Better.NEITHER : standing > 0 ? Better.OTHER : Better.ONE;
        Double figure =
                one.figure() == null || other.figure() == null ? null : Double.valueOf(other.figure() - one.figure());
        return new Difference(key, one, other, standing, figure, ratio, ratio >= 1, better);
    }

    /** 0 where a side has no figure, or where nothing is known of how far it can be off. */
    private static double byFigure(Side one, Side other) {
        if (one.onScale() == null || other.onScale() == null) {
            return 0;
        }
        double combined = Math.hypot(one.onScaleHalf(), other.onScaleHalf());
        return combined == 0 ? 0 : Math.abs(other.onScale() - one.onScale()) / combined;
    }
}
