package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.earthworms.Earthworms;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Earthworms} reads on a made-up soil. */
final class EarthwormsSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // three blocks; worms clump, so the scatter between blocks is wider than a Poisson count's
        double perBlock = soil.get(SoilProperty.WORMS) * (soil.dry() ? 0.4 : 1);
        List<Map<String, Object>> blocks = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            double spread = 0.7 * Math.sqrt(perBlock) + 0.12 * perBlock;
            int count = (int) Math.round(scatter.around(perBlock, spread, 0, 60));
            blocks.add(Map.of(
                    "lengthMm",
                    200,
                    "widthMm",
                    200,
                    "depthMm",
                    250,
                    "adults",
                    count / 3,
                    "juveniles",
                    count - count / 3));
        }
        return Map.of("blocks", blocks);
    }
}
