package org.morphotera.core.method.surface.penetration;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.CaptureGuide;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SoundTrees;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Unit;

/**
 * Resistance to a pushed probe, by depth. Roots of most crops hardly grow where it passes 2070 kPa (Taylor and
 * Gardner, 1963; 300 psi). Readings on the scale of another tip are corrected by the ratio of the tips' areas.
 */
public final class Penetration implements FieldMethod<Penetration.Readings> {

    /**
     * @param depthMm of the tip, 0..5000 mm, deeper than the reading before
     * @param kPa resistance on the scale, 0..20 000 kPa
     */
    public record Reading(Double depthMm, Double kPa) {}

    /** @param refusedAtMm depth at which the probe went no further, or {@code null} */
    public record Probe(List<Reading> readings, Double refusedAtMm) {}

    /** @param scaleTipDiameterMm the tip whose scale was read; {@code null} for the fitted one */
    public record Readings(Double tipDiameterMm, Double scaleTipDiameterMm, List<Probe> probes) {}

    private static final int FEWEST_PROBES = 3;
    private static final double USUAL_TIP_MM = 12.7;
    private static final double STEP_MM = 75;
    private static final double DRAWN_TO_KPA = 4000;
    private static final double UNLIMITED_COUNTS_AS_MM = 450;
    private static final Range TIP_MM = Range.between(5, 50);

