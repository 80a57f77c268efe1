package org.morphotera.core.method.surface.penetration;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Level;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Unit;

/**
 * Resistance to a pushed probe, by depth. Roots of most crops hardly grow where it passes 2000 kPa (Taylor, Roberson and
 * Parker, 1966). Readings on the scale of another tip are corrected by the ratio of the tips' areas.
 */
public final class Penetration implements FieldMethod<Penetration.Readings> {

    /**
     * @param depthMm of the tip, 0..5000 mm, deeper than the reading before
     * @param kPa resistance on the scale, 0..20 000 kPa
     */
    public record Reading(Double depthMm, Double kPa) {}

    /** @param refusedAtMm depth at which the probe went no further, or {@code null} */
    public record Probe(List<Reading> readings, Double refusedAtMm) {}

    /**
     * A push of a rod without a gauge.
     *
     * @param pushedToMm how deep it went, mm
     * @param stopsAtMm where hand force no longer moved it, mm; or {@code null}
     * @param stiffAtMm where it began to go hard, mm; or {@code null}
     */
    public record RodPush(Double pushedToMm, Double stopsAtMm, Double stiffAtMm) {}

    /** What is pushed into the ground. */
    public enum Instrument implements Coded {
        GAUGE,
        ROD
    }

    /**
     * Which of them count goes by the instrument; the others are {@code null}.
     *
     * @param tipDiameterMm 5..50 mm
     * @param scaleTipDiameterMm the tip whose scale was read; {@code null} for the fitted one
     * @param probes pushes that were read on a gauge, at least one
     * @param rodPushes pushes by hand without one, at least one
     */
    public record Readings(
            Instrument instrument,
            Double tipDiameterMm,
            Double scaleTipDiameterMm,
            List<Probe> probes,
            List<RodPush> rodPushes) {}

    private static final int FEWEST_PROBES = 3;
    static final double STEP_MM = 75;
    static final double UNLIMITED_COUNTS_AS_MM = 450;
    private static final double DEEP_FROM_MM = 375;
    private static final Range TIP_MM = Range.between(5, 50);

