package org.morphotera.core.method.block.texturejar;

/**
 * Grains of quartz settling in still water by Stokes' law: v = (ρs − ρw)·g·d²/(18 μ).
 *
 * @param tempC of the water
 * @param fallMm height of the fall
 */
public record Settling(double tempC, double fallMm) {

    private static final double GRAIN_KG_M3 = 2650;
    private static final double GRAVITY = 9.81;

    /** Density of water, kg/m³ (Maidment, 1993). */
    private double waterKgM3() {
        return 1000 * (1 - (tempC + 288.9414) / (508929.2 * (tempC + 68.12963)) * Math.pow(tempC - 3.9863, 2));
    }

    /** Viscosity of water, Pa·s (Likhachev, 2003, in its three-constant form). */
    private double viscosity() {
        return 2.414e-5 * Math.pow(10, 247.8 / (tempC + 133.15));
    }

    /** The size of grain that has just fallen the whole height after some seconds, µm. */
    public double sizeUm(double seconds) {
        double velocity = fallMm / 1000 / seconds;
        return 1e6 * Math.sqrt(18 * viscosity() * velocity / ((GRAIN_KG_M3 - waterKgM3()) * GRAVITY));
    }

    /** How long a grain of some size needs for the whole height, s. */
    public double secondsFor(double sizeUm) {
        double size = sizeUm / 1e6;
        double velocity = (GRAIN_KG_M3 - waterKgM3()) * GRAVITY * size * size / (18 * viscosity());
        return fallMm / 1000 / velocity;
    }
}
