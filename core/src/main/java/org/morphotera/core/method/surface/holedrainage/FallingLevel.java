package org.morphotera.core.method.surface.holedrainage;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.Unit;

/**
 * The level of a hole between readings, as intervals. An interval does not span a refill; a rise within the error of the
 * ruler is level water, and one in which water really rose is kept apart.
 *
 * @param falls intervals in which the level fell or stood, in order
 * @param rows every interval, for drawing
 * @param lastMinute minute of the last reading
 * @param waterLeftMm depth of water at the last reading
 */
record FallingLevel(
        List<Fall> falls,
        List<Map<String, Object>> rows,
        boolean roseSomewhere,
        double lastMinute,
        double waterLeftMm) {

    /** With less water than this in the hole the next reading says little. */
    static final double REFILL_UNDER_MM = 25;

    private static final double REFERENCE_RADIUS_MM = 150;
    private static final double RULER_ERROR_MM = 1;
    private static final double READ_AFTER_FALL_MM = 10;
    private static final double SHORTEST_WAIT_MIN = 5;
    private static final double LONGEST_WAIT_MIN = 60;
    private static final double ROUND_TO_MIN = 5;

    /**
     * One interval.
     *
     * @param fromMm depth of water at its start
     * @param toMm depth of water at its end, at most {@code fromMm}
     * @param minutes its length, over 0
     */
    record Fall(double fromMm, double toMm, double minutes) {

        double dropMm() {
            return fromMm - toMm;
        }

        double rateMmPerHour() {
            return dropMm() / minutes * 60;
        }

        /**
         * Permeability by the inverse auger hole method, which strips out what leaves through the wall: K = (r/2) ·
         * ln((h1 + r/2)/(h2 + r/2)) / Δt (Kessler and Oosterbaan, 1974).
         *
         * @param radiusMm of the hole
         * @return mm/h
         */
        double permeability(double radiusMm) {
            double half = radiusMm / 2;
            return half * Math.log((fromMm + half) / (toMm + half)) / minutes * 60;
        }

        /**
         * The fall that the same soil would show in the hole that the rules of thumb were made for, 300 mm wide: K · (1 +
         * 2m/r), m the mean depth of the water by the same method.
         *
         * @param radiusMm of the hole that was read
         * @return mm/h
         */
        double referenceRate(double radiusMm) {
            double half = radiusMm / 2;
            double logarithm = Math.log((fromMm + half) / (toMm + half));
            double mean = logarithm < Range.SMALLEST_STEP ? fromMm : dropMm() / logarithm - half;
            return permeability(radiusMm) * (1 + 2 * mean / REFERENCE_RADIUS_MM);
        }
    }

    static FallingLevel of(HoleDrainage.Readings readings) {
        List<Fall> falls = new ArrayList<>();
        List<Map<String, Object>> rows = new ArrayList<>();
        boolean rose = false;
        HoleDrainage.Point before = null;
        for (HoleDrainage.Point point : readings.points()) {
            if (before != null && !Boolean.TRUE.equals(point.refill())) {
                double from = depth(readings, before);
                double to = depth(readings, point);
                boolean rises = to - from > RULER_ERROR_MM + Range.SMALLEST_STEP;
                double minutes = point.minute() - before.minute();
                Fall fall = new Fall(from, rises ? to : Math.min(from, to), minutes);
                rose |= rises;
                if (!rises) {
                    falls.add(fall);
                }
                rows.add(row(before, point, fall, rises));
            }
            before = point;
        }
        HoleDrainage.Point last = readings.points().get(readings.points().size() - 1);
        return new FallingLevel(falls, rows, rose, last.minute(), depth(readings, last));
    }

    private static double depth(HoleDrainage.Readings readings, HoleDrainage.Point point) {
        return readings.measure() == HoleDrainage.Measure.WATER_DEPTH
                ? point.mm()
                : readings.holeDepthMm() - point.mm();
    }

    private static Map<String, Object> row(HoleDrainage.Point from, HoleDrainage.Point to, Fall fall, boolean rises) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("fromMinute", from.minute());
        row.put("toMinute", to.minute());
        row.put("rate", new Evaluation.Value(fall.rateMmPerHour(), Unit.MM_PER_HOUR, null, null));
        row.put("rose", rises);
        return row;
    }

    static double meanRate(List<Fall> falls) {
        double sum = 0;
        for (Fall fall : falls) {
            sum += fall.rateMmPerHour();
        }
        return sum / falls.size();
    }

    static double overallRate(List<Fall> falls) {
        double drop = 0;
        double minutes = 0;
        for (Fall fall : falls) {
            drop += fall.dropMm();
            minutes += fall.minutes();
        }
        return drop / minutes * 60;
    }

    /** When the level should have fallen by about 10 mm more: 5 to 60 min on, at a full five minutes. */
    double nextReadingMinute(double rateMmPerHour) {
        double wait = rateMmPerHour <= 0
                ? LONGEST_WAIT_MIN
                : Math.min(LONGEST_WAIT_MIN, Math.max(SHORTEST_WAIT_MIN, READ_AFTER_FALL_MM / rateMmPerHour * 60));
        // the small step back keeps a sum such as 135.00000000001 from being put off to 140
        return Math.ceil((lastMinute + wait) / ROUND_TO_MIN - 1e-9) * ROUND_TO_MIN;
    }
}
