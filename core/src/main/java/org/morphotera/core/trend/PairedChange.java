package org.morphotera.core.trend;

import org.apache.commons.statistics.distribution.NormalDistribution;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.statistics.Sample;

/**
 * Change of one figure at the same stops between two dates, on its own scale: the mean of the paired differences with
 * its 95 % interval, and the smallest true change that this sampling would have shown with power 0.8 (Cochran, 1977).
 *
 * <p>Without control stops the interval holds what the readings of a visit share beside Student's t (1908): a whole visit
 * may read high. With control stops, read on both dates and not treated, their mean change is taken off (before-after,
 * control-impact; Stewart-Oaten et al., 1986); what a visit shares cancels, and the degrees of freedom are Welch's (1947).
 *
 * @param pairs stops measured on both dates, without the controls
 * @param controls stops that were not treated
 * @param mean later less earlier, on the scale; {@code null} without a pair
 * @param low of the interval; {@code null} under two pairs
 * @param smallest detectable change on the scale, or {@code null}
 */
public record PairedChange(
        int pairs, int controls, Double mean, Double low, Double high, Double smallest, Verdict verdict) {

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
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
    private static final double NORMAL_95 = NORMAL.inverseCumulativeProbability(Sample.TWO_SIDED_95);
    private static final double NORMAL_POWER = NORMAL.inverseCumulativeProbability(POWER);

    /**
     * @param treated later less earlier at each stop, on the scale
     * @param controls the same of stops that were not treated; empty where there are none
     * @param conversion half-width, on the scale, of bringing the figures of two instruments to one; 0 for one instrument
     * @param alike whether the visits can be compared at all
     */
    public static PairedChange of(
            double[] treated, double[] controls, ChangeScale scale, double conversion, boolean alike) {
        int n = treated.length;
        Sample sample = Sample.of(treated);
        if (n < 2) {
            Double only = n == 0 ? null : Double.valueOf(sample.mean());
            return new PairedChange(n, controls.length, only, null, null, null, Verdict.TOO_FEW);
        }
        Spread spread = controls.length == 0
                ? Spread.shared(sample, scale)
                : Spread.against(sample, Sample.of(controls), scale);
        double drift = controls.length == 0 ? 0 : Sample.of(controls).mean();
        double mean = sample.mean() - drift;
        double half = Math.hypot(spread.half(), conversion);
        double smallest = Math.hypot(spread.smallest(), conversion);
        Verdict verdict = !alike
                ? Verdict.NOT_COMPARABLE
                : n < FEWEST_PAIRS
                        ? Verdict.TOO_FEW
                        : mean - half > 0 ? Verdict.RISEN : mean + half < 0 ? Verdict.FALLEN : Verdict.NO_CHANGE_SHOWN;
        return new PairedChange(n, controls.length, mean, mean - half, mean + half, smallest, verdict);
    }

    /** Half of the interval, and the smallest change that it would have shown. */
    private record Spread(double half, double smallest) {

        /** Of treated stops alone: their scatter, and what two visits share. */
        static Spread shared(Sample treated, ChangeScale scale) {
            int n = treated.size();
            double error = deviation(treated, scale) / Math.sqrt(n);
            double visits = Math.sqrt(2) * scale.visit();
            return new Spread(
                    Math.hypot(quantile(n - 1.0) * error, NORMAL_95 * visits),
                    Math.hypot((quantile(n - 1.0) + power(n - 1.0)) * error, (NORMAL_95 + NORMAL_POWER) * visits));
        }

        /** Of treated stops against controls; a single control has the scatter of the treated. */
        static Spread against(Sample treated, Sample controls, ChangeScale scale) {
            double own = Math.pow(deviation(treated, scale), 2) / treated.size();
            double theirs = Math.pow(deviation(controls.size() == 1 ? treated : controls, scale), 2) / controls.size();
            double degrees = controls.size() == 1
                    ? treated.size() - 1.0
                    : welch(own, treated.size() - 1.0, theirs, controls.size() - 1.0);
            double error = Math.sqrt(own + theirs);
            return new Spread(quantile(degrees) * error, (quantile(degrees) + power(degrees)) * error);
        }
    }

    private static double deviation(Sample sample, ChangeScale scale) {
        return Math.max(sample.standardDeviation(), Math.sqrt(2) * scale.instrument());
    }

    /** Degrees of freedom of a sum of two variances of means (Welch, 1947); those of the first where both are 0. */
    private static double welch(double one, double oneDegrees, double other, double otherDegrees) {
        double sum = one + other;
        return sum == 0 ? oneDegrees : sum * sum / (one * one / oneDegrees + other * other / otherDegrees);
    }

    private static double quantile(double degrees) {
        return Sample.studentTQuantile(Sample.TWO_SIDED_95, degrees);
    }

    private static double power(double degrees) {
        return Sample.studentTQuantile(POWER, degrees);
    }

    /**
     * The smallest true mean change that n pairs show with power 0.8 at 95 %: (t(0.975) + t(0.8)) · s/√n, and what two
     * visits share.
     *
     * @param deviation standard deviation of the paired differences
     * @param visit standard deviation that all readings of a visit share; 0 against controls
     * @param pairs at least 2
     */
    public static double smallestDetectable(double deviation, double visit, int pairs) {
        double stops = (quantile(pairs - 1.0) + power(pairs - 1.0)) * deviation / Math.sqrt(pairs);
        return Math.hypot(stops, (NORMAL_95 + NORMAL_POWER) * Math.sqrt(2) * visit);
    }

    /** How many stops it takes to see a change of some size; at most {@code most}, then {@code null}. */
    public static Integer stopsNeeded(double deviation, double visit, double change, int most) {
        for (int n = FEWEST_PAIRS; n <= most; n++) {
            if (smallestDetectable(deviation, visit, n) <= change) {
                return n;
            }
        }
        return null;
    }
}
