package org.morphotera.core.trend;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.morphotera.core.statistics.Sample;

/**
 * A figure at some stops over three dates or more. Slopes are taken within each stop only and pooled over the stops
 * (Theil, 1950; interval after Sen, 1968; regional Kendall test, Helsel and Frans, 2006), so that a stop that was left out
 * once makes no trend. Since all readings of a visit may be off together, the test of Mann (1945) and Kendall (1975) on
 * the visits themselves has to show it too: the larger of the two probabilities counts.
 *
 * @param dates how many days it was read on
 * @param slopePerYear median of the slopes within stops
 * @param low of the 95 % interval; with few dates the whole range of slopes
 * @param p two-sided
 * @param shown the test tells a trend from none at 5 %
 */
public record LongTrend(int dates, double slopePerYear, double low, double high, double p, boolean shown) {

    /** One reading of one stop; {@code years} since any moment. */
    public record Reading(Object stop, double years, double value) {}

    private static final double TWO_SIDED_95 = 0.975;
    private static final int EXACT_UP_TO = 10;
    private static final int FEWEST = 3;
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    /**
     * Readings of one stop on one day count as their mean.
     *
     * @return {@code null} under three dates, or where no stop was read twice
     */
    public static LongTrend of(Collection<Reading> readings) {
        TreeMap<Double, List<Double>> deviations = new TreeMap<>();
        List<Double> slopes = new ArrayList<>();
        int s = 0;
        double variance = 0;
        for (double[][] stop : byStop(readings)) {
            double[] years = stop[0];
            double[] values = stop[1];
            double mean = Sample.of(values).mean();
            for (int i = 0; i < years.length; i++) {
                deviations.computeIfAbsent(years[i], day -> new ArrayList<>()).add(values[i] - mean);
                for (int j = i + 1; j < years.length; j++) {
                    slopes.add((values[j] - values[i]) / (years[j] - years[i]));
                }
            }
            s += kendall(values);
            variance += variance(values);
        }
        if (deviations.size() < FEWEST || slopes.isEmpty()) {
            return null;
        }
        Collections.sort(slopes);
        double spread = NORMAL.inverseCumulativeProbability(TWO_SIDED_95) * Math.sqrt(variance);
        int lowRank = (int) Math.round((slopes.size() - spread) / 2) - 1;
        int highRank = (int) Math.round((slopes.size() + spread) / 2);
        double[] visits = deviations.values().stream()
                .mapToDouble(each -> Sample.of(each).mean())
                .toArray();
        double p = Math.max(normal(s, variance), ofVisits(visits));
        return new LongTrend(
                visits.length,
                Sample.of(slopes).median(),
                slopes.get(Math.max(0, lowRank)),
                slopes.get(Math.min(slopes.size() - 1, highRank)),
                p,
                p <= 2 * (1 - TWO_SIDED_95));
    }

    /** Years and values of each stop, rising, a day once. */
    private static List<double[][]> byStop(Collection<Reading> readings) {
        Map<Object, TreeMap<Double, List<Double>>> stops = new LinkedHashMap<>();
        for (Reading reading : readings) {
            stops.computeIfAbsent(reading.stop(), stop -> new TreeMap<>())
                    .computeIfAbsent(reading.years(), day -> new ArrayList<>())
                    .add(reading.value());
        }
        List<double[][]> series = new ArrayList<>();
        for (TreeMap<Double, List<Double>> days : stops.values()) {
            double[] years =
                    days.keySet().stream().mapToDouble(Double::doubleValue).toArray();
            double[] values = days.values().stream()
                    .mapToDouble(each -> Sample.of(each).mean())
                    .toArray();
            series.add(new double[][] {years, values});
        }
        return series;
    }

    /** Mann-Kendall on the visits: exact for up to ten without ties, else by the normal approximation. */
    private static double ofVisits(double[] visits) {
        int s = kendall(visits);
        boolean ties = Arrays.stream(visits).distinct().count() < visits.length;
        return ties || visits.length > EXACT_UP_TO
                ? normal(s, variance(visits))
                : s == 0 ? 1 : Math.min(1, 2 * exactTail(Math.abs(s), visits.length));
    }

    /** Pairs that rise less pairs that fall. */
    private static int kendall(double[] values) {
        int s = 0;
        for (int i = 0; i < values.length; i++) {
            for (int j = i + 1; j < values.length; j++) {
                s += (int) Math.signum(values[j] - values[i]);
            }
        }
        return s;
    }

    /** Variance of S without trend, ties taken off. */
    private static double variance(double[] values) {
        int n = values.length;
        double variance = n * (n - 1.0) * (2 * n + 5);
        List<Double> left = new ArrayList<>();
        for (double value : values) {
            left.add(value);
        }
        while (!left.isEmpty()) {
            double value = left.get(0);
            int size = left.size();
            left.removeIf(each -> each == value);
            int t = size - left.size();
            variance -= t * (t - 1.0) * (2 * t + 5);
        }
        return variance / 18;
    }

    private static double normal(int s, double variance) {
        if (s == 0 || variance <= 0) {
            return 1;
        }
        double z = (Math.abs(s) - 1) / Math.sqrt(variance);
        return Math.min(1, 2 * NORMAL.survivalProbability(z));
    }

    /** P(S >= s) over all orders of n distinct values, by the recurrence of Kendall on the number of inversions. */
    private static double exactTail(int s, int n) {
        int pairs = n * (n - 1) / 2;
        double[] ways = new double[pairs + 1];
        ways[0] = 1;
        for (int size = 2; size <= n; size++) {
            double[] next = new double[pairs + 1];
            for (int inversions = 0; inversions <= pairs; inversions++) {
                for (int added = 0; added < size && added <= inversions; added++) {
                    next[inversions] += ways[inversions - added] / size;
                }
            }
            ways = next;
        }
        double tail = 0;
        for (int inversions = 0; inversions <= pairs; inversions++) {
            if (pairs - 2 * inversions >= s) {
                tail += ways[inversions];
            }
        }
        return tail;
    }
}
