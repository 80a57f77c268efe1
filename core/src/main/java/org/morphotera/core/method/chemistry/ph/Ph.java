package org.morphotera.core.method.chemistry.ph;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.TimedStep;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.Unit;

/**
 * Soil pH by kit, meter or laboratory, at one or several depths, on both scales. Kits and readings in water stand
 * above the calcium-chloride scale by about 1.0 and 0.7 (Minasny et al., 2011); the uncertainty of the step is added.
 */
public final class Ph implements FieldMethod<Ph.Readings> {

    /** How it was read. */
    public enum Kind implements Coded {
        VIAL_KIT(Scale.KIT),
        POWDER_ON_CORE(Scale.KIT),
        CAPSULE_KIT(Scale.KIT),
        METER_1TO1(Scale.METER),
        METER_1TO5(Scale.METER),
        LAB_WATER(Scale.LAB_WATER),
        LAB_CACL2(Scale.LAB_CACL2);

        private final Scale scale;

        Kind(Scale scale) {
            this.scale = scale;
        }

        Source source() {
            return scale.source;
        }
    }

    /** Half-width of a single reading, and the step to the other scale with its own half-width. */
    private enum Scale {
        KIT(0.5, -1.0, 0.2, Source.KIT),
        METER(0.2, -0.7, 0.3, Source.METER),
        LAB_WATER(0.1, -0.7, 0.3, Source.LABORATORY),
        LAB_CACL2(0.1, 0.7, 0.3, Source.LABORATORY);

        private final double halfWidth;
        private final double step;
        private final double stepHalfWidth;
        private final Source source;

        Scale(double halfWidth, double step, double stepHalfWidth, Source source) {
            this.halfWidth = halfWidth;
            this.step = step;
            this.stepHalfWidth = stepHalfWidth;
            this.source = source;
        }
    }

    /** One depth: a value, or the two chips between which the colour lies. */
    public record Layer(Double topMm, Double bottomMm, Double value, Double chipLow, Double chipHigh) {}

    /**
     * @param kind how all layers were read, and so on which scale
     * @param layers from the top down, at least one
     * @param settled whether the soil had settled before reading, or {@code null}
     * @param clayey whether the soil is clayey and so needs longer to settle, or {@code null}
     */
    public record Readings(Kind kind, List<Layer> layers, Boolean settled, Boolean clayey) {}

    /** A layer on both scales, each with its half-width. */
    private record Reading(Layer layer, double water, double waterHalf, double cacl2, double cacl2Half) {}

