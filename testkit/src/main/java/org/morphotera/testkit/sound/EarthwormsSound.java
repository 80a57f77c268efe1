package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.earthworms.Earthworms;

/** Random readings of {@link Earthworms} without what its checks refuse. */
final class EarthwormsSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.groups(tree, "blocks").forEach(block -> {
            block.remove("surfaceDwellers");
            block.computeIfPresent("deepBurrowers", (name, x) -> 0);
        });
    }
}
