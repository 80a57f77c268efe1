package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.mottling.Mottling;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Mottling} reads on a made-up soil. */
final class MottlingSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        long total = Math.round(scatter.around(soil.get(SoilProperty.MOTTLED), 1.5, 0, 60));
        long ofGrey = Math.min(total, Math.round(scatter.around(soil.get(SoilProperty.GREY), 1, 0, 40)));
        long black = total > 12 ? 2 : 0;
        return Map.of("rustPct", Math.max(0, total - ofGrey - black), "blackPct", black, "greyPct", ofGrey);
    }
}
