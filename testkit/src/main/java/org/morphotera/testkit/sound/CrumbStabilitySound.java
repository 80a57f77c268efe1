package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.water.crumbstability.CrumbStability;

/** Random readings of {@link CrumbStability} without what its checks refuse. */
final class CrumbStabilitySound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.groups(tree, "crumbs").forEach(crumb -> crumb.remove("collapseSeconds"));
    }
}
