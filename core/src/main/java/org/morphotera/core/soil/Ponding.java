package org.morphotera.core.soil;

/** When steady rain, or a sprinkler, begins to stand on the ground. */
public final class Ponding {

    private static final double MINUTES_PER_HOUR = 60;

    private Ponding() {}

    /** Whether it never ponds: the ground takes the rain for as long as it falls. */
    public static boolean never(double rainMmPerHour, double steadyMmPerHour) {
        return rainMmPerHour <= steadyMmPerHour;
    }

    /**
     * Time to ponding under steady rain after Smith and Parlange (1978), in the form of Philip's coefficients:
     * S² (r − A/2) ÷ (2 r (r − A)²).
     *
     * @param rainMmPerHour steady rain r, above {@code steadyMmPerHour}
     * @param steadyMmPerHour lasting infiltration rate A, at least 0
     * @param sorptivity S, mm/√h, at least 0
     * @return minutes, at least 0
     */
    public static double minutes(double rainMmPerHour, double steadyMmPerHour, double sorptivity) {
        double beyond = rainMmPerHour - steadyMmPerHour;
        return MINUTES_PER_HOUR
                * sorptivity
                * sorptivity
                * (rainMmPerHour - steadyMmPerHour / 2)
                / (2 * rainMmPerHour * beyond * beyond);
    }
}
