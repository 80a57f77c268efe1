package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.training.ground.SoilProperty;

/** The one list of what each field method reads on a made-up soil, in the order of the soil face. */
public final class Simulators {

    private static final Map<String, Simulator> ALL = Map.ofEntries(
            Map.entry("ground-cover", new GroundCoverSimulator()),
            Map.entry("surface-life", new SurfaceLifeSimulator()),
            Map.entry("leaf-colour", new LeafColourSimulator()),
            Map.entry("sward", new SwardSimulator()),
            Map.entry("plant-sap", new PlantSapSimulator()),
            Map.entry("soil-temperature", new SoilTemperatureSimulator()),
            Map.entry("penetration", new PenetrationSimulator()),
            Map.entry("ring-infiltration", new RingInfiltrationSimulator()),
            Map.entry("hole-drainage", new HoleDrainageSimulator()),
            Map.entry("texture-feel", new TextureFeelSimulator()),
            Map.entry("texture-jar", new TextureJarSimulator()),
            Map.entry("structure", new StructureSimulator()),
            Map.entry("porosity", new BySightSimulator(soil -> soil.get(SoilProperty.POROSITY))),
            Map.entry("smell", new BySightSimulator(soil -> soil.get(SoilProperty.SMELL))),
            Map.entry("mottling", new MottlingSimulator()),
            Map.entry("finger-stain", new BySightSimulator(soil -> soil.get(SoilProperty.ORGANIC) / 2.2)),
            Map.entry("colour", new ColourSimulator()),
            Map.entry("earthworms", new EarthwormsSimulator()),
            Map.entry("roots", new RootsSimulator()),
            Map.entry("pit", new PitSimulator()),
            Map.entry("crumb-stability", new CrumbStabilitySimulator()),
            Map.entry("slump", new SlumpSimulator()),
            Map.entry("ph", new PhSimulator()),
            Map.entry("fizz", new FizzSimulator()),
            Map.entry("salinity", new SalinitySimulator()),
            Map.entry("nutrient-kit", new NutrientKitSimulator()),
            Map.entry("lab-result", new LabResultSimulator()),
            Map.entry("respiration", new RespirationSimulator()),
            Map.entry("microbial-biomass", new MicrobialBiomassSimulator()));

    private Simulators() {}

    /** @throws IllegalArgumentException when nothing is known of the method */
    public static Simulator of(FieldMethod<?> method) {
        Simulator simulator = ALL.get(method.card().id());
        if (simulator == null) {
            throw new IllegalArgumentException(
                    "no simulator of " + method.card().id());
        }
        return simulator;
    }
}
