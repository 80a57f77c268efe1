package org.morphotera.training.ground;

import java.util.Random;

/** Figures as people and instruments read them: scattered, and written in the steps in which they are written. */
public final class Scatter {

    private final Random random;

    /** @param random where all chance comes from; the same seed gives the same figures */
    public Scatter(Random random) {
        this.random = random;
    }

    /** For choices: the same sequence for the same seed. */
    public Random random() {
        return random;
    }

    /** Normally scattered. */
    public double around(double value, double deviation) {
        return value + deviation * random.nextGaussian();
    }

    /** Normally scattered, held between two bounds. */
    public double around(double value, double deviation, double low, double high) {
        return Math.max(low, Math.min(high, around(value, deviation)));
    }

    /** To the nearest multiple of a step. */
    public static double toStep(double value, double step) {
        return Math.round(value / step) * step;
    }

    /** To some decimals. */
    public static double rounded(double value, int decimals) {
        double power = Math.pow(10, decimals);
        return Math.rint(value * power) / power;
    }
}