    @Override
    public MethodCard card() {
        return new MethodCard(
                "penetration",
                Family.SURFACE,
                List.of(new MethodCard.Indicator("compaction", "countedDepthMm")),
                null,
                6,
                0,
                450,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        Need gauge = Need.when("instrument", Instrument.GAUGE);
        return new Readings(
                fields.wordOr("instrument", List.of(Instrument.values()), Instrument.GAUGE),
                fields.number("tipDiameterMm", Unit.MM, TIP_MM, gauge),
                fields.number("scaleTipDiameterMm", Unit.MM, TIP_MM, Need.optionalWhen("instrument", Instrument.GAUGE)),
                fields.list("probes", Range.LIST, gauge, Penetration::readProbe),
                fields.list("probes", Range.LIST, Need.when("instrument", Instrument.ROD), Penetration::readPush));
    }

    private static Probe readProbe(Fields probe) {
        return new Probe(
                probe.list(
                        "readings",
                        Range.LIST,
                        Need.REQUIRED,
                        reading -> new Reading(
                                reading.number("depthMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                                reading.number("kPa", Unit.KPA, Range.PRESSURE_KPA, Need.REQUIRED))),
                probe.number("refusedAtMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL));
    }

    private static RodPush readPush(Fields push) {
        return new RodPush(
                push.number("pushedToMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                push.number("stopsAtMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                push.number("stiffAtMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.instrument() == Instrument.ROD) {
            checkRod(readings.rodPushes(), faults);
            return;
        }
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

    private static void checkRod(List<RodPush> pushes, Faults faults) {
        for (int i = 0; i < pushes.size(); i++) {
            RodPush push = pushes.get(i);
            Map<String, Object> args = Map.of("pushed", push.pushedToMm());
            if (push.stopsAtMm() != null && push.stopsAtMm() > push.pushedToMm()) {
                faults.add("probes[" + i + "].stopsAtMm", "BELOW_PUSHED", args);
            }
            if (push.stiffAtMm() != null && push.stiffAtMm() > push.pushedToMm()) {
                faults.add("probes[" + i + "].stiffAtMm", "BELOW_PUSHED", args);
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("penetration");
        return (readings.instrument() == Instrument.ROD
                        ? rod(readings.rodPushes(), context, benchmarks, out)
                        : gauge(readings, context, benchmarks, out))
                .build();
    }

    private static Evaluation.Builder gauge(
            Readings readings, Context context, Benchmarks benchmarks, Evaluation.Builder out) {
        double scale = readings.scaleTipDiameterMm() == null ? readings.tipDiameterMm() : readings.scaleTipDiameterMm();
        double factor = Math.pow(scale / readings.tipDiameterMm(), 2);
        double limit = benchmarks.table("penetration.limit").at("roots", "kPa");
        double within = benchmarks.table("penetration.limit").at("roots", "withinMm");
        List<ProbeLimits.Push> pushes = readings.probes().stream()
                .map(probe -> new ProbeLimits.Push(limitDepth(probe, factor, limit), deepest(probe)))
                .toList();
        ProbeLimits limits = ProbeLimits.of(pushes, UNLIMITED_COUNTS_AS_MM, DEEP_FROM_MM);
        report(limits, "limitDepthMm", Map.of("n", limits.limited(), "limit", limit), out);
        Double over = overLimitPct(readings, factor, limit, within);
        if (over != null) {
            out.value("overLimitPct", over, Unit.PERCENT)
                    .code("compaction", benchmarks.bands("compaction").of(over));
        }
        out.series("meanKPa", meanByDepth(readings, factor));
        notes(limits, context, out);
        if (factor != 1) {
            out.note("WRONG_SCALE_CORRECTED", Severity.INFO, Map.of("factor", factor));
        }
        return judge(limits, benchmarks, out);
    }

    private static Evaluation.Builder rod(
            List<RodPush> rodPushes, Context context, Benchmarks benchmarks, Evaluation.Builder out) {
        List<ProbeLimits.Push> pushes = rodPushes.stream()
                .map(push -> new ProbeLimits.Push(push.stopsAtMm(), push.pushedToMm()))
                .toList();
        ProbeLimits limits = ProbeLimits.of(pushes, UNLIMITED_COUNTS_AS_MM, DEEP_FROM_MM);
        report(limits, "rodDepthMm", Map.of("n", limits.limited()), out);
        notes(limits, context, out);
        return judge(limits, benchmarks, out.note("ROUGH_ROD", Severity.CAUTION));
    }

    private static void report(ProbeLimits limits, String formula, Map<String, Object> args, Evaluation.Builder out) {
        if (limits.limited() > 0) {
            Double low = limits.limited() > 1 ? limits.shallowest() : null;
            Double high = limits.limited() > 1 ? limits.deepest() : null;
            out.value("limitDepthMm", limits.meanOfLimited(), Unit.MM, low, high)
                    .working(formula, args, limits.meanOfLimited(), Unit.MM, "Taylor, Roberson and Parker, 1966");
        }
        out.value("limitedProbes", limits.limited(), Unit.NONE);
    }

    /** The standing, from the pushes that speak of the ground; none where there is none. */
    private static Evaluation.Builder judge(ProbeLimits limits, Benchmarks benchmarks, Evaluation.Builder out) {
        if (limits.counted() == 0) {
            return out;
        }
        Curve curve = benchmarks.curve("compaction");
        double mean = limits.meanOfCounted();
        double standing = curve.at(mean);
        Map<String, Object> args = new LinkedHashMap<>();
        args.put("limited", limits.limited());
        args.put("pushes", limits.pushes());
        args.put("pushed", limits.deepestPushed());
        args.put("depth", limits.limited() == 0 ? limits.deepestPushed() : limits.meanOfLimited());
        return out.value("countedDepthMm", mean, Unit.MM, limits.shallowestOfCounted(), limits.deepestOfCounted())
                .standing(
                        "compaction",
                        standing,
                        curve.lowestBetween(limits.shallowestOfCounted(), limits.deepestOfCounted()),
                        curve.highestBetween(limits.shallowestOfCounted(), limits.deepestOfCounted()),
                        limits.limited() == 0 ? "soft" : Level.of(standing).code(),
                        args)
                .working(
                        "curve",
                        Map.of("figure", mean, "indicator", "compaction"),
                        standing,
                        Unit.NONE,
                        curve.source());
    }

    private static double deepest(Probe probe) {
        return probe.readings().get(probe.readings().size() - 1).depthMm();
    }

    /** Depth where the line between readings first reaches the limit, or of refusal; {@code null} for neither. */
    private static Double limitDepth(Probe probe, double factor, double limitKPa) {
        Reading before = null;
        for (Reading reading : probe.readings()) {
            double pressure = reading.kPa() * factor;
            if (pressure >= limitKPa) {
                if (before == null) {
                    return reading.depthMm();
                }
                double from = before.kPa() * factor;
                double share = (limitKPa - from) / (pressure - from);
                return before.depthMm() + share * (reading.depthMm() - before.depthMm());
            }
            before = reading;
        }
        return probe.refusedAtMm();
    }

    /**
     * Share of the readings down to a depth that reach the limit, %; {@code null} where none is that shallow. Where the
     * probe was refused the steps below would have read over it.
     */
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
            for (double step = STEP_MM; probe.refusedAtMm() != null && step <= withinMm; step += STEP_MM) {
                if (step >= probe.refusedAtMm() && step > deepest(probe)) {
                    count++;
                    over++;
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

    private static void notes(ProbeLimits limits, Context context, Evaluation.Builder out) {
        if (limits.pushes() < FEWEST_PROBES) {
            out.note("FEW_PROBES", Severity.CAUTION, Map.of("n", limits.pushes()));
        }
        if (limits.counted() < limits.pushes()) {
            out.note("PROBED_SHALLOW", Severity.CAUTION, Map.of("n", limits.pushes() - limits.counted()));
        }
        Integer days = context.daysSinceRain();
        if (context.soilMoisture() == SoilMoisture.DRY || days != null && days > 3) {
            out.note("TOO_DRY_TO_JUDGE", Severity.CAUTION);
        }
        if (context.soilMoisture() == SoilMoisture.WET || days != null && days < 1) {
            out.note("TOO_WET_TO_JUDGE", Severity.CAUTION);
        }
    }

    @Override
    public Evidence<Readings> evidence() {
        return new PenetrationEvidence();
    }

    @Override
    public Capture capture() {
        return new PenetrationCapture();
    }
}
