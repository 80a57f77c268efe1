package org.morphotera.training.method;

import java.util.LinkedHashMap;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.method.block.roots.Roots;
import org.morphotera.core.soil.LandUse;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Roots} reads on a made-up soil. */
final class RootsSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        Table expected = benchmarks.table("roots.expected-depth");
        String crop = cropOf(soil, expected);
        double share = soil.get(SoilProperty.ROOTS);
        double mm = expected.at(crop, "depthMm");
        double depth = Scatter.toStep(scatter.around(share, 0.05, 0.05, 1.2) * mm, 5);
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("eightyPctDepthMm", depth);
        readings.put("deepestMm", Scatter.toStep(depth * scatter.around(1.35, 0.08, 1.05, 1.8), 5));
        readings.put("crop", crop);
        boolean canMiss = soil.get(SoilProperty.OVERLOOKED) > 0;
        double look = canMiss ? scatter.random().nextDouble() : 0;
        boolean pan = soil.get(SoilProperty.PAN_DEPTH) > 0;
        readings.put("barrier", barrierSeen(soil, pan, look));
        readings.put("bent", pan && look < 0.8 || look > 0.97);
        if (soil.landUse() == LandUse.PASTURE) {
            readings.put("legume", true);
            String sour = look < 0.6 ? "none" : "few";
            String sound = look < 0.25 ? "few" : "many";
            readings.put(
                    "nodules",
                    !canMiss ? share > 0.7 ? "many" : "few" : soil.get(SoilProperty.PH) < 5.6 ? sour : sound);
        }
        return readings;
    }

    /** What stops roots, as a spade shows it: the layer, water, salt or sourness, if one of them does. */
    private static String barrierSeen(MadeUpSoil soil, boolean pan, double look) {
        if (pan) {
            return look < 0.85 ? "flat-line" : "none";
        }
        if (soil.get(SoilProperty.GREY) > 8 && look < 0.6) {
            return "water";
        }
        if (soil.get(SoilProperty.ECE) > 7 && look < 0.4) {
            return "saline";
        }
        return soil.get(SoilProperty.DEEP_PH) < 5.2 && look < 0.4 ? "acid" : "none";
    }

    private static String cropOf(MadeUpSoil soil, Table expected) {
        if (soil.crop() != null && expected.has(soil.crop())) {
            return soil.crop();
        }
        return switch (soil.landUse()) {
            case ARABLE -> "cereal";
            default -> soil.landUse().code();
        };
    }
}
