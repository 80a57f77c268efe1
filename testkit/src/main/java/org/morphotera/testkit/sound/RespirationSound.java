package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.life.respiration.Respiration;

/** Random readings of {@link Respiration} without what its checks refuse. */
final class RespirationSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.remove(tree.containsKey("co2MgKgDay") ? "colourNumber" : "co2MgKgDay");
    }
}
