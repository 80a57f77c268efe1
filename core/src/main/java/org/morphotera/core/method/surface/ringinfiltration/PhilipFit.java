package org.morphotera.core.method.surface.ringinfiltration;

import java.util.List;

/**
 * Least-squares fit of cumulative infiltration I = S·√t + A·t (Philip, 1957), t in hours, S and A not below 0.
 *
 * @param sorptivity S, mm/h^0.5
 * @param sorptivityError its standard error, or {@code null} where S was held at 0 or no point is left over
 * @param steadyRate A, mm/h
 * @param steadyRateError its standard error, or {@code null} where A was held at 0 or no point is left over
 * @param r2 against the mean of the used points; {@code null} when all depths are the same
 * @param points how many were used: those after time 0
 */
record PhilipFit(
        double sorptivity, Double sorptivityError, double steadyRate, Double steadyRateError, Double r2, int points) {

    /** Below this share of the product of the diagonals the two terms can't be told apart. */
    private static final double SINGULAR = 1e-12;

    static PhilipFit of(List<RingInfiltration.Point> series) {
        double rootRoot = 0;
        double rootTime = 0;
        double timeTime = 0;
        double depthRoot = 0;
        double depthTime = 0;
        double depthSum = 0;
        int n = 0;
        for (RingInfiltration.Point point : series) {
            if (point.minute() <= 0) {
                continue;
            }
            double t = point.minute() / 60;
            double root = Math.sqrt(t);
            rootRoot += t;
            rootTime += root * t;
            timeTime += t * t;
            depthRoot += point.cumulativeMm() * root;
            depthTime += point.cumulativeMm() * t;
            depthSum += point.cumulativeMm();
            n++;
        }
        double determinant = rootRoot * timeTime - rootTime * rootTime;
        double s = 0;
        double a = depthTime / timeTime;
        boolean both = determinant > SINGULAR * rootRoot * timeTime;
        if (both) {
            s = (depthRoot * timeTime - depthTime * rootTime) / determinant;
            a = (rootRoot * depthTime - rootTime * depthRoot) / determinant;
        }
        if (a < 0) {
            a = 0;
            s = depthRoot / rootRoot;
            both = false;
        } else if (s < 0) {
            s = 0;
            a = depthTime / timeTime;
            both = false;
        }
        // variances from the residual over what is left once the free terms are taken off
        int left = n - (both ? 2 : 1);
        double variance = left < 1 ? 0 : residual(series, s, a) / left;
        Double errorOfS = left < 1 || s == 0 ? null : error(variance * (both ? timeTime / determinant : 1 / rootRoot));
        Double errorOfA = left < 1 || a == 0 ? null : error(variance * (both ? rootRoot / determinant : 1 / timeTime));
        return new PhilipFit(s, errorOfS, a, errorOfA, r2(series, s, a, depthSum / n), n);
    }

    private static Double error(double variance) {
        return Math.sqrt(Math.max(0, variance));
    }

    private static double residual(List<RingInfiltration.Point> series, double s, double a) {
        double residual = 0;
        for (RingInfiltration.Point point : series) {
            if (point.minute() > 0) {
                double t = point.minute() / 60;
                residual += Math.pow(point.cumulativeMm() - s * Math.sqrt(t) - a * t, 2);
            }
        }
        return residual;
    }

    private static Double r2(List<RingInfiltration.Point> series, double s, double a, double mean) {
        double total = 0;
        for (RingInfiltration.Point point : series) {
            total += point.minute() > 0 ? Math.pow(point.cumulativeMm() - mean, 2) : 0;
        }
        return total == 0 ? null : Double.valueOf(Math.max(0, 1 - residual(series, s, a) / total));
    }
}
