package org.morphotera.core.simulate;

import java.util.Random;
import org.morphotera.core.ground.Scatter;

/** The soil that simulated instruments are put into: always the same at the same place. */
public final class HiddenSoil {

    private static final double STRENGTH_AT_TOP = 700;
    private static final double STRENGTH_PER_MM = 2.6;
    private static final double LAYER_MM = 80;
    private static final double LAYER_ADDS = 1500;
    private static final double SLURRY_DILUTES = 3;
    private static final double SCATTER_OF_PLACE = 0.05;

    private final SimulatedSoil soil;
    private final long seed;

    /** @param seed of the place, such as a part of its id */
    public HiddenSoil(long seed) {
        this.soil = SimulatedSoil.draw(new Random(seed));
        this.seed = seed;
    }

    /**
     * What an instrument would show in the end.
     *
     * @param depthMm where it is put in; 0 for the surface
     * @param knownPh of this place from earlier visits, or {@code null}
     * @param knownEce of this place in dS/m, or {@code null}
     */
    public double truth(Instrument.Kind kind, double depthMm, Double knownPh, Double knownEce) {
        return switch (kind) {
            case PH_METER -> {
                double top = knownPh == null ? soil.ph : knownPh;
                yield top + (soil.deepPh - soil.ph) * Math.min(1, depthMm / 400);
            }
            case CONDUCTIVITY_PROBE -> slurry(knownEce == null ? soil.ece : knownEce);
            case PENETROMETER -> {
                boolean inLayer =
                        soil.panDepthMm > 0 && depthMm > soil.panDepthMm && depthMm < soil.panDepthMm + LAYER_MM;
                yield STRENGTH_AT_TOP + STRENGTH_PER_MM * depthMm + (inLayer ? LAYER_ADDS : 0);
            }
        };
    }

    /** Conductivity of a slurry of equal parts, dS/m: about a third of the saturated extract's, as in a 1:1 slurry. */
    private double slurry(double ece) {
        double here = new Scatter(new Random(seed)).around(1, SCATTER_OF_PLACE);
        return Math.max(0.02, ece / SLURRY_DILUTES * here);
    }
}