    /** Deeper than any probe goes: the limit was not met. */
    private static final double NEVER_LIMITED_MM = 999;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "penetration",
                Family.SURFACE,
                List.of(new MethodCard.Indicator("compaction", "limitDepthMm")),
                null,
                6,
                0,
                450,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("tipDiameterMm", Unit.MM, TIP_MM, Need.REQUIRED),
                fields.number("scaleTipDiameterMm", Unit.MM, TIP_MM, Need.OPTIONAL),
                fields.list(
                        "probes",
                        Range.LIST,
                        Need.REQUIRED,
                        probe -> new Probe(
                                probe.list(
                                        "readings",
                                        Range.LIST,
                                        Need.REQUIRED,
                                        reading -> new Reading(
                                                reading.number("depthMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                                                reading.number("kPa", Unit.KPA, Range.PRESSURE_KPA, Need.REQUIRED))),
                                probe.number("refusedAtMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL))));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        for (int i = 0; i < readings.probes().size(); i++) {
            Probe probe = readings.probes().get(i);
            for (int j = 1; j < probe.readings().size(); j++) {
                double before = probe.readings().get(j - 1).depthMm();
                if (probe.readings().get(j).depthMm() - before < Range.SMALLEST_STEP) {
                    faults.add(
                            "probes[" + i + "].readings[" + j + "].depthMm",
                            "DEPTH_NOT_RISING",
                            Map.of("before", before));
                }
            }
            double deepest = probe.readings().get(probe.readings().size() - 1).depthMm();
            if (probe.refusedAtMm() != null && probe.refusedAtMm() < deepest) {
                faults.add("probes[" + i + "].refusedAtMm", "REFUSED_ABOVE_READING", Map.of("deepest", deepest));
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        double scale = readings.scaleTipDiameterMm() == null ? readings.tipDiameterMm() : readings.scaleTipDiameterMm();
        double factor = Math.pow(scale / readings.tipDiameterMm(), 2);
        double limit = benchmarks.table("penetration.limit").at("roots", "kPa");
        double within = benchmarks.table("penetration.limit").at("roots", "withinMm");
        ProbeLimits limits = ProbeLimits.of(readings.probes(), factor, limit, UNLIMITED_COUNTS_AS_MM);
        Evaluation.Builder out = Evaluation.of("penetration");
        if (limits.limited() > 0) {
            Double low = limits.limited() > 1 ? limits.shallowest() : null;
            Double high = limits.limited() > 1 ? limits.deepest() : null;
            out.value("limitDepthMm", limits.meanOfLimited(), Unit.MM, low, high)
                    .working(
                            "limitDepthMm",
                            Map.of("n", limits.limited(), "limit", limit),
                            limits.meanOfLimited(),
                            Unit.MM,
                            "Taylor and Gardner, 1963");
        }
        out.value("limitedProbes", limits.limited(), Unit.NONE);
        Double over = overLimitPct(readings, factor, limit, within);
        if (over != null) {
            out.value("overLimitPct", over, Unit.PERCENT)
                    .code("compaction", benchmarks.bands("compaction").of(over));
        }
        out.series("meanKPa", meanByDepth(readings, factor));
        Curve curve = benchmarks.curve("compaction");
        notes(readings, context, factor, out);
        return out.curve("compaction", curve, limits.meanOfAll(), limits.shallowestOfAll(), limits.deepestOfAll())
                .build();
    }

    /** Share of the readings down to a depth that reach the limit, %; {@code null} where none is that shallow. */
    private static Double overLimitPct(Readings readings, double factor, double limit, double withinMm) {
        int count = 0;
        int over = 0;
        for (Probe probe : readings.probes()) {
            for (Reading reading : probe.readings()) {
                if (reading.depthMm() <= withinMm) {
                    count++;
                    over += reading.kPa() * factor >= limit ? 1 : 0;
                }
            }
        }
        return count == 0 ? null : Double.valueOf(100.0 * over / count);
    }

    private static List<Map<String, Object>> meanByDepth(Readings readings, double factor) {
        TreeMap<Double, List<Double>> byDepth = new TreeMap<>();
        for (Probe probe : readings.probes()) {
            for (Reading reading : probe.readings()) {
                byDepth.computeIfAbsent(reading.depthMm(), depth -> new ArrayList<>())
                        .add(reading.kPa() * factor);
            }
        }
        List<Map<String, Object>> rows = new ArrayList<>();
        byDepth.forEach((depth, pressures) -> {
            double sum = 0;
            double lowest = Double.POSITIVE_INFINITY;
            double highest = 0;
            for (double pressure : pressures) {
                sum += pressure;
                lowest = Math.min(lowest, pressure);
                highest = Math.max(highest, pressure);
            }
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("depthMm", depth);
            row.put("kPa", new Evaluation.Value(sum / pressures.size(), Unit.KPA, lowest, highest));
            rows.add(row);
        });
        return rows;
    }

    private static void notes(Readings readings, Context context, double factor, Evaluation.Builder out) {
        if (readings.probes().size() < FEWEST_PROBES) {
            out.note(
                    "FEW_PROBES",
                    Severity.CAUTION,
                    Map.of("n", readings.probes().size()));
        }
        Integer days = context.daysSinceRain();
        if (context.soilMoisture() == SoilMoisture.DRY || days != null && days > 3) {
            out.note("TOO_DRY_TO_JUDGE", Severity.CAUTION);
        }
        if (context.soilMoisture() == SoilMoisture.WET || days != null && days < 1) {
            out.note("TOO_WET_TO_JUDGE", Severity.CAUTION);
        }
        if (factor != 1) {
            out.note("WRONG_SCALE_CORRECTED", Severity.INFO, Map.of("factor", factor));
        }
    }

    @Override
    public CaptureGuide capture(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("tipDiameterMm", USUAL_TIP_MM)
                .drawn("rootsStopKPa", benchmarks.table("penetration.limit").at("roots", "kPa"))
                .drawn("stepMm", STEP_MM)
                .drawn("deepestMm", UNLIMITED_COUNTS_AS_MM)
                .drawn("mostKPa", DRAWN_TO_KPA);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, Double topMm) {
        Envelope.Figure depth = envelope.values().get("limitDepthMm");
        return List.of(Sighting.of("probe-depth", depth == null ? NEVER_LIMITED_MM : depth.value()));
    }

    @Override
    public Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        // three pushes; harder with depth, and at the layer, where there is one
        double strength = soil.get(SoilProperty.STRENGTH);
        double panDepth = soil.get(SoilProperty.PAN_DEPTH);
        List<Map<String, Object>> probes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            double pan = panDepth > 0 ? scatter.around(panDepth, 18) : 0;
            double harder = (soil.dry() ? 1.35 : 1) * scatter.around(1, 0.05);
            List<Map<String, Object>> readings = new ArrayList<>();
            for (int depth = 75; depth <= 450; depth += 75) {
                double kPa = (strength * 0.55 + strength * 0.5 * depth / 450) * harder;
                if (pan > 0) {
                    kPa += 1900 * Math.exp(-Math.pow((depth - pan - 35) / 60, 2));
                }
                readings.add(Map.of("depthMm", depth, "kPa", Scatter.toStep(scatter.around(kPa, 50, 50, 5000), 10)));
            }
            probes.add(Map.of("readings", readings));
        }
        return Map.of("tipDiameterMm", 12.7, "probes", probes);
    }

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        SoundTrees.groups(tree, "probes").forEach(probe -> {
            SoundTrees.rising(probe, "readings", "depthMm");
            probe.computeIfPresent("refusedAtMm", (name, x) -> 5000.0);
        });
    }
}
