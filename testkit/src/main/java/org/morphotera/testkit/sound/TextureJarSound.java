package org.morphotera.testkit.sound;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.texturejar.TextureJar;

/** Random readings of {@link TextureJar} without what its checks refuse. */
final class TextureJarSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        double base = 20 * random.nextDouble();
        tree.put("baseOffsetMm", base);
        tree.remove("coarseSandMm");
        tree.put("sandMm", base += 0.01 + 90 * random.nextDouble());
        tree.put("siltMm", base += 0.01 + 90 * random.nextDouble());
        tree.put("clayMm", base + 0.01 + 90 * random.nextDouble());
        tree.put("waterColumnMm", 300 + 1000 * random.nextDouble());
        List.of("sandMarkSeconds", "siltMarkSeconds", "clayMarkSeconds").forEach(tree::remove);
    }
}
