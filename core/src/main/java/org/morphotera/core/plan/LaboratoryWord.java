package org.morphotera.core.plan;

import java.time.LocalDate;

/**
 * What a laboratory says on the figure that an action goes by. It overrides whatever was read in the field; it confirms
 * the action only where it agrees with it.
 *
 * @param on the day of the sample
 * @param agrees with the field's own reading and with the action
 */
public record LaboratoryWord(LocalDate on, boolean agrees) {

    /** A figure and the interval it lies in, low <= value <= high. */
    public record Interval(double value, double low, double high) {

        boolean meets(Interval other) {
            return low <= other.high && other.low <= high;
        }
    }

    /**
     * @param laboratory its figure
     * @param own the field's own, or {@code null} where none was read
     * @param threshold of the action, in the same unit
     * @param actsBelow whether the action answers a figure under the threshold; else one at or over it
     */
    public static LaboratoryWord of(
            LocalDate on, Interval laboratory, Interval own, double threshold, boolean actsBelow) {
        boolean calls = acts(laboratory, threshold, actsBelow);
        boolean agrees = own == null || laboratory.meets(own) && acts(own, threshold, actsBelow);
        return new LaboratoryWord(on, calls && agrees);
    }

    private static boolean acts(Interval figure, double threshold, boolean below) {
        return below ? figure.value < threshold : figure.value >= threshold;
    }
}
