package org.morphotera.core.plan.outlook;

import java.util.List;

/**
 * A figure that changes along a known course from a start that is known to some degree: start + step × share of the
 * course. What is published is the prior for the step; readings since move both, by Bayes' rule for a straight line with
 * Gaussian errors (Gelman et al., 2013). Where the readings show another step than the published one by more than both
 * errors allow, the published one is trusted less, by as much as the difference shows (DerSimonian and Laird, 1986).
 */
final class Course {

    /** Half of a two-sided 90 % band, in standard deviations. */
    static final double BAND_90 = 1.645;

    /** A Gaussian: mean and standard deviation over 0. */
    record Known(double mean, double standardDeviation) {

        private double weight() {
            return 1 / (standardDeviation * standardDeviation);
        }
    }

    /** A reading: how far the course had gone, what was read, and its standard deviation. */
    record Reading(double share, double value, double standardDeviation) {}

    /** What is expected at some share of the course, and how far a reading there may lie from it, 90 %. */
    record Expected(double value, double halfWidth) {}

    private final double start;
    private final double step;
    private final double varStart;
    private final double varStep;
    private final double covariance;

    private Course(double start, double step, double varStart, double varStep, double covariance) {
        this.start = start;
        this.step = step;
        this.varStart = varStart;
        this.varStep = varStep;
        this.covariance = covariance;
    }

    /**
     * @param start before anything changed
     * @param published step over the whole course, or in a unit of time
     */
    static Course of(Known start, Known published, List<Reading> readings) {
        Course free = solve(start, new Known(published.mean(), published.standardDeviation() * VAGUE), readings);
        double apart = free.step - published.mean();
        double between = apart * apart - free.varStep;
        double deviation = Math.max(published.standardDeviation(), Math.sqrt(Math.max(0, between)));
        return solve(start, new Known(published.mean(), deviation), readings);
    }

    private static final double VAGUE = 1e3;

    /** The normal equations of two unknowns, each with a prior. */
    private static Course solve(Known start, Known step, List<Reading> readings) {
        double a = start.weight();
        double b = 0;
        double c = step.weight();
        double u = start.weight() * start.mean();
        double v = step.weight() * step.mean();
        for (Reading each : readings) {
            double weight = 1 / (each.standardDeviation() * each.standardDeviation());
            a += weight;
            b += weight * each.share();
            c += weight * each.share() * each.share();
            u += weight * each.value();
            v += weight * each.share() * each.value();
        }
        double determinant = a * c - b * b;
        return new Course(
                (c * u - b * v) / determinant,
                (a * v - b * u) / determinant,
                c / determinant,
                a / determinant,
                -b / determinant);
    }

    /** Change over the whole course, or in a unit of time. */
    double step() {
        return step;
    }

    /**
     * @param share of the course that has gone by
     * @param readingDeviation of a reading made there
     */
    Expected at(double share, double readingDeviation) {
        double variance =
                varStart + 2 * share * covariance + share * share * varStep + readingDeviation * readingDeviation;
        return new Expected(start + share * step, BAND_90 * Math.sqrt(variance));
    }
}
