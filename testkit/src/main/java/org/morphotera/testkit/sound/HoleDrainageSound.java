package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.surface.holedrainage.HoleDrainage;

/** Random readings of {@link HoleDrainage} without what its checks refuse. */
final class HoleDrainageSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.remove(random.nextBoolean() ? "minutesToEmpty" : "stillWaterAtMinutes");
        if (tree.containsKey("endMm") && tree.containsKey("startMm")) {
            tree.put("endMm", Math.min(SoundTrees.number(tree, "endMm"), SoundTrees.number(tree, "startMm")));
        }
        if (tree.get("points") != null) {
            SoundTrees.rising(tree, "points", "minute");
            double depth = SoundTrees.number(tree, "holeDepthMm");
            SoundTrees.groups(tree, "points")
                    .forEach(point -> point.put("mm", Math.min(depth, SoundTrees.number(point, "mm"))));
        }
    }
}
