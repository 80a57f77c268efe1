package org.morphotera.core.plan;

import java.util.Set;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;

/**
 * What is known of a field for its plan. All but the area may be {@code null}.
 *
 * @param areaHa 1 where it is not known
 * @param phWater median over the stops
 * @param phHalfWidth how far the pH can be off
 * @param espPct from a laboratory
 * @param disperses crumbs cloud the water
 * @param permeabilityMmH straight down, of the hole test
 * @param layerBottomMm bottom of a hard layer
 * @param drained drains were laid
 * @param wet moist or wet on the newest visit
 */
public record FieldFacts(
        LandUse landUse,
        TextureGroup textureGroup,
        String crop,
        double areaHa,
        Double phWater,
        Double phHalfWidth,
        boolean phFromKit,
        Double ece,
        Double espPct,
        Double cecCmolKg,
        boolean disperses,
        Double permeabilityMmH,
        Double layerBottomMm,
        boolean drained,
        boolean wet) {

    /** A layer that the probe meets is taken to be this thick when no spade has said where it ends. */
    private static final double USUAL_LAYER_MM = 80;

    private static final double CLOUDY_UNDER = 0.25;

    private static final double GARDEN_UNDER_HA = 0.5;

    private static final Set<LandUse> GARDENS = Set.of(LandUse.VEGETABLE, LandUse.LANDSCAPE, LandUse.TURF);

    /**
     * What is written of a field and known of its visits.
     *
     * @param textureClass as written, used where none was felt; or {@code null}
     * @param areaHa or {@code null}
     * @param moisture on the newest visit, or {@code null}
     */
    public record Place(
            LandUse landUse, String textureClass, String crop, Double areaHa, boolean drained, SoilMoisture moisture) {}

    /**
     * Puts a field's facts together: medians over the stops of the newest readings.
     *
     * @param cecCmolKg a laboratory's, or {@code null}
     * @param permeabilityMmH of the newest hole, or {@code null}
     */
    public static FieldFacts of(Place place, FieldReadings readings, Double cecCmolKg, Double permeabilityMmH) {
        FieldReadings.Reading ph = readings.newest("ph", "ph");
        Double limit = readings.figure("compaction", null);
        Double dispersion = readings.standing("dispersion");
        String texture = readings.texture(place.textureClass());
        TextureClass known = texture == null ? null : Coded.find(TextureClass.values(), texture);
        return new FieldFacts(
                place.landUse(),
                known == null ? null : known.group(),
                place.crop(),
                place.areaHa() == null || place.areaHa() <= 0 ? 1 : place.areaHa(),
                readings.figure("ph", "ph"),
                ph == null || ph.figureLow() == null ? null : Double.valueOf((ph.figureHigh() - ph.figureLow()) / 2),
                ph != null
                        && ph.kind() != null
                        && (ph.kind().contains("kit") || ph.kind().contains("powder")),
                readings.figure("salinity", null),
                readings.figure("sodicity", null),
                cecCmolKg,
                dispersion != null && dispersion < CLOUDY_UNDER,
                permeabilityMmH,
                limit == null ? null : Double.valueOf(limit + USUAL_LAYER_MM),
                place.drained(),
                place.moisture() == SoilMoisture.WET || place.moisture() == SoilMoisture.MOIST);
    }

    /** Whether amounts are told in kg on 10 m² and in litres: beds, turf, and what is under half a hectare. */
    public boolean garden() {
        return areaHa < GARDEN_UNDER_HA || landUse != null && GARDENS.contains(landUse);
    }
}
