package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.structure.Structure;

/** Random readings of {@link Structure} without what its checks refuse. */
final class StructureSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        if ("spade-block".equals(tree.get("key"))) {
            tree.remove(random.nextBoolean() && tree.containsKey("layers") ? "score" : "layers");
        }
        SoundTrees.groups(tree, "fractions").forEach(each -> {
            each.put("maxMm", SoundTrees.number(each, "minMm") / 2 + 2500.1);
            each.put("minMm", SoundTrees.number(each, "minMm") / 2);
        });
    }
}
