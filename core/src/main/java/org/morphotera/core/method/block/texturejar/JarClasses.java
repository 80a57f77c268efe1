package org.morphotera.core.method.block.texturejar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.Composition;
import org.morphotera.core.soil.TextureClass;

/**
 * How likely each texture class is when the base and the three marks are each off by up to the ruler's error: every
 * combination on a grid of midpoints counts the same; combinations whose layers don't rise are dropped.
 *
 * @param ranked classes by the plain shares with their probabilities, the likeliest first; empty when every combination
 *     was dropped
 * @param adjusted classes once small grains are put back, likewise; empty where the marks were not timed
 */
record JarClasses(
        List<Map.Entry<TextureClass, Double>> ranked,
        List<Map.Entry<TextureClass, Double>> adjusted,
        Double sandLow,
        Double sandHigh,
        Double siltLow,
        Double siltHigh,
        Double clayLow,
        Double clayHigh) {

    private static final int GRID = 15;

    static JarClasses of(TextureJar.Readings readings, JarInversion inversion) {
        double[] errors = new double[GRID];
        for (int i = 0; i < GRID; i++) {
            errors[i] = readings.rulerErrorMm() * ((2.0 * i + 1) / GRID - 1);
        }
        double sandTop = readings.sandMm();
        double siltTop = readings.siltMm();
        double clayTop = readings.clayMm();
        double bottom = readings.baseOffsetMm();
        int[] counts = new int[TextureClass.values().length];
        int[] adjustedCounts = new int[TextureClass.values().length];
        double sandLow = 100;
        double siltLow = 100;
        double clayLow = 100;
        double sandHigh = 0;
        double siltHigh = 0;
        double clayHigh = 0;
        int kept = 0;
        for (double base : errors) {
            for (double top : errors) {
                double total = clayTop + top - bottom - base;
                for (double first : errors) {
                    double sand = sandTop + first - bottom - base;
                    if (sand <= 0 || total <= 0) {
                        continue;
                    }
                    double sandPct = 100 * sand / total;
                    for (double second : errors) {
                        double silt = siltTop + second - sandTop - first;
                        double clay = total - sand - silt;
                        if (silt <= 0 || clay <= 0) {
                            continue;
                        }
                        double clayPct = 100 * clay / total;
                        double siltPct = 100 - sandPct - clayPct;
                        counts[TextureClass.of(sandPct, siltPct, clayPct).ordinal()]++;
                        kept++;
                        if (inversion != null) {
                            Composition amounts = inversion.amounts(sandPct / 100, (sandPct + siltPct) / 100);
                            if (amounts != null) {
                                adjustedCounts[TextureClass.of(amounts).ordinal()]++;
                            }
                        }
                        siltLow = siltPct < siltLow ? siltPct : siltLow;
                        siltHigh = siltPct > siltHigh ? siltPct : siltHigh;
                        clayLow = clayPct < clayLow ? clayPct : clayLow;
                        clayHigh = clayPct > clayHigh ? clayPct : clayHigh;
                        sandLow = sandPct < sandLow ? sandPct : sandLow;
                        sandHigh = sandPct > sandHigh ? sandPct : sandHigh;
                    }
                }
            }
        }
        List<Map.Entry<TextureClass, Double>> ranked = ranked(counts);
        List<Map.Entry<TextureClass, Double>> adjusted = ranked(adjustedCounts);
        return kept == 0
                ? new JarClasses(ranked, adjusted, null, null, null, null, null, null)
                : new JarClasses(ranked, adjusted, sandLow, sandHigh, siltLow, siltHigh, clayLow, clayHigh);
    }

    private static List<Map.Entry<TextureClass, Double>> ranked(int[] counts) {
        int all = Arrays.stream(counts).sum();
        List<Map.Entry<TextureClass, Double>> ranked = new ArrayList<>();
        for (TextureClass each : TextureClass.values()) {
            if (counts[each.ordinal()] > 0) {
                ranked.add(Map.entry(each, (double) counts[each.ordinal()] / all));
            }
        }
        ranked.sort(Map.Entry.<TextureClass, Double>comparingByValue().reversed());
        return ranked;
    }
}
