package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.water.crumbstability.CrumbStability;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link CrumbStability} reads on a made-up soil. */
final class CrumbStabilitySimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // six to eight crumbs that hold with a chance that grows with the glue, and cloud with a chance of its own
        boolean subsoil = topMm >= DepthLayer.TOPSOIL_ENDS_MM;
        double glue = soil.get(SoilProperty.GLUE) * (subsoil ? 0.85 : 1) - (soil.dry() && !subsoil ? 0.05 : 0);
        double cloud = soil.get(subsoil ? SoilProperty.DEEP_CLOUD : SoilProperty.CLOUD);
        List<Map<String, Object>> crumbs = new ArrayList<>();
        int count = 6 + scatter.random().nextInt(3);
        for (int i = 0; i < count; i++) {
            Map<String, Object> crumb = new LinkedHashMap<>();
            double strength = scatter.around(glue, 0.14);
            if (strength < 0.35) {
                crumb.put("slake", "under-60s");
                crumb.put("collapseSeconds", 8 + scatter.random().nextInt(50));
            } else {
                crumb.put("slake", strength < 0.52 ? "gentle-swirl" : strength < 0.68 ? "strong-swirl" : "holds");
            }
            double drift = scatter.around(cloud, 0.13);
            String seen = drift > 0.62 ? "strong" : drift > 0.36 ? "faint" : "none";
            crumb.put("cloud10", seen);
            if (!seen.equals("none")) {
                crumb.put("cloud30", seen);
            }
            crumb.put("stone", scatter.random().nextInt(20) == 0);
            crumbs.add(crumb);
        }
        return Map.of("water", soil.tapWater() ? "tap" : "rain", "airDry", true, "crumbs", crumbs);
    }
}
