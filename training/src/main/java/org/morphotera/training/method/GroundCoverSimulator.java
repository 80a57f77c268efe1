package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.aboveground.groundcover.GroundCover;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link GroundCover} reads on a made-up soil. */
final class GroundCoverSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double cover = soil.get(SoilProperty.COVER);
        long bare = Math.round(100 - scatter.around(cover, 4, 2, 100));
        long litter = Math.round((100 - bare) * 0.3);
        long stone = Math.min(3, 100 - bare - litter);
        return Map.of(
                "livingPct", 100 - bare - litter - stone, "litterPct", litter, "stonePct", stone, "barePct", bare);
    }
}
