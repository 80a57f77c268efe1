package org.morphotera.core.trend;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.morphotera.core.statistics.Sample;

/**
 * A figure over three or more dates: slope by the median of all pairwise slopes (Theil, 1950; interval after Sen,
 * 1968) and the test of Mann (1945) and Kendall (1975) for any steady rise or fall.
 *
 * @param slopePerYear median of the pairwise slopes
 * @param low of the 95 % interval; with few dates the whole range of slopes
 * @param p two-sided; exact for up to ten dates without ties, else by the normal approximation
 * @param shown the test tells a trend from none at 5 %
 */
public record LongTrend(int dates, double slopePerYear, double low, double high, double p, boolean shown) {

    private static final double TWO_SIDED_95 = 0.975;
    private static final int EXACT_UP_TO = 10;
    private static final int FEWEST = 3;

    /**
     * @param years rising
     * @param values as many
     * @return {@code null} under three dates
     */
    public static LongTrend of(double[] years, double[] values) {
        int n = years.length;
        if (n < FEWEST) {
            return null;
        }
        List<Double> slopes = new ArrayList<>();
        int s = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                slopes.add((values[j] - values[i]) / (years[j] - years[i]));
                s += (int) Math.signum(values[j] - values[i]);
            }
        }
        Collections.sort(slopes);
        double variance = variance(values);
        double spread = NormalDistribution.of(0, 1).inverseCumulativeProbability(TWO_SIDED_95) * Math.sqrt(variance);
        int lowRank = (int) Math.round((slopes.size() - spread) / 2) - 1;
        int highRank = (int) Math.round((slopes.size() + spread) / 2);
        double p = probability(s, n, variance, hasTies(values));
        return new LongTrend(
                n,
                Sample.of(slopes).median(),
                slopes.get(Math.max(0, lowRank)),
                slopes.get(Math.min(slopes.size() - 1, highRank)),
                p,
                p <= 1 - (2 * TWO_SIDED_95 - 1));
    }

    private static boolean hasTies(double[] values) {
        return java.util.Arrays.stream(values).distinct().count() < values.length;
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

    private static double probability(int s, int n, double variance, boolean ties) {
        if (s == 0 || variance <= 0) {
            return 1;
        }
        if (!ties && n <= EXACT_UP_TO) {
            return Math.min(1, 2 * exactTail(Math.abs(s), n));
        }
        double z = (Math.abs(s) - 1) / Math.sqrt(variance);
        return 2 * NormalDistribution.of(0, 1).survivalProbability(z);
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
