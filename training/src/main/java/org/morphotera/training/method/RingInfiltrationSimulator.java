package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.surface.ringinfiltration.RingInfiltration;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link RingInfiltration} reads on a made-up soil. */
final class RingInfiltrationSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // two runs of 442 mL in a ring of 150 mm: 25 mm of water each
        boolean below = topMm >= DepthLayer.TOPSOIL_ENDS_MM;
        double rate = soil.get(below ? SoilProperty.INFILTRATION_AT_200 : SoilProperty.INFILTRATION);
        double second = 25 / scatter.around(rate, 0.12 * rate, 0.6, 900) * 3600;
        double first = second * scatter.around(0.55, 0.08, 0.3, 0.8);
        return Map.of(
                "ringDiameterMm",
                150,
                "depthLevel",
                below ? "at-200" : "surface",
                "runs",
                List.of(
                        Map.of("volumeMl", 442, "seconds", (int) Math.max(5, first)),
                        Map.of("volumeMl", 442, "seconds", (int) Math.max(8, second))));
    }
}
