package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.chemistry.ph.Ph;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Ph} reads on a made-up soil. */
final class PhSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // a meter, or the chips between which a colour lies, in three slices
        double top = soil.get(SoilProperty.PH);
        double deep = soil.get(SoilProperty.DEEP_PH);
        double[] wanted = {top, top + (deep - top) * 0.4, deep};
        double[] tops = {0, 100, 200, 300};
        List<Map<String, Object>> layers = new ArrayList<>();
        double here = 0.08 * scatter.random().nextGaussian();
        for (int i = 0; i < wanted.length; i++) {
            if (soil.kitOnly()) {
                double low = Math.floor(2 * scatter.around(wanted[i], 0.3, 3, 9)) / 2;
                layers.add(Map.of("topMm", tops[i], "bottomMm", tops[i + 1], "chipLow", low, "chipHigh", low + 0.5));
            } else {
                double value = Scatter.rounded(scatter.around(wanted[i] + here, 0.04), 1);
                layers.add(Map.of("topMm", tops[i], "bottomMm", tops[i + 1], "value", value));
            }
        }
        return Map.of("kind", soil.kitOnly() ? "vial-kit" : "meter-1to1", "layers", layers);
    }
}
