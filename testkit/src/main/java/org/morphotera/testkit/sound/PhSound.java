package org.morphotera.testkit.sound;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.chemistry.ph.Ph;

/** Random readings of {@link Ph} without what its checks refuse. */
final class PhSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        double top = 0;
        for (Map<String, Object> layer : SoundTrees.groups(tree, "layers")) {
            layer.put("topMm", top);
            layer.put("bottomMm", top += 10 + 200 * random.nextDouble());
            layer.keySet().removeAll(List.of("value", "chipLow", "chipHigh"));
            if (random.nextBoolean()) {
                layer.put("value", 14 * random.nextDouble());
            } else {
                double low = 13 * random.nextDouble();
                layer.put("chipLow", low);
                layer.put("chipHigh", low + random.nextDouble());
            }
        }
    }
}
