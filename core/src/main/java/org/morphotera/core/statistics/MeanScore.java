package org.morphotera.core.statistics;

import java.util.List;

/**
 * The mean of replicate scores with the 95 % t-interval of the mean, held within the scale. Without an interval when
 * there are fewer than three scores or all are the same: the spread is then not known, not zero.
 */
public record MeanScore(double mean, Double low, Double high) {

    /**
     * @param scores at least one
     * @param lowest end of the scale
     * @param highest end of the scale
     */
    public static MeanScore of(List<Double> scores, double lowest, double highest) {
        Sample sample = Sample.of(scores);
        double mean = sample.mean();
        double half = sample.halfWidth();
        if (sample.size() < 3 || half == 0) {
            return new MeanScore(mean, null, null);
        }
        return new MeanScore(mean, Math.max(lowest, mean - half), Math.min(highest, mean + half));
    }
}
