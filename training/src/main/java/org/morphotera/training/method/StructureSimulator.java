package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.structure.Structure;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Structure} reads on a made-up soil. */
final class StructureSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double score = soil.get(SoilProperty.STRUCTURE);
        double upper = Scatter.toStep(scatter.around(score - 0.3, 0.2, 1, 5), 0.5);
        double lower = Scatter.toStep(scatter.around(score + 0.3, 0.2, 1, 5), 0.5);
        return Map.of(
                "key",
                "spade-block",
                "layers",
                List.of(Map.of("thicknessMm", 110, "score", upper), Map.of("thicknessMm", 90, "score", lower)));
    }
}
