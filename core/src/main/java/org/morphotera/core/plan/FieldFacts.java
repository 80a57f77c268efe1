package org.morphotera.core.plan;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;

/**
 * What is known of a field for its plan. All but the area may be {@code null}.
 *
 * @param areaHa 1 where it is not known
 * @param treated what the readings speak for: the field, or a patch of it
 * @param ph of the topsoil, or {@code null}
 * @param subsoilPh in water, median over the stops
 * @param eceSource where the salt figure comes from
 * @param espPct from a laboratory
 * @param disperses crumbs cloud the water
 * @param permeability how fast water goes straight down, as far as it was measured
 * @param layerBottomMm bottom of a hard layer
 * @param drained drains were laid
 * @param wet moist or wet on the newest visit
 */
public record FieldFacts(
        LandUse landUse,
        TextureGroup textureGroup,
        String crop,
        double areaHa,
        Treated treated,
        Ph ph,
        Double subsoilPh,
        Double ece,
        Source eceSource,
        Double espPct,
        Double cecCmolKg,
        boolean disperses,
        Permeability permeability,
        Double layerBottomMm,
        boolean drained,
        boolean wet) {

    /**
     * How fast water goes straight down, mm/h.
     *
     * @param hole of the hole test, or {@code null}
     * @param below of a ring in the subsoil, or {@code null}
     */
    public record Permeability(
            @Nullable Double hole, @Nullable Double below) {

        /** Nothing was measured. */
        public static final Permeability UNKNOWN = new Permeability(null, null);
    }

    /**
     * The ground that an action is for.
     *
     * @param areaHa or {@code null} where nobody has said how much of the field the patch takes
     * @param patch whether it is a part of the field only
     */
    public record Treated(Double areaHa, boolean patch) {

        /**
         * A patch of a field.
         *
         * @param fieldHa area of the field
         * @param sharePct of it, or {@code null}
         */
        public static Treated patch(double fieldHa, Double sharePct) {
            return new Treated(sharePct == null ? null : Double.valueOf(fieldHa * sharePct / 100), true);
        }
    }

    /**
     * pH in water of the topsoil, by the best source.
     *
     * @param water median over the stops
     * @param halfWidth how far it can be off, or {@code null}
     */
    public record Ph(double water, Double halfWidth, Source source) {}

    /** A layer that the probe meets is taken to be this thick when no spade has said where it ends. */
    private static final double USUAL_LAYER_MM = 80;

    private static final double CLOUDY_UNDER = 0.25;

    private static final double HIDES_FROM_ECE = 4;
    private static final double GARDEN_UNDER_HA = 0.5;

    private static final Set<LandUse> GARDENS = Set.of(LandUse.VEGETABLE, LandUse.LANDSCAPE, LandUse.TURF);

    /**
     * What is written of a field and known of its visits.
     *
     * @param textureClass as written, used where none was felt; or {@code null}
     * @param areaHa or {@code null}
     * @param treated what the readings speak for; {@code null} for the whole field
     * @param moisture on the newest visit, or {@code null}
     */
    public record Place(
            LandUse landUse,
            String textureClass,
            String crop,
            Double areaHa,
            Treated treated,
            boolean drained,
            SoilMoisture moisture) {

        private double areaOr1() {
            return areaHa == null || areaHa <= 0 ? 1 : areaHa;
        }
    }

    /**
     * Puts a field's facts together: medians over the stops of the newest readings.
     *
     * @param subsoilPh in water, or {@code null}
     * @param cecCmolKg a laboratory's, or {@code null}
     * @param pitLayerBottomMm bottom of a hard layer that was seen in a pit
     */
    public static FieldFacts of(
            Place place,
            FieldReadings readings,
            Double subsoilPh,
            Double cecCmolKg,
            Permeability permeability,
            @Nullable Double pitLayerBottomMm) {
        Double limit = readings.figureOfProfile("compaction");
        Double dispersion = readings.standing("dispersion");
        String texture = readings.texture(place.textureClass());
        TextureClass known = texture == null ? null : Coded.find(TextureClass.values(), texture);
        return new FieldFacts(
                place.landUse(),
                known == null ? null : known.group(),
                place.crop(),
                place.areaOr1(),
                place.treated() == null ? new Treated(place.areaOr1(), false) : place.treated(),
                ph(readings),
                subsoilPh,
                readings.figure("salinity"),
                readings.newest("salinity") == null
                        ? null
                        : readings.newest("salinity").source(),
                readings.figure("sodicity"),
                cecCmolKg,
                dispersion != null && dispersion < CLOUDY_UNDER,
                permeability,
                pitLayerBottomMm != null ? pitLayerBottomMm : limit == null ? null : Double.valueOf(layerBottom(limit)),
                place.drained(),
                place.moisture() == SoilMoisture.WET || place.moisture() == SoilMoisture.MOIST);
    }

    /** Bottom of a layer that a probe meets at a depth, mm. */
    static double layerBottom(double metMm) {
        return metMm + USUAL_LAYER_MM;
    }

    private static Ph ph(FieldReadings readings) {
        FieldReadings.Reading newest = readings.newest("ph");
        Double middle = readings.figure("ph");
        if (newest == null || middle == null) {
            return null;
        }
        Double half = newest.figureLow() == null
                ? Double.valueOf(usualHalfWidth(newest.source()))
                : Double.valueOf((newest.figureHigh() - newest.figureLow()) / 2);
        return new Ph(middle, half, newest.source());
    }

    /** How far a pH can be off by where its reading does not say: a laboratory, a meter, the chips of a kit. */
    private static double usualHalfWidth(Source source) {
        return switch (source) {
            case LABORATORY -> 0.1;
            case METER -> 0.2;
            case KIT -> 0.5;
        };
    }

    /**
     * The same of a part of the field.
     *
     * @param share of its area, 0 to 1
     */
    FieldFacts ofPart(double share, Ph phThere, Double subsoilPhThere, Double eceThere, Double layerBottomThere) {
        return new FieldFacts(
                landUse,
                textureGroup,
                crop,
                areaHa,
                new Treated(areaHa * share, true),
                phThere,
                subsoilPhThere,
                eceThere,
                eceSource,
                espPct,
                cecCmolKg,
                disperses,
                permeability,
                layerBottomThere,
                drained,
                wet);
    }

    /** pH in water of the topsoil, or {@code null}. */
    public Double phWater() {
        return ph == null ? null : Double.valueOf(ph.water());
    }

    /**
     * Whether there is so much salt that it may hide sodium, in a soil that would fall apart without it, and nobody has
     * measured the sodium (Shainberg and Letey, 1984).
     */
    public boolean saltMayHideSodium() {
        return ece != null && ece >= HIDES_FROM_ECE && espPct == null && textureGroup != TextureGroup.COARSE;
    }

    /** Whether amounts are told in kg on 10 m² and in litres: beds, turf, and what is under half a hectare. */
    public boolean garden() {
        return areaHa < GARDEN_UNDER_HA || landUse != null && GARDENS.contains(landUse);
    }
}
