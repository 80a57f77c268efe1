package org.morphotera.core.statistics;

import java.util.Collection;
import org.apache.commons.statistics.descriptive.Mean;
import org.apache.commons.statistics.descriptive.Median;
import org.apache.commons.statistics.descriptive.StandardDeviation;
import org.apache.commons.statistics.distribution.TDistribution;
import org.morphotera.core.soil.Numbers;

/**
 * What a few readings of one thing say together. The estimators are those of Commons Statistics; the quantiles are kept
 * to six digits, since they are found by iteration, whose last digits differ between a JVM and a page.
 */
public final class Sample {

    /** Upper tail of a two-sided 95 % interval. */
    public static final double TWO_SIDED_95 = 0.975;

    private static final int DIGITS = 6;

    private final double[] values;

    private Sample(double[] values) {
        this.values = values;
    }

    /** @param values none of them {@code null} */
    public static Sample of(Collection<Double> values) {
        double[] each = new double[values.size()];
        int n = 0;
        for (double value : values) {
            each[n++] = value;
        }
        return new Sample(each);
    }

    /** A sample of these values. */
    public static Sample of(double... values) {
        return new Sample(values.clone());
    }

    /** How many values there are. */
    public int size() {
        return values.length;
    }

    /** The arithmetic mean; {@code NaN} of an empty sample. */
    public double mean() {
        return Mean.of(values).getAsDouble();
    }

    /** The middle value, or the mean of the two in the middle (Tukey, 1977); {@code NaN} of an empty sample. */
    public double median() {
        return Median.withDefaults().evaluate(values);
    }

    /** The median, or {@code null} of an empty sample. */
    public static Double medianOrNull(Collection<Double> values) {
        return values.isEmpty() ? null : Double.valueOf(of(values).median());
    }

    /** Standard deviation with n − 1; 0 of fewer than two values, whose spread is not known. */
    public double standardDeviation() {
        return values.length < 2 ? 0 : StandardDeviation.of(values).getAsDouble();
    }

    /** Standard error of the mean, s ÷ √n. */
    public double standardError() {
        return values.length == 0 ? 0 : standardDeviation() / Math.sqrt(values.length);
    }

    /** Half-width of the 95 % interval of the mean (Student, 1908): t · s ÷ √n; 0 of fewer than two values. */
    public double halfWidth() {
        return values.length < 2 ? 0 : studentTQuantile(TWO_SIDED_95, values.length - 1) * standardError();
    }

    /**
     * Quantile of Student's t.
     *
     * @param probability 0..1
     * @param degrees of freedom, at least 1
     */
    public static double studentTQuantile(double probability, double degrees) {
        return Numbers.significant(TDistribution.of(degrees).inverseCumulativeProbability(probability), DIGITS);
    }
}
