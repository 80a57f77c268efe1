package org.morphotera.training.trial;

import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.SoilProperty;

/**
 * One stop of a field: the field's soil as it varies from place to place, in a patch that may be sounder than the rest.
 *
 * @param sound how much of the way to a fair loam the patch has gone, 0..1
 */
record Spot(MadeUpSoil field, double sound, boolean dry, Map<SoilProperty, Double> draws) implements MadeUpSoil {

    static Spot draw(MadeUpSoil field, double sound, boolean dry, Random random) {
        Map<SoilProperty, Double> draws = new EnumMap<>(SoilProperty.class);
        for (SoilProperty property : SoilProperty.values()) {
            draws.put(property, random.nextGaussian());
        }
        return new Spot(field, sound, dry, draws);
    }

    @Override
    public double get(SoilProperty property) {
        double here = field.get(property);
        boolean counts = property != SoilProperty.OVERLOOKED && property != SoilProperty.CEC;
        double value = counts ? here + sound * (property.usual() - here) : here;
        double z = draws.get(property);
        return switch (property) {
            case PH, DEEP_PH -> value + 0.12 * z;
            case SMELL, POROSITY, STRUCTURE, N, P, K, MG, VIGOUR -> value + 0.12 * z;
            case INFILTRATION, INFILTRATION_AT_200, DRAINAGE, WORMS -> value * Math.exp(0.22 * z);
            case ECE, ESP, ORGANIC, CO2, ROOTS, GLUE, GREY, MOTTLED, FIZZ -> value * Math.exp(0.1 * z);
            case COVER -> Math.max(2, Math.min(100, value + 5 * z));
            case PAN_DEPTH -> value < 80 ? 0 : value + 15 * z;
            default -> value;
        };
    }

    @Override
    public TextureClass texture() {
        return field.texture();
    }

    @Override
    public LandUse landUse() {
        return field.landUse();
    }

    @Override
    public String crop() {
        return field.crop();
    }
}
