package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.surface.holedrainage.HoleDrainage;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link HoleDrainage} reads on a made-up soil. */
final class HoleDrainageSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // a fast first wetting that settles to the lasting rate, read at uneven times
        double lasting = soil.get(SoilProperty.DRAINAGE);
        List<Map<String, Object>> points = new ArrayList<>();
        double level = 270 + scatter.random().nextInt(20);
        int minute = 0;
        points.add(Map.of("minute", minute, "mm", level));
        for (int i = 0; i < 5 && level > 40; i++) {
            double rate = lasting * (1 + 1.6 * Math.exp(-1.3 * i)) * scatter.around(1, 0.05);
            int wait = (int)
                    Math.max(7, Math.min(70, 14 / rate * 60 + scatter.random().nextInt(9) + 8 * i));
            double next = Math.max(0, Math.rint(level - rate * wait / 60));
            if (next < 5) {
                break;
            }
            minute += wait;
            level = next;
            points.add(Map.of("minute", minute, "mm", level));
        }
        if (points.size() < 3) {
            points.add(Map.of("minute", minute + 6, "mm", Math.max(0, level - Math.rint(lasting / 10))));
        }
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("mode", "stepped");
        readings.put("holeDiameterMm", 220);
        readings.put("holeDepthMm", 300);
        readings.put("presoaked", scatter.random().nextInt(8) > 0);
        readings.put("measure", "water-depth");
        readings.put("points", points);
        return readings;
    }
}
