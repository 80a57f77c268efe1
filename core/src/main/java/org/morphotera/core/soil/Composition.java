package org.morphotera.core.soil;

/**
 * Shares of sand, silt and clay of the fine earth by mass, in percent.
 *
 * @param sandPct 0..100
 * @param siltPct 0..100
 * @param clayPct 0..100; the three add up to 100 within 0.2 (published class means are rounded to a tenth)
 */
public record Composition(double sandPct, double siltPct, double clayPct) {

    private static final double SUM_TOLERANCE = 0.2;

    /** @throws IllegalArgumentException when a share is outside 0..100 or the three don't add up to 100 */
    public Composition {
        requireShare("sandPct", sandPct);
        requireShare("siltPct", siltPct);
        requireShare("clayPct", clayPct);
        if (Math.abs(sandPct + siltPct + clayPct - 100) > SUM_TOLERANCE) {
            throw new IllegalArgumentException("sand, silt and clay must add up to 100 %");
        }
    }

    /** Sand is what silt and clay leave over. */
    public static Composition ofSiltAndClay(double siltPct, double clayPct) {
        return new Composition(100 - siltPct - clayPct, siltPct, clayPct);
    }

    private static void requireShare(String name, double share) {
        if (!(share >= 0 && share <= 100)) {
            throw new IllegalArgumentException(name + " must lie between 0 and 100 %");
        }
    }
}
