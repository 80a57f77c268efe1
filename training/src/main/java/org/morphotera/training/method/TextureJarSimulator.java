package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.method.block.texturejar.JarInversion;
import org.morphotera.core.method.block.texturejar.Settling;
import org.morphotera.core.method.block.texturejar.TextureJar;
import org.morphotera.core.soil.Composition;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;

/** What {@link TextureJar} reads on a made-up soil. */
final class TextureJarSimulator implements Simulator {

    private static final int MADE_UP_WATER_MM = 150;

    private static final int MADE_UP_C = 16;

    private static final int[] MADE_UP_MARKS = {75, 46_000, 176_000};

    private static final double FIRST_SEEN_SECONDS = 2;

    private static final double LAST_SEEN_SECONDS = 400_000;

    private static final double STEP_OF_TIME = 1.35;

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // the shares in the middle of the class, as they lie on the bottom at the marks: small grains that start low in
        // the water arrive early
        Table typical = benchmarks.table("texture.typical");
        String texture = soil.texture().code();
        Composition amounts = Composition.ofSiltAndClay(typical.at(texture, "siltPct"), typical.at(texture, "clayPct"));
        Settling water = new Settling(MADE_UP_C, MADE_UP_WATER_MM);
        double total = 58 + scatter.random().nextInt(8);
        double whole = settled(amounts, water.sizeUm(MADE_UP_MARKS[2]));
        double sand = Math.max(2, Math.rint(total * settled(amounts, water.sizeUm(MADE_UP_MARKS[0])) / whole));
        double silt = Math.rint(total * settled(amounts, water.sizeUm(MADE_UP_MARKS[1])) / whole);
        silt = Math.max(2, silt - sand);
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("sandMm", sand);
        readings.put("siltMm", sand + silt);
        readings.put("clayMm", Math.max(total, sand + silt + 2));
        readings.put("waterColumnMm", MADE_UP_WATER_MM);
        readings.put("waterTempC", MADE_UP_C);
        readings.put("sandMarkSeconds", MADE_UP_MARKS[0]);
        readings.put("siltMarkSeconds", MADE_UP_MARKS[1]);
        readings.put("clayMarkSeconds", MADE_UP_MARKS[2]);
        readings.put("dispersant", true);
        readings.put("waterClearAtEnd", true);
        return readings;
    }

    /**
     * How high the soil lies on the bottom: the share of each class that has settled when the grains of one size that
     * start at the top have just arrived. The lines are read at their marks, so the amounts are those that give them.
     */
    @Override
    public Map<String, List<Map<String, Object>>> passing(Map<String, Object> readings) {
        double water = number(readings, "waterColumnMm");
        Settling settling = new Settling(number(readings, "waterTempC"), water);
        double total = number(readings, "clayMm");
        double[] cuts = {
            settling.sizeUm(number(readings, "sandMarkSeconds")),
            settling.sizeUm(number(readings, "siltMarkSeconds")),
            settling.sizeUm(number(readings, "clayMarkSeconds"))
        };
        Composition amounts = new JarInversion(cuts[0], cuts[1], cuts[2])
                .amounts(number(readings, "sandMm") / total, number(readings, "siltMm") / total);
        if (amounts == null) {
            return Map.of();
        }
        double last = settled(amounts, cuts[2]);
        List<Map<String, Object>> rows = new ArrayList<>();
        for (double seconds = FIRST_SEEN_SECONDS; seconds < LAST_SEEN_SECONDS; seconds *= STEP_OF_TIME) {
            double mm = total * settled(amounts, settling.sizeUm(seconds)) / last;
            rows.add(Map.of("seconds", seconds, "mm", Math.min(total, mm)));
        }
        return Map.of("settling", rows);
    }

    private static double settled(Composition amounts, double cutUm) {
        return (amounts.sandPct() * JarInversion.settledShare(TextureJar.SAND_UM, 2000, cutUm)
                        + amounts.siltPct() * JarInversion.settledShare(TextureJar.CLAY_UM, TextureJar.SAND_UM, cutUm)
                        + amounts.clayPct() * JarInversion.settledShare(0.1, TextureJar.CLAY_UM, cutUm))
                / 100;
    }

    private static double number(Map<String, Object> readings, String name) {
        return ((Number) readings.get(name)).doubleValue();
    }
}
