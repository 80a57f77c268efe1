package org.morphotera.core.method.surface.ringinfiltration;

import java.util.List;

/**
 * Least-squares fit of cumulative infiltration I = S·√t + A·t (Philip, 1957), t in hours, S and A not below 0.
 *
 * @param sorptivity S, mm/h^0.5
 * @param steadyRate A, mm/h
 * @param r2 against the mean of the used points; {@code null} when all depths are the same
 * @param points how many were used: those after time 0
 */
record PhilipFit(double sorptivity, double steadyRate, Double r2, int points) {

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
        if (determinant > SINGULAR * rootRoot * timeTime) {
            s = (depthRoot * timeTime - depthTime * rootTime) / determinant;
            a = (rootRoot * depthTime - rootTime * depthRoot) / determinant;
        }
        if (a < 0) {
            a = 0;
            s = depthRoot / rootRoot;
        } else if (s < 0) {
            s = 0;
            a = depthTime / timeTime;
        }
        return new PhilipFit(s, a, r2(series, s, a, depthSum / n), n);
    }

    private static Double r2(List<RingInfiltration.Point> series, double s, double a, double mean) {
        double residual = 0;
        double total = 0;
        for (RingInfiltration.Point point : series) {
            if (point.minute() > 0) {
                double t = point.minute() / 60;
                residual += Math.pow(point.cumulativeMm() - s * Math.sqrt(t) - a * t, 2);
                total += Math.pow(point.cumulativeMm() - mean, 2);
            }
        }
        return total == 0 ? null : Double.valueOf(1 - residual / total);
    }
}
