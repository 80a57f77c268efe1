package org.morphotera.core.trend;

import java.util.Arrays;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.statistics.Sample;

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

    /**
     * What treated stops did beyond the drift of control stops of the same field and the same visits: each paired
     * difference less the mean of the controls' (before-after, control-impact; Stewart-Oaten et al., 1986). Without a
     * control the differences as they are.
     */
    public static double[] lessDrift(double[] treated, double[] controls) {
        if (controls.length == 0) {
            return treated.clone();
        }
        double drift = Sample.of(controls).mean();
        return Arrays.stream(treated).map(difference -> difference - drift).toArray();
    }

    /** The same from differences, such as those of treated stops less that of control stops. */
    public static PairedChange ofDifferences(double[] differences, double widening, boolean alike) {
        int n = differences.length;
        Sample sample = Sample.of(differences);
        if (n < 2) {
            Double only = n == 0 ? null : Double.valueOf(sample.mean());
            return new PairedChange(n, only, null, null, null, Verdict.TOO_FEW);
        }
        double mean = sample.mean();
        double half = sample.halfWidth() + widening;
        double smallest = smallestDetectable(sample.deviation(), n) + widening;
        Verdict verdict = !alike
                ? Verdict.NOT_COMPARABLE
                : n < FEWEST_PAIRS
                        ? Verdict.TOO_FEW
                        : mean - half > 0 ? Verdict.RISEN : mean + half < 0 ? Verdict.FALLEN : Verdict.NO_CHANGE_SHOWN;
        return new PairedChange(n, mean, mean - half, mean + half, smallest, verdict);
    }

    /**
     * The smallest true mean change that n pairs show with power 0.8 at 95 %: (t(0.975) + t(0.8)) · s/√n.
     *
     * @param deviation standard deviation of the paired differences
     * @param pairs at least 2
     */
    public static double smallestDetectable(double deviation, int pairs) {
        return (Sample.quantile(Sample.TWO_SIDED_95, pairs - 1.0) + Sample.quantile(POWER, pairs - 1.0))
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
