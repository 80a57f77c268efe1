package org.morphotera.training.simulate;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.training.ground.Scatter;

/** The soil that simulated instruments are put into: always the same at the same place. */
public final class HiddenSoil {

    private static final double STRENGTH_AT_TOP = 700;
    private static final double STRENGTH_PER_MM = 2.6;
    private static final double LAYER_MM = 80;
    private static final double LAYER_ADDS = 1500;
    private static final double SLURRY_DILUTES = 3;
    private static final double PH_SCATTER = 0.08;
    private static final double PH_BETWEEN_SCALES = 0.7;
    private static final double PH_WANTED = 6.5;
    private static final double LIME_PER_PH = 6;
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

    /**
     * What a laboratory finds in a composite from here, by the codes of {@code lab-result}, in its units.
     *
     * @param knownPh of this place from earlier visits, or {@code null}
     * @param knownEce of this place in dS/m, or {@code null}
     */
    public Map<String, Double> analysis(double depthMm, Double knownPh, Double knownEce) {
        Scatter scatter = new Scatter(new Random(seed ^ Double.doubleToLongBits(depthMm)));
        double top = knownPh == null ? soil.ph : knownPh;
        double ph = scatter.around(top + (soil.deepPh - soil.ph) * Math.min(1, depthMm / 400), PH_SCATTER, 3.5, 10);
        double cec = scatter.around(soil.cec, 1, 3, 60);
        double ece = Math.max(0.1, (knownEce == null ? soil.ece : knownEce) * scatter.around(1, SCATTER_OF_PLACE));
        Map<String, Double> found = new LinkedHashMap<>();
        found.put("ph-water", Scatter.rounded(ph, 1));
        found.put("ph-cacl2", Scatter.rounded(ph - PH_BETWEEN_SCALES, 1));
        found.put("buffer-ph", Scatter.rounded(Math.max(0, (PH_WANTED - ph) * LIME_PER_PH), 1));
        found.put("organic-matter", Scatter.rounded(soil.organicPct, 1));
        found.put("p", Scatter.rounded(scatter.around(28, 12, 3, 120), 0));
        found.put("k", Scatter.rounded(scatter.around(170, 60, 30, 600), 0));
        found.put("s", Scatter.rounded(scatter.around(11, 4, 1, 60), 0));
        found.put("mg", Scatter.rounded(scatter.around(140, 40, 20, 500), 0));
        found.put("cec", Scatter.rounded(cec, 1));
        found.put("ex-ca", Scatter.rounded(cec * 0.68, 1));
        found.put("ex-mg", Scatter.rounded(cec * 0.16, 1));
        found.put("ex-k", Scatter.rounded(cec * 0.03, 2));
        found.put("ex-na", Scatter.rounded(cec * soil.esp / 100, 2));
        found.put("ece", Scatter.rounded(ece, 2));
        found.put("nitrate-n", Scatter.rounded(scatter.around(14, 6, 1, 80), 0));
        return found;
    }

    /** Conductivity of a slurry of equal parts, dS/m: about a third of the saturated extract's, as in a 1:1 slurry. */
    private double slurry(double ece) {
        double here = new Scatter(new Random(seed)).around(1, SCATTER_OF_PLACE);
        return Math.max(0.02, ece / SLURRY_DILUTES * here);
    }
}
