package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.chemistry.nutrientkit.NutrientKit;

/** Random readings of {@link NutrientKit} without what its checks refuse. */
final class NutrientKitSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.halves(tree, "n", "p", "k");
    }
}
