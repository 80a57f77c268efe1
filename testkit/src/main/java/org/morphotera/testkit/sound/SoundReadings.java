package org.morphotera.testkit.sound;

import java.util.Map;
import java.util.Random;

/** Takes from random readings of one method the contradictions that its checks would refuse. */
public interface SoundReadings {

    /**
     * Sorts what must rise, joins layers, drops one of two readings that exclude each other.
     *
     * @param tree readings within their single limits; changed in place
     */
    void makeSound(Map<String, Object> tree, Random random);
}
