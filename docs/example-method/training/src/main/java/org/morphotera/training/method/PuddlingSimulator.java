package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What a puddle reads on a made-up soil. */
final class PuddlingSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double minutes = 1500 / soil.get(SoilProperty.INFILTRATION);
        return Map.of("minutes", Scatter.rounded(scatter.around(minutes, 0.1 * minutes, 1, 1440), 0));
    }
}
