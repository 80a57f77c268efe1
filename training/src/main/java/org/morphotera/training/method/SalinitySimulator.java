package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.chemistry.salinity.Salinity;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Salinity} reads on a made-up soil. */
final class SalinitySimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // three readings of a slurry of one part soil and one part water
        double washed = soil.get(SoilProperty.ECE) * (soil.dry() ? 1.25 : 1);
        TextureGroup group = soil.texture().group();
        double ec = group == TextureGroup.FINE
                ? (washed + 0.95) / 2.96
                : (washed + (group == TextureGroup.COARSE ? 0.06 : 0.77)) / 3.01;
        double here = scatter.around(ec, 0.05 * ec, 0.02, 60);
        List<Double> readings = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            readings.add(Scatter.rounded(scatter.around(here, 0.02 * here, 0.01, 60), 2));
        }
        return Map.of(
                "mode",
                "slurry-1to1",
                "readings",
                readings,
                "compensated",
                true,
                "zeroChecked",
                true,
                "ph",
                Scatter.rounded(soil.get(SoilProperty.PH), 1));
    }
}
