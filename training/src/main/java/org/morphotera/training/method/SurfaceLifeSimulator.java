package org.morphotera.training.method;

import java.util.LinkedHashMap;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.aboveground.surfacelife.SurfaceLife;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link SurfaceLife} reads on a made-up soil. */
final class SurfaceLifeSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        String[] names = {"beetle", "spider", "ant", "springtail", "snail", "woodlouse", "centipede"};
        Map<String, Object> counts = new LinkedHashMap<>();
        double groups = soil.get(SoilProperty.SURFACE_GROUPS);
        int found = (int) Math.round(scatter.around(groups, 0.6, 1, names.length));
        for (int i = 0; i < found; i++) {
            counts.put(names[i], 1 + scatter.random().nextInt(6));
        }
        return Map.of("quadratAreaM2", 0.25, "counts", counts);
    }
}
