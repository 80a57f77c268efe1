package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.roots.Roots;

/** Random readings of {@link Roots} without what its checks refuse. */
final class RootsSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.computeIfPresent("deepestMm", (name, x) -> 5000.0);
    }
}
