package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.pit.Pit;

/** Random readings of {@link Pit} without what its checks refuse. */
final class PitSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        double top = 0;
        for (Map<String, Object> horizon : SoundTrees.groups(tree, "horizons")) {
            horizon.put("topMm", top);
            top += 1 + SoundTrees.number(horizon, "bottomMm") / 50;
            horizon.put("bottomMm", top);
        }
        tree.put("depthMm", Math.min(5000, top + 10));
    }
}
