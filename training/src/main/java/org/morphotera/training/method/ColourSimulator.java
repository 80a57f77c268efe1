package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.colour.Colour;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Colour} reads on a made-up soil. */
final class ColourSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double value = Scatter.toStep(scatter.around(3 + soil.get(SoilProperty.PALER), 0.2, 2, 6), 0.5);
        return Map.of(
                "sample",
                Map.of("hue", "10YR", "value", value, "chroma", 2),
                "moist",
                true,
                "reference",
                Map.of("hue", "10YR", "value", 3, "chroma", 2, "moist", true, "sameSoil", true));
    }
}
