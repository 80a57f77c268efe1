package org.morphotera.testkit.sound;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.surface.ringinfiltration.RingInfiltration;

/** Random readings of {@link RingInfiltration} without what its checks refuse. */
final class RingInfiltrationSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.remove(random.nextBoolean() || !tree.containsKey("series") ? "series" : "runs");
        SoundTrees.rising(tree, "series", "minute");
        if (tree.containsKey("series") && SoundTrees.groups(tree, "series").size() < 5) {
            List<Map<String, Object>> points = new ArrayList<>();
            for (double minute : new double[] {1, 4, 9, 16, 25}) {
                points.add(new LinkedHashMap<>(Map.of("minute", minute)));
            }
            tree.put("series", points);
        }
        double soaked = 0;
        for (Map<String, Object> point : SoundTrees.groups(tree, "series")) {
            soaked = Math.min(5000, soaked + random.nextInt(40));
            point.put("cumulativeMm", soaked);
        }
    }
}
