package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.water.slump.Slump;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Slump} reads on a made-up soil. */
final class SlumpSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double glue = soil.get(SoilProperty.GLUE);
        String outcome = glue > 0.72 ? "keeps-shape" : glue > 0.52 ? "softens" : glue > 0.38 ? "slumps" : "splatters";
        return Map.of("clods", List.of(Map.of("label", "here", "dryAtStart", true, "minutes", 5, "outcome", outcome)));
    }
}
