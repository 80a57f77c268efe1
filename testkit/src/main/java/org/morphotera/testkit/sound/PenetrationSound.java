package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.surface.penetration.Penetration;

/** Random readings of {@link Penetration} without what its checks refuse. */
final class PenetrationSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.groups(tree, "probes").forEach(probe -> {
            if (probe.containsKey("pushedToMm")) {
                double pushed = SoundTrees.number(probe, "pushedToMm");
                probe.computeIfPresent("stopsAtMm", (name, x) -> Math.min(pushed, ((Number) x).doubleValue()));
                probe.computeIfPresent("stiffAtMm", (name, x) -> Math.min(pushed, ((Number) x).doubleValue()));
                return;
            }
            SoundTrees.rising(probe, "readings", "depthMm");
            probe.computeIfPresent("refusedAtMm", (name, x) -> 5000.0);
        });
    }
}
