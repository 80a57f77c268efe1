package org.morphotera.core.trend;

import org.apache.commons.statistics.distribution.TDistribution;
import org.morphotera.core.soil.Coded;

/**
 * Change of one figure at the same stops between two dates: the mean of the paired differences with its 95 %
 * t-interval (Student, 1908), and the smallest true change that this sampling would have shown with power 0.8
 * (Cochran, 1977).
 *
 * @param pairs stops measured on both dates
 * @param mean later less earlier; {@code null} without a pair
 * @param low of the interval, widened by the instruments where they differ; {@code null} under two pairs
 * @param smallest detectable change, or {@code null}
 */
public record PairedChange(int pairs, Double mean, Double low, Double high, Double smallest, Verdict verdict) {

    /** What may be said. */
    public enum Verdict implements Coded {
        RISEN,
        FALLEN,
        NO_CHANGE_SHOWN,
        TOO_FEW,
        NOT_COMPARABLE
    }

    private static final int FEWEST_PAIRS = 3;
    private static final double TWO_SIDED_95 = 0.975;
    private static final double POWER = 0.8;

    /**
     * @param earlier figure of each stop, in the same order as {@code later}
     * @param widening half-width added on both sides where instrument or kind differ between the dates; else 0
     * @param alike whether the visits can be compared at all
     */
    public static PairedChange of(double[] earlier, double[] later, double widening, boolean alike) {
        if (earlier.length != later.length) {
            throw new IllegalArgumentException("pairs must be complete");
        }
        int n = earlier.length;
        if (n == 0) {
            return new PairedChange(0, null, null, null, null, Verdict.TOO_FEW);
        }
        double[] differences = new double[n];
        for (int i = 0; i < n; i++) {
            differences[i] = later[i] - earlier[i];
        }
        return ofDifferences(differences, widening, alike);
    }

    /** The same from differences, such as those of treated stops less that of control stops. */
    public static PairedChange ofDifferences(double[] differences, double widening, boolean alike) {
        int n = differences.length;
        double mean = 0;
        for (double difference : differences) {
            mean += difference / n;
        }
        if (n < 2) {
            return new PairedChange(n, n == 0 ? null : Double.valueOf(mean), null, null, null, Verdict.TOO_FEW);
        }
        double error = standardDeviation(differences, mean) / Math.sqrt(n);
        TDistribution t = TDistribution.of(n - 1);
        double half = t.inverseCumulativeProbability(TWO_SIDED_95) * error + widening;
        double smallest = smallestDetectable(error * Math.sqrt(n), n) + widening;
        Verdict verdict = !alike
                ? Verdict.NOT_COMPARABLE
                : n < FEWEST_PAIRS
                        ? Verdict.TOO_FEW
                        : mean - half > 0 ? Verdict.RISEN : mean + half < 0 ? Verdict.FALLEN : Verdict.NO_CHANGE_SHOWN;
        return new PairedChange(n, mean, mean - half, mean + half, smallest, verdict);
    }

    private static double standardDeviation(double[] values, double mean) {
        double squares = 0;
        for (double value : values) {
            squares += (value - mean) * (value - mean);
        }
        return Math.sqrt(squares / (values.length - 1));
    }

    /**
     * The smallest true mean change that n pairs show with power 0.8 at 95 %: (t(0.975) + t(0.8)) · s/√n.
     *
     * @param deviation standard deviation of the paired differences
     * @param pairs at least 2
     */
    public static double smallestDetectable(double deviation, int pairs) {
        TDistribution t = TDistribution.of(pairs - 1);
        return (t.inverseCumulativeProbability(TWO_SIDED_95) + t.inverseCumulativeProbability(POWER))
                * deviation
                / Math.sqrt(pairs);
    }

    /** How many stops it takes to see a change of some size; at most {@code most}, then {@code null}. */
    public static Integer stopsNeeded(double deviation, double change, int most) {
        for (int n = FEWEST_PAIRS; n <= most; n++) {
            if (smallestDetectable(deviation, n) <= change) {
                return n;
            }
        }
        return null;
    }
}
