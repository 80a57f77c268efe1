package org.morphotera.training.method;

import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;

/**
 * What a {@link ScoredBySight} reads on a made-up soil.
 *
 * @param truth what is really there, on the scale of the score, 0 to 2
 */
record BySightSimulator(ToDoubleFunction<MadeUpSoil> truth) implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        return Map.of("score", Scatter.toStep(scatter.around(truth.applyAsDouble(soil), 0.2, 0, 2), 0.5));
    }
}
