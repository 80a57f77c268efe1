package org.morphotera.testkit.sound;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.mottling.Mottling;

/** Random readings of {@link Mottling} without what its checks refuse. */
final class MottlingSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.halves(tree, "score");
        if (tree.containsKey("score")) {
            tree.keySet().retainAll(List.of("score"));
        }
        tree.replaceAll((name, x) -> name.equals("score") ? x : ((Number) x).doubleValue() / 3);
    }
}
