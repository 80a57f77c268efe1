package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.surface.soiltemperature.SoilTemperature;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link SoilTemperature} reads on a made-up soil. */
final class SoilTemperatureSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double temperature = soil.get(SoilProperty.TEMPERATURE);
        return Map.of(
                "areas",
                List.of(
                        Map.of("label", "bare", "cover", "bare", "tempC", Scatter.rounded(temperature + 1.5, 1)),
                        Map.of("label", "cover", "cover", "canopy", "tempC", Scatter.rounded(temperature, 1))));
    }
}
