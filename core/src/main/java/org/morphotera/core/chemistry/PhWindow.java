package org.morphotera.core.chemistry;

import java.util.Map;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Unit;

/** The pH in water that a crop wants, and how a reading stands against it. */
public record PhWindow(String crop, double low, double high) {

    private static final double LOST_PER_UNIT = 0.8;

    /** By crop where the table has it, else by land use, else general; both may be {@code null}. */
    public static PhWindow of(String wanted, LandUse landUse, Table windows) {
        String crop = "general";
        if (wanted != null && windows.has(wanted)) {
            crop = wanted;
        } else if (landUse != null) {
            crop = switch (landUse) {
                case VEGETABLE -> "vegetable";
                case PASTURE -> "pasture";
                case TURF -> "turf";
                case ORCHARD -> "apple";
                case ARABLE -> "cereal";
                case LANDSCAPE -> "general";
            };
        }
        return of(crop, windows);
    }

    /** Of a crop or crop group that the table has. */
    private static PhWindow of(String crop, Table windows) {
        return new PhWindow(crop, windows.at(crop, "low"), windows.at(crop, "high"));
    }

    /** 1 inside the window, 0.8 less per unit outside, not below 0. */
    public double standing(double phWater) {
        double outside = Math.max(0, Math.max(low - phWater, phWater - high));
        return Math.max(0, 1 - LOST_PER_UNIT * outside);
    }

    /** Adds the rating of a reading and the interval it lies in. */
    public void rate(double phWater, double lowest, double highest, String source, Evaluation.Builder out) {
        double worst = Math.min(standing(lowest), standing(highest));
        boolean reaches = lowest <= high && highest >= low;
        double best = reaches ? 1 : Math.max(standing(lowest), standing(highest));
        String reason = phWater < low ? "sour" : phWater > high ? "alkaline" : "within";
        Map<String, Object> args = Map.of("ph", phWater, "low", low, "high", high, "crop", crop);
        out.standing("ph", standing(phWater), worst, best, reason, args)
                .working("phStanding", args, standing(phWater), Unit.NONE, source);
    }
}
