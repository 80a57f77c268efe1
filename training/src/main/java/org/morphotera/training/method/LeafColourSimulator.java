package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.aboveground.leafcolour.LeafColour;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link LeafColour} reads on a made-up soil. */
final class LeafColourSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double vigour = soil.get(SoilProperty.VIGOUR);
        List<String> signs = vigour > 1.2
                ? List.of("even-green")
                : vigour > 0.9 ? List.of("pale-old-leaves") : List.of("pale-old-leaves", "stunted");
        return Map.of("signs", signs, "where", "crop");
    }
}
