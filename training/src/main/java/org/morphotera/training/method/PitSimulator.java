package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.pit.Pit;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Pit} reads on a made-up soil. */
final class PitSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double[] tops = {0, 250, 450, 700, 1000};
        double grey = soil.get(SoilProperty.GREY);
        List<Map<String, Object>> horizons = new ArrayList<>();
        for (int i = 0; i + 1 < tops.length; i++) {
            Map<String, Object> horizon = new LinkedHashMap<>();
            horizon.put("topMm", tops[i]);
            horizon.put("bottomMm", tops[i + 1]);
            horizon.put("textureClass", soil.texture().code());
            horizon.put("structure", Math.min(5, Scatter.toStep(soil.get(SoilProperty.STRUCTURE) + 0.3 * i, 0.5)));
            double ph = soil.get(i < 2 ? SoilProperty.PH : SoilProperty.DEEP_PH);
            horizon.put("ph", Scatter.rounded(ph - 0.7, 1));
            horizon.put("ece", Scatter.rounded(soil.get(SoilProperty.ECE) * (0.8 + 0.15 * i), 1));
            horizon.put("greyPct", i < 2 ? 0 : Math.round(grey * i));
            boolean pan = soil.get(SoilProperty.PAN_DEPTH) > 0 && i == 1;
            horizon.put("kPa", pan ? 2600 : 1200 + 120 * i);
            horizon.put("roots", i == 0 ? "many" : pan ? "few" : i == 1 ? "common" : "few");
            String top = soil.dry() ? "dry" : "moist";
            horizon.put("moisture", i == 3 && grey > 5 ? "saturated" : i > 1 ? "moist" : top);
            horizons.add(horizon);
        }
        return Map.of("depthMm", 1000, "benched", true, "horizons", horizons);
    }
}