    private static final double ALUMINIUM_UNDER = 4.8;
    private static final double SOUND_TOP_FROM = 5.2;
    private static final double LIME_SUSPECTED_FROM = 7.3;
    private static final double SODIUM_SUSPECTED_FROM = 8.6;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("ph", "phWater"));
        List<TimedStep> steps = List.of(
                new TimedStep("shake", 60, 10),
                new TimedStep("settle", 120, 60),
                new TimedStep("settle-clay", 360, 120));
        return new MethodCard("ph", Family.CHEMISTRY, rates, null, 6, 0, 150, steps);
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.word("kind", List.of(Kind.values()), Need.REQUIRED),
                fields.list("layers", Range.LIST, Need.REQUIRED, Ph::readLayer),
                fields.flag("settled", Need.OPTIONAL),
                fields.flag("clayey", Need.OPTIONAL));
    }

    private static Layer readLayer(Fields fields) {
        return new Layer(
                fields.number("topMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("bottomMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("value", Unit.PH, Range.PH, Need.OPTIONAL),
                fields.number("chipLow", Unit.PH, Range.PH, Need.OPTIONAL),
                fields.number("chipHigh", Unit.PH, Range.PH, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        for (int i = 0; i < readings.layers().size(); i++) {
            Layer layer = readings.layers().get(i);
            String at = "layers[" + i + "]";
            boolean chips = layer.chipLow() != null && layer.chipHigh() != null;
            boolean anyChip = layer.chipLow() != null || layer.chipHigh() != null;
            if (layer.value() == null && !chips || layer.value() != null && anyChip) {
                faults.add(at + ".value", "VALUE_OR_CHIPS");
            }
            if (chips && layer.chipHigh() < layer.chipLow()) {
                faults.add(at + ".chipHigh", "CHIPS_REVERSED");
            }
            if (layer.bottomMm() - layer.topMm() < Range.SMALLEST_STEP) {
                faults.add(at + ".bottomMm", "DEPTH_UPSIDE_DOWN");
            }
            double above = i == 0 ? 0 : readings.layers().get(i - 1).bottomMm();
            if (above - layer.topMm() > Range.SMALLEST_STEP) {
                faults.add(at + ".topMm", "LAYERS_OVERLAP", Map.of("before", above));
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Scale scale = readings.kind().scale;
        List<Reading> layers = readings.layers().stream()
                .map(layer -> onBothScales(layer, scale))
                .toList();
        Reading top = layers.get(0);
        Evaluation.Builder out = Evaluation.of("ph")
                .value("phWater", top.water(), Unit.PH, top.water() - top.waterHalf(), top.water() + top.waterHalf())
                .value("phCaCl2", top.cacl2(), Unit.PH, top.cacl2() - top.cacl2Half(), top.cacl2() + top.cacl2Half())
                .working(
                        "phCaCl2",
                        Map.of("water", top.water(), "step", Math.abs(scale.step)),
                        top.cacl2(),
                        Unit.PH,
                        "Minasny et al., 2011")
                .series("layers", layers.stream().map(Ph::row).toList());
        Table windows = benchmarks.table("ph.windows");
        PhWindow.of(context.crop(), context.landUse(), windows)
                .rate(top.water(), top.water() - top.waterHalf(), top.water() + top.waterHalf(), windows, out);
        notes(readings, layers, out);
        return out.build();
    }

    private static Reading onBothScales(Layer layer, Scale scale) {
        double read = layer.value() != null ? layer.value() : (layer.chipLow() + layer.chipHigh()) / 2;
        double half = layer.value() != null || scale != Scale.KIT
                ? scale.halfWidth
                : (layer.chipHigh() - layer.chipLow()) / 2;
        double other = read + scale.step;
        double otherHalf = half + scale.stepHalfWidth;
        return scale == Scale.LAB_CACL2
                ? new Reading(layer, other, otherHalf, read, half)
                : new Reading(layer, read, half, other, otherHalf);
    }

    private static Map<String, Object> row(Reading reading) {
        Map<String, Object> row = new LinkedHashMap<>();
        double water = reading.water();
        double cacl2 = reading.cacl2();
        row.put("topMm", reading.layer().topMm());
        row.put("bottomMm", reading.layer().bottomMm());
        row.put(
                "phWater",
                new Evaluation.Value(water, Unit.PH, water - reading.waterHalf(), water + reading.waterHalf()));
        row.put(
                "phCaCl2",
                new Evaluation.Value(cacl2, Unit.PH, cacl2 - reading.cacl2Half(), cacl2 + reading.cacl2Half()));
        return row;
    }

    private static void notes(Readings readings, List<Reading> layers, Evaluation.Builder out) {
        if (readings.kind().scale == Scale.KIT) {
            out.note("KIT_NOT_LAB", Severity.CAUTION);
        }
        boolean clayStirred = Boolean.TRUE.equals(readings.clayey()) && !Boolean.TRUE.equals(readings.settled());
        if (readings.kind() == Kind.VIAL_KIT && clayStirred) {
            out.note("LET_CLAY_SETTLE", Severity.CAUTION);
        }
        if (layers.stream().anyMatch(each -> each.cacl2() < ALUMINIUM_UNDER)) {
            out.note("ALUMINIUM_RISK", Severity.CAUTION);
        }
        boolean soundTop = layers.get(0).cacl2() >= SOUND_TOP_FROM;
        if (soundTop && layers.stream().skip(1).anyMatch(each -> each.cacl2() < ALUMINIUM_UNDER)) {
            out.note("SUBSURFACE_ACID", Severity.CAUTION);
        }
        if (layers.stream().anyMatch(each -> each.water() >= SODIUM_SUSPECTED_FROM)) {
            out.note("SODIC_SUSPICION", Severity.CAUTION);
        }
        if (layers.stream()
                .anyMatch(each -> each.water() >= LIME_SUSPECTED_FROM && each.water() < SODIUM_SUSPECTED_FROM)) {
            out.note("CONFIRM_WITH_FIZZ", Severity.INFO);
        }
    }

    @Override
    public List<DepthLayer> layers() {
        return List.of(new DepthLayer(0, 300));
    }

    @Override
    public Evidence<Readings> evidence() {
        return new PhEvidence();
    }

    @Override
    public Capture capture() {
        return new PhCapture();
    }
}
