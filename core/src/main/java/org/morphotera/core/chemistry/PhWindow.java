package org.morphotera.core.chemistry;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Unit;

/** The pH in water that a crop wants, and how a reading stands against it. */
public record PhWindow(String crop, double low, double high) {

    private static final double LOST_PER_UNIT = 0.8;

    /** Within this of the window a pH is at its edge: no instrument of the field tells it from the inside for sure. */
    private static final double EDGE = 0.3;

    /** Crops that are many crops: a wider window is held beside theirs. */
    private static final List<String> MIXED = List.of("vegetable", "general");

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

    /** How far a pH lies outside: below 0 on the sour side, above 0 on the alkaline side, 0 inside. */
    public double outside(double phWater) {
        return phWater < low ? phWater - low : Math.max(0, phWater - high);
    }

    /** 1 inside the window, 0.8 less per unit outside, not below 0. */
    public double standing(double phWater) {
        return Math.max(0, 1 - LOST_PER_UNIT * Math.abs(outside(phWater)));
    }

    /** Where a pH lies: within, at an edge, or beyond it. */
    private String place(double phWater) {
        if (phWater < low) {
            return phWater < low - EDGE ? "sour" : "edge-low";
        }
        if (phWater > high) {
            return phWater > high + EDGE ? "alkaline" : "edge-high";
        }
        return "within";
    }

    /** Adds the rating of a reading and the interval it lies in; a second one by a wider window for many crops. */
    public void rate(double phWater, double lowest, double highest, Table windows, Evaluation.Builder out) {
        rateAs("standing", phWater, lowest, highest, out);
        out.working(
                "phStanding",
                Map.of("ph", phWater, "low", low, "high", high, "crop", crop),
                standing(phWater),
                Unit.NONE,
                windows.source());
        if (MIXED.contains(crop)) {
            new PhWindow(crop, windows.at("tolerant", "low"), windows.at("tolerant", "high"))
                    .rateAs("tolerant", phWater, lowest, highest, out);
        }
    }

    private void rateAs(String school, double phWater, double lowest, double highest, Evaluation.Builder out) {
        double worst = Math.min(standing(lowest), standing(highest));
        boolean reaches = lowest <= high && highest >= low;
        double best = reaches ? 1 : Math.max(standing(lowest), standing(highest));
        Map<String, Object> args = Map.of("ph", phWater, "low", low, "high", high, "crop", crop);
        out.rating("ph", school, null, null, standing(phWater), worst, best, place(phWater), args);
    }
}
