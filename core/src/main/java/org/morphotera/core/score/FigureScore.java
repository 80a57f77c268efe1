package org.morphotera.core.score;

import java.util.function.DoubleUnaryOperator;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.OrganicMatterCurve;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

/** How an indicator's figure is scored, 0 to 1, in the field that it was read in. */
public final class FigureScore {

    /**
     * What a field's figures are scored for; all may be {@code null}.
     *
     * @param crop of this season
     */
    public record Place(TextureGroup textureGroup, String crop, LandUse landUse) {}

    /** Points looked at between the ends of an interval. */
    private static final int STEPS = 40;

    private final DoubleUnaryOperator score;
    private final boolean byCrop;

    private FigureScore(DoubleUnaryOperator score, boolean byCrop) {
        this.score = score;
        this.byCrop = byCrop;
    }

    /** @throws IllegalArgumentException when the benchmarks have no curve for it */
    public static FigureScore of(String indicator, Place place, Benchmarks benchmarks) {
        return switch (indicator) {
            case "ph" ->
                new FigureScore(
                        PhWindow.of(place.crop(), place.landUse(), benchmarks.table("ph.windows"))::standing, true);
            case "organic-matter" ->
                new FigureScore(OrganicMatterCurve.of(place.landUse(), place.textureGroup(), benchmarks)::at, false);
            case "earthworms" -> {
                TextureGroup group = place.textureGroup() == null ? TextureGroup.MEDIUM : place.textureGroup();
                yield new FigureScore(benchmarks.curve("earthworms." + group.code())::at, false);
            }
            case "rooting" ->
                new FigureScore(share -> benchmarks.curve("rooting").at(share / 100), false);
            case "sward" -> new FigureScore(share -> share / 100, false);
            case "colour" -> new FigureScore(darker -> Math.max(0, Math.min(1, 1 - darker / 2)), false);
            default -> new FigureScore(benchmarks.curve(curve(indicator))::at, false);
        };
    }

    private static String curve(String indicator) {
        return switch (indicator) {
            case "infiltration-at-200" -> "infiltration";
            case "drainage" -> "drainage.field";
            case "nitrogen", "phosphorus", "potassium" -> "nutrient-kit";
            case "sap-brix", "sap-conductivity", "sap-ph" -> indicator.replaceFirst("-", ".");
            default -> indicator;
        };
    }

    /** The score of a figure, 0 to 1. */
    public double at(double figure) {
        return score.applyAsDouble(figure);
    }

    /** Whether it is scored for the crop of the season, so that an older score says nothing. */
    public boolean byCrop() {
        return byCrop;
    }

    /** The lowest score of any figure between two. */
    public double lowest(double low, double high) {
        double lowest = Math.min(at(low), at(high));
        for (int i = 1; i < STEPS; i++) {
            lowest = Math.min(lowest, at(low + (high - low) * i / STEPS));
        }
        return lowest;
    }

    /** The highest score of any figure between two. */
    public double highest(double low, double high) {
        double highest = Math.max(at(low), at(high));
        for (int i = 1; i < STEPS; i++) {
            highest = Math.max(highest, at(low + (high - low) * i / STEPS));
        }
        return highest;
    }
}
