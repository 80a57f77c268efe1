package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.life.respiration.Respiration;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Respiration} reads on a made-up soil. */
final class RespirationSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double co2 = soil.get(SoilProperty.CO2);
        return Map.of(
                "co2MgKgDay",
                Scatter.rounded(scatter.around(co2, 0.1 * co2, 1, 400), 0),
                "hours",
                24,
                "incubationTempC",
                21);
    }
}
