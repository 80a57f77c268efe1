package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.chemistry.nutrientkit.NutrientKit;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link NutrientKit} reads on a made-up soil. */
final class NutrientKitSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        return Map.of(
                "n", step(soil.get(SoilProperty.N), scatter),
                "p", step(soil.get(SoilProperty.P), scatter),
                "k", step(soil.get(SoilProperty.K), scatter));
    }

    private static double step(double truth, Scatter scatter) {
        return Scatter.toStep(scatter.around(truth, 0.3, 0, 4), 0.5);
    }
}
