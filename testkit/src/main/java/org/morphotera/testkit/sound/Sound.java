package org.morphotera.testkit.sound;

import java.util.Map;

/** The one list of how each method's random readings are made sound; a method that is not in it refuses none. */
public final class Sound {

    private static final Map<String, SoundReadings> ALL = Map.ofEntries(
            Map.entry("ground-cover", new GroundCoverSound()),
            Map.entry("sward", new SwardSound()),
            Map.entry("penetration", new PenetrationSound()),
            Map.entry("ring-infiltration", new RingInfiltrationSound()),
            Map.entry("hole-drainage", new HoleDrainageSound()),
            Map.entry("texture-feel", new TextureFeelSound()),
            Map.entry("texture-jar", new TextureJarSound()),
            Map.entry("structure", new StructureSound()),
            Map.entry("porosity", (tree, random) -> SoundTrees.halves(tree, "score")),
            Map.entry("smell", (tree, random) -> SoundTrees.halves(tree, "score")),
            Map.entry("mottling", new MottlingSound()),
            Map.entry("finger-stain", (tree, random) -> SoundTrees.halves(tree, "score")),
            Map.entry("earthworms", new EarthwormsSound()),
            Map.entry("roots", new RootsSound()),
            Map.entry("pit", new PitSound()),
            Map.entry("crumb-stability", new CrumbStabilitySound()),
            Map.entry("ph", new PhSound()),
            Map.entry("nutrient-kit", new NutrientKitSound()),
            Map.entry("lab-result", new LabResultSound()),
            Map.entry("respiration", new RespirationSound()));

    private static final SoundReadings AS_THEY_ARE = (tree, random) -> {};

    private Sound() {}

    /** Of the method of an id. */
    public static SoundReadings of(String method) {
        return ALL.getOrDefault(method, AS_THEY_ARE);
    }
}
