package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.aboveground.sward.Sward;

/** Random readings of {@link Sward} without what its checks refuse. */
final class SwardSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        double green = SoundTrees.number(tree, "greenPct");
        tree.put("deadPct", Math.min(100 - green, SoundTrees.number(tree, "deadPct")));
    }
}
