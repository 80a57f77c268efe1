package org.morphotera.training;

import java.util.Random;

/** Chance that falls alike on a JVM and in a page, whose libraries make whole and normal numbers in other ways. */
final class Chance extends Random {

    private static final long serialVersionUID = 1L;

    Chance(long seed) {
        super(seed);
    }

    @Override
    public int nextInt(int bound) {
        return (int) (nextDouble() * bound);
    }

    @Override
    public boolean nextBoolean() {
        return nextDouble() < 0.5;
    }

    /** Box and Muller, 1958. */
    @Override
    public double nextGaussian() {
        double size = Math.sqrt(-2 * Math.log(1 - nextDouble()));
        return size * Math.cos(2 * Math.PI * nextDouble());
    }
}
