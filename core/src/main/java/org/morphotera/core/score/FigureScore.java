package org.morphotera.core.score;

import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.OrganicMatterCurve;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.chemistry.SaltTolerance;
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

    /** Of the whole score, for the whole yield. */
    private static final double SCORE_LOST_PER_YIELD = 2;

    private static final double WHOLE_PCT = 100;

    /** Points looked at between the ends of an interval. */
    private static final int STEPS = 40;

    private final DoubleUnaryOperator score;
    private final boolean byCrop;

    private FigureScore(DoubleUnaryOperator score, boolean byCrop) {
        this.score = score;
        this.byCrop = byCrop;
    }

    private interface Rule {
        FigureScore of(Place place, Benchmarks benchmarks);
    }

    /** Indicators that are scored otherwise than by the curve of their name. */
    private static final Map<String, Rule> RULES = Map.ofEntries(
            Map.entry(
                    "ph",
                    (place, benchmarks) -> new FigureScore(
                            PhWindow.of(place.crop(), place.landUse(), benchmarks.table("ph.windows"))::standing,
                            true)),
            Map.entry("salinity", FigureScore::salt),
            Map.entry(
                    "organic-matter",
                    (place, benchmarks) -> new FigureScore(
                            OrganicMatterCurve.of(place.landUse(), place.textureGroup(), benchmarks)::at, false)),
            Map.entry("earthworms", (place, benchmarks) -> {
                TextureGroup group = place.textureGroup() == null ? TextureGroup.MEDIUM : place.textureGroup();
                return curve("earthworms." + group.code(), benchmarks);
            }),
            Map.entry("rooting", (place, benchmarks) -> {
                Curve curve = benchmarks.curve("rooting");
                return new FigureScore(share -> curve.at(share / 100), false);
            }),
            Map.entry("sward", (place, benchmarks) -> new FigureScore(share -> within(share / 100), false)),
            Map.entry("colour", (place, benchmarks) -> new FigureScore(paler -> within(1 - paler / 2), false)),
            Map.entry("infiltration-at-200", (place, benchmarks) -> curve("infiltration", benchmarks)),
            Map.entry("drainage", (place, benchmarks) -> curve("drainage.field", benchmarks)),
            Map.entry("nitrogen", (place, benchmarks) -> curve("nutrient-kit", benchmarks)),
            Map.entry("phosphorus", (place, benchmarks) -> curve("nutrient-kit", benchmarks)),
            Map.entry("potassium", (place, benchmarks) -> curve("nutrient-kit", benchmarks)),
            Map.entry("sap-brix", (place, benchmarks) -> curve("sap.brix", benchmarks)),
            Map.entry("sap-conductivity", (place, benchmarks) -> curve("sap.conductivity", benchmarks)),
            Map.entry("sap-ph", (place, benchmarks) -> curve("sap.ph", benchmarks)));

    /** @throws IllegalArgumentException when the benchmarks have no curve for it */
    public static FigureScore of(String indicator, Place place, Benchmarks benchmarks) {
        return RULES.getOrDefault(indicator, (where, by) -> curve(indicator, by))
                .of(place, benchmarks);
    }

    /** By what the crop loses to it, where its tolerance is known: half of the score is gone at a quarter of the yield. */
    private static FigureScore salt(Place place, Benchmarks benchmarks) {
        Table crops = benchmarks.table("salinity.crops");
        String crop = place.crop();
        if (crop == null || !crops.has(crop)) {
            return curve("salinity", benchmarks);
        }
        return new FigureScore(
                ece -> within(1 - SCORE_LOST_PER_YIELD * (1 - SaltTolerance.yieldPct(ece, crop, crops) / WHOLE_PCT)),
                true);
    }

    private static FigureScore curve(String id, Benchmarks benchmarks) {
        return new FigureScore(benchmarks.curve(id)::at, false);
    }

    private static double within(double score) {
        return Math.max(0, Math.min(1, score));
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
