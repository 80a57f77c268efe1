package org.morphotera.core.statistics;

import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * The mean of replicate scores with the 95 % t-interval of the mean, held within the scale. Without an interval when
 * there are fewer than three scores or all are the same: the spread is then not known, not zero.
 */
public record MeanScore(double mean, Double low, Double high) {

    private static final double UPPER_TAIL = 0.975;

    public static MeanScore of(List<Double> scores, double lowest, double highest) {
        int n = scores.size();
        double mean = scores.stream().mapToDouble(Double::doubleValue).sum() / n;
        double squares = 0;
        for (double score : scores) {
            squares += (score - mean) * (score - mean);
        }
        if (n < 3 || squares == 0) {
            return new MeanScore(mean, null, null);
        }
        double half =
                TDistribution.of(n - 1).inverseCumulativeProbability(UPPER_TAIL) * Math.sqrt(squares / (n - 1) / n);
        return new MeanScore(mean, Math.max(lowest, mean - half), Math.min(highest, mean + half));
    }

    /** The middle score, or the mean of the two in the middle. */
    public static double median(List<Double> scores) {
        List<Double> sorted = scores.stream().sorted().toList();
        int middle = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(middle) : (sorted.get(middle - 1) + sorted.get(middle)) / 2;
    }
}
