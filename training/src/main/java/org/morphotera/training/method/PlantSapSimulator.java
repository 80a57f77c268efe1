package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.aboveground.plantsap.PlantSap;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link PlantSap} reads on a made-up soil. */
final class PlantSapSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double vigour = soil.get(SoilProperty.VIGOUR);
        return Map.of(
                "brixPct", Scatter.rounded(scatter.around(5 + 3 * vigour, 0.6), 1),
                "sapPh", Scatter.rounded(scatter.around(6.2, 0.15), 1));
    }
}
