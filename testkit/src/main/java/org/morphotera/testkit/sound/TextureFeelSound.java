package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.block.texturefeel.TextureFeel;

/** Random readings of {@link TextureFeel} without what its checks refuse. */
final class TextureFeelSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.computeIfPresent("formsBall", (name, ball) -> true);
    }
}
