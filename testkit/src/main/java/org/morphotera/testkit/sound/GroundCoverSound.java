package org.morphotera.testkit.sound;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.aboveground.groundcover.GroundCover;

/** Random readings of {@link GroundCover} without what its checks refuse. */
final class GroundCoverSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        if (random.nextBoolean() && tree.containsKey("points")) {
            List.of("livingPct", "litterPct", "stonePct", "barePct").forEach(tree::remove);
            return;
        }
        tree.remove("points");
        double bare = 100 * random.nextDouble();
        double stone = (100 - bare) * random.nextDouble();
        tree.put("barePct", bare);
        tree.put("stonePct", stone);
        tree.put("litterPct", 0.0);
        tree.put("livingPct", 100 - bare - stone);
    }
}
