package org.morphotera.server.demo;

/**
 * How one property of a made-up soil goes over the years: as it was until some moment, then evenly to what it is now.
 *
 * @param before until the change began
 * @param after when it is over
 * @param sinceYears how many years ago the change began
 * @param overYears how long it takes
 */
record DemoCourse(double before, double after, double sinceYears, double overYears) {

    static DemoCourse steady(double value) {
        return new DemoCourse(value, value, 0, 1);
    }

    double at(double yearsAgo) {
        double share = Math.max(0, Math.min(1, (sinceYears - yearsAgo) / overYears));
        return before + share * (after - before);
    }
}
