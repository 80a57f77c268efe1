package org.morphotera.core.plan;

import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

/**
 * What is known of a field for its plan. All but the area may be {@code null}.
 *
 * @param phHalfWidth how far the pH can be off
 * @param espPct from a laboratory
 * @param disperses crumbs cloud the water
 * @param permeabilityMmH straight down, of the hole test
 * @param layerBottomMm bottom of a hard layer
 * @param drained drains were laid
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
        boolean wet) {}
