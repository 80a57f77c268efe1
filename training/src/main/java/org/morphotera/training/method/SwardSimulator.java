package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.aboveground.sward.Sward;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Sward} reads on a made-up soil. */
final class SwardSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double vigour = soil.get(SoilProperty.VIGOUR);
        return Map.of(
                "greenPct", Math.round(scatter.around(48 + 18 * vigour, 3, 20, 96)),
                "deadPct", Math.round(scatter.around(32 - 13 * vigour, 2, 2, 60)),
                "cloverPct", Math.round(scatter.around(4 + 13 * vigour, 2, 0, 55)),
                "speciesCount", (int) Math.round(scatter.around(3.5 + 2 * vigour, 0.6, 1, 12)));
    }
}
