package org.morphotera.training.trial;

import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.SoilProperty;

/**
 * A field with signs that have nothing to do with what limits it: just drilled and bare, hungry or overfed, a dead week
 * for microbes, old mottles of a bog drained long ago.
 */
record Quirky(MadeUpSoil field, Map<SoilProperty, Double> shifts) implements MadeUpSoil {

    static Quirky draw(MadeUpSoil field, Random random) {
        Map<SoilProperty, Double> shifts = new EnumMap<>(SoilProperty.class);
        perhaps(shifts, random, 0.09, SoilProperty.N, -1.2);
        perhaps(shifts, random, 0.06, SoilProperty.N, 1.2);
        perhaps(shifts, random, 0.08, SoilProperty.CO2, -18);
        perhaps(shifts, random, 0.08, SoilProperty.COVER, -38);
        perhaps(shifts, random, 0.08, SoilProperty.WORMS, -5);
        perhaps(shifts, random, 0.06, SoilProperty.SMELL, -0.9);
        perhaps(shifts, random, 0.05, SoilProperty.MOTTLED, 16);
        perhaps(shifts, random, 0.04, SoilProperty.ECE, 2.4);
        perhaps(shifts, random, 0.05, SoilProperty.GLUE, -0.08);
        perhaps(shifts, random, 0.05, SoilProperty.RILLS, 1);
        perhaps(shifts, random, 0.05, SoilProperty.CRUST, 1);
        perhaps(shifts, random, 0.08, SoilProperty.ORGANIC, -1.2);
        perhaps(shifts, random, 0.05, SoilProperty.CLOUD, 0.15);
        perhaps(shifts, random, 0.06, SoilProperty.STRUCTURE, 0.9);
        perhaps(shifts, random, 0.06, SoilProperty.POROSITY, -0.6);
        perhaps(shifts, random, 0.06, SoilProperty.VIGOUR, 0.5);
        perhaps(shifts, random, 0.06, SoilProperty.SLOPE, 6);
        return new Quirky(field, shifts);
    }

    private static void perhaps(
            Map<SoilProperty, Double> shifts, Random random, double chance, SoilProperty property, double by) {
        if (random.nextDouble() < chance) {
            shifts.put(property, by);
        }
    }

    @Override
    public double get(SoilProperty property) {
        double value = field.get(property) + shifts.getOrDefault(property, 0.0);
        return switch (property) {
            case N, SMELL, POROSITY, VIGOUR, RILLS, CRUST ->
                Math.max(0, Math.min(property == SoilProperty.N ? 4 : 2, value));
            case STRUCTURE -> Math.max(1, Math.min(5, value));
            case CO2, COVER -> Math.max(3, value);
            case WORMS, ORGANIC -> Math.max(0.3, value);
            case GLUE -> Math.max(0.1, value);
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

    @Override
    public boolean dry() {
        return field.dry();
    }
}
