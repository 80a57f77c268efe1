package org.morphotera.core.reading;

/**
 * Allowed figures, from {@code min} (left out where {@code above} is true) to {@code max}.
 *
 * @param overCode code of the fault of a figure over {@code max}, where that has a reason of its own; or {@code null}
 */
public record Range(double min, double max, boolean above, String overCode) {

    /** What lies nearer to an excluded end than this can't be told from it by any instrument, nor divided by. */
    public static final double SMALLEST_STEP = 1e-6;

    public static final Range PERCENT = between(0, 100);
    public static final Range DEPTH_MM = between(0, 5000);
    public static final Range TEMPERATURE_C = between(-20, 70);
    public static final Range PRESSURE_KPA = between(0, 20_000);
    public static final Range SECONDS = between(0, 1_000_000);
    public static final Range MINUTES = between(0, 1_000_000 / 60.0);
    public static final Range PH = between(0, 14);
    public static final Range EC = between(0, 200);
    public static final Range COUNT = between(0, 10_000);
    public static final Range LIST = between(1, 500);

    /** From {@code min} to {@code max}, both allowed. */
    public static Range between(double min, double max) {
        return new Range(min, max, false, null);
    }

    /** Over {@code min}, to {@code max}. */
    public static Range above(double min, double max) {
        return new Range(min, max, true, null);
    }

    /** The same range, with a fault of its own for figures over it. */
    public Range over(String code) {
        return new Range(min, max, above, code);
    }

    /** Whether a figure lies in it. */
    public boolean holds(double x) {
        return (above ? x - min >= SMALLEST_STEP : x >= min) && x <= max;
    }
}
