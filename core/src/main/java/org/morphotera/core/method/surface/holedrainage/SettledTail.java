package org.morphotera.core.method.surface.holedrainage;

import java.util.List;
import org.morphotera.core.method.surface.holedrainage.FallingLevel.Fall;

/**
 * The last intervals of a falling level that agree with each other: the largest number of them, two at least, whose
 * rates spread over no more than a quarter of their mean. Where there is none, the last interval alone.
 */
record SettledTail(List<Fall> falls, boolean steady) {

    private static final double LARGEST_SPREAD = 0.25;

    /** @param all intervals in order, not empty */
    static SettledTail of(List<Fall> all) {
        for (int k = all.size(); k >= 2; k--) {
            List<Fall> last = all.subList(all.size() - k, all.size());
            double lowest = Double.POSITIVE_INFINITY;
            double highest = 0;
            for (Fall fall : last) {
                lowest = Math.min(lowest, fall.rateMmPerHour());
                highest = Math.max(highest, fall.rateMmPerHour());
            }
            double mean = FallingLevel.meanRate(last);
            if (mean == 0 || (highest - lowest) / mean <= LARGEST_SPREAD) {
                return new SettledTail(last, true);
            }
        }
        return new SettledTail(all.subList(all.size() - 1, all.size()), false);
    }

    double dropMm() {
        return falls.stream().mapToDouble(Fall::dropMm).sum();
    }

    double minutes() {
        return falls.stream().mapToDouble(Fall::minutes).sum();
    }

    /** Total drop over total time, mm/h. */
    double rate() {
        return FallingLevel.overallRate(falls);
    }

    /** The slowest of the settled intervals, mm/h; {@code null} when the level has not settled. */
    Double low() {
        return steady ? falls.stream().mapToDouble(Fall::rateMmPerHour).min().getAsDouble() : null;
    }

    /** The fastest of the settled intervals, mm/h; {@code null} when the level has not settled. */
    Double high() {
        return steady ? falls.stream().mapToDouble(Fall::rateMmPerHour).max().getAsDouble() : null;
    }
}
