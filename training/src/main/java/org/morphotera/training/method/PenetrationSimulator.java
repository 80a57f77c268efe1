package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.surface.penetration.Penetration;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Penetration} reads on a made-up soil. */
final class PenetrationSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // three pushes; harder with depth, and at the layer, where there is one
        double strength = soil.get(SoilProperty.STRENGTH);
        double panDepth = soil.get(SoilProperty.PAN_DEPTH);
        List<Map<String, Object>> probes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            double pan = panDepth > 0 ? scatter.around(panDepth, 18) : 0;
            double harder = (soil.dry() ? 1.35 : 1) * scatter.around(1, 0.05);
            List<Map<String, Object>> readings = new ArrayList<>();
            for (int depth = 75; depth <= 450; depth += 75) {
                double kPa = (strength * 0.55 + strength * 0.5 * depth / 450) * harder;
                if (pan > 0) {
                    kPa += 1900 * Math.exp(-Math.pow((depth - pan - 35) / 60, 2));
                }
                readings.add(Map.of("depthMm", depth, "kPa", Scatter.toStep(scatter.around(kPa, 50, 50, 5000), 10)));
            }
            probes.add(Map.of("readings", readings));
        }
        return Map.of("tipDiameterMm", 12.7, "probes", probes);
    }
}
