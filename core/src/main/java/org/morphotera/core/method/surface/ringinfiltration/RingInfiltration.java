package org.morphotera.core.method.surface.ringinfiltration;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
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
import org.morphotera.core.result.Level;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Ponding;
import org.morphotera.core.soil.Unit;

/**
 * Water soaking in within a ring: two fillings one after the other, or a series of depths to which the two-term
 * equation of Philip (1957) is fitted. Time to ponding under a steady rain after Smith and Parlange (1978), as a time
 * condensation of the same two terms.
 */
public final class RingInfiltration implements FieldMethod<RingInfiltration.Readings> {

    /** Where the ring stands: on the surface, or on the floor of the dug block. */
    public enum DepthLevel implements Coded {
        SURFACE,
        AT_200 {
            @Override
            public String code() {
                return "at-200";
            }
        }
    }

    /** One filling and how long it took to soak in. */
    public record Run(Double volumeMl, Double seconds) {}

    /** Depth of water soaked in since the start. */
    public record Point(Double minute, Double cumulativeMm) {}

    /**
     * Runs of one measured fill each, or depths soaked in over time, or both.
     *
     * @param ringDiameterMm inside, 10..5000 mm
     * @param insertedMm how deep the ring stands in the ground, over 0, to 1000 mm; unless said, 50
     * @param pondedMm water over the ground, 0..1000 mm; unless said, 25
     * @param runs in their order, or {@code null}
     * @param series soaked in since the start, rising; or {@code null}
     * @param stormMmPerHour rain to hold it against, over 0, to 1000 mm/h, or {@code null}
     * @param depthLevel where the ring stood; unless said, at the surface
     */
    public record Readings(
            Double ringDiameterMm,
            Double insertedMm,
            Double pondedMm,
            List<Run> runs,
            List<Point> series,
            Double stormMmPerHour,
            DepthLevel depthLevel) {}

    static final int POINTS_FOR_A_FIT = 4;

    /** α* of structured soils, per mm (Reynolds and Elrick, 1990). */
    private static final double SORPTIVE_PER_MM = 0.012;

    /** From here on, mm/h, the curve falls because water runs through too fast. */
    private static final double FAST_FROM = 100;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "ring-infiltration",
                Family.SURFACE,
                List.of(
                        new MethodCard.Indicator("infiltration", "rate"),
                        new MethodCard.Indicator("infiltration-at-200", "rate")),
                null,
                10,
                0,
                50,
                List.of(new TimedStep("run-1", null, 60), new TimedStep("run-2", null, 60)));
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("ringDiameterMm", Unit.MM, Range.between(10, 5000), Need.REQUIRED),
                fields.numberOr("insertedMm", Unit.MM, Range.above(0, 1000), 50),
                fields.numberOr("pondedMm", Unit.MM, Range.between(0, 1000), 25),
                fields.list(
                        "runs",
                        Range.LIST,
                        Need.OPTIONAL,
                        run -> new Run(
                                run.number("volumeMl", Unit.ML, Range.above(0, 1_000_000), Need.REQUIRED),
                                run.number("seconds", Unit.SECOND, Range.above(0, 1_000_000), Need.REQUIRED))),
                fields.list(
                        "series",
                        Range.LIST,
                        Need.OPTIONAL,
                        point -> new Point(
                                point.number("minute", Unit.MINUTE, Range.MINUTES, Need.REQUIRED),
                                point.number("cumulativeMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED))),
                fields.number("stormMmPerHour", Unit.MM_PER_HOUR, Range.above(0, 1000), Need.OPTIONAL),
                fields.wordOr("depthLevel", List.of(DepthLevel.values()), DepthLevel.SURFACE));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.runs() == null == (readings.series() == null)) {
            faults.add("", "RUNS_OR_SERIES");
            return;
        }
        if (readings.series() == null) {
            return;
        }
        List<Point> points = readings.series();
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).minute() - points.get(i - 1).minute() < Range.SMALLEST_STEP) {
                faults.add(
                        "series[" + i + "].minute",
                        "NOT_RISING",
                        Map.of("before", points.get(i - 1).minute()));
            }
            if (points.get(i).cumulativeMm() < points.get(i - 1).cumulativeMm()) {
                faults.add("series[" + i + "].cumulativeMm", "DEPTH_FALLS");
            }
        }
        long used = points.stream().filter(point -> point.minute() > 0).count();
        if (used < POINTS_FOR_A_FIT) {
            faults.add("series", "POINTS_FOR_A_FIT", Map.of("given", used));
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("ring-infiltration");
        double rate = readings.runs() == null ? bySeries(readings, out) : byRuns(readings, out);
        out.code("permeability", benchmarks.bands("permeability").of(rate));
        straightDown(readings, rate, out);
        String indicator = readings.depthLevel() == DepthLevel.SURFACE ? "infiltration" : "infiltration-at-200";
        Curve curve = benchmarks.curve("infiltration");
        double standing = curve.at(rate);
        // past the best rate a lower standing means too fast, not too slow
        boolean fast = rate > FAST_FROM && Level.of(standing) != Level.ROBUST;
        Map<String, Object> args = Map.of("figure", rate, "indicator", indicator);
        return out.standing(
                        indicator,
                        standing,
                        null,
                        null,
                        fast ? "fast" : Level.of(standing).code(),
                        args)
                .working("curve", args, standing, Unit.NONE, curve.source())
                .build();
    }

    /** What goes straight down under the ring; the rest leaves sideways below its edge. */
    private static void straightDown(Readings readings, double rate, Evaluation.Builder out) {
        double radius = readings.ringDiameterMm() / 2;
        double sideways = (readings.pondedMm() + 1 / SORPTIVE_PER_MM)
                / (0.316 * Math.PI * readings.insertedMm() + 0.184 * Math.PI * radius);
        double factor = 1 + sideways;
        out.value("ringFactor", factor, Unit.NONE)
                .value("straightDown", rate / factor, Unit.MM_PER_HOUR)
                .working(
                        "straightDown",
                        Map.of(
                                "rate", rate,
                                "factor", factor,
                                "ponded", readings.pondedMm(),
                                "inserted", readings.insertedMm(),
                                "radius", radius),
                        rate / factor,
                        Unit.MM_PER_HOUR,
                        "Reynolds and Elrick, 1990");
    }

    private static double byRuns(Readings readings, Evaluation.Builder out) {
        List<Run> runs = readings.runs();
        double area = Math.PI * Math.pow(readings.ringDiameterMm() / 2, 2);
        Run first = runs.get(0);
        Run last = runs.get(runs.size() - 1);
        double rate = rate(last, area);
        out.value("rate", rate, Unit.MM_PER_HOUR)
                .value("firstRunRate", rate(first, area), Unit.MM_PER_HOUR)
                .working(
                        "rate",
                        Map.of("volume", last.volumeMl(), "area", area, "seconds", last.seconds()),
                        rate,
                        Unit.MM_PER_HOUR,
                        "Depth of water over its time, last run");
        if (runs.size() == 1) {
            out.note("DRY_FIRST_RUN", Severity.CAUTION);
        }
        return rate;
    }

    private static double rate(Run run, double areaMm2) {
        return run.volumeMl() * 1000 / areaMm2 / run.seconds() * 3600;
    }

    private static double bySeries(Readings readings, Evaluation.Builder out) {
        PhilipFit fit = PhilipFit.of(readings.series());
        withError(out, "rate", fit.steadyRate(), fit.steadyRateError(), Unit.MM_PER_HOUR);
        withError(out, "steadyRate", fit.steadyRate(), fit.steadyRateError(), Unit.MM_PER_HOUR);
        withError(out, "sorptivity", fit.sorptivity(), fit.sorptivityError(), Unit.MM_PER_ROOT_HOUR);
        if (fit.r2() != null) {
            out.value("r2", fit.r2(), Unit.NONE);
        }
        out.working(
                "steadyRate",
                Map.of("n", fit.points(), "sorptivity", fit.sorptivity()),
                fit.steadyRate(),
                Unit.MM_PER_HOUR,
                "Philip, 1957");
        if (readings.stormMmPerHour() != null) {
            ponding(readings.stormMmPerHour(), fit, out);
        }
        return fit.steadyRate();
    }

    /** A fitted figure with one standard error to either side, not under 0. */
    private static void withError(Evaluation.Builder out, String name, double value, Double error, Unit unit) {
        out.value(
                name,
                value,
                unit,
                error == null ? null : Double.valueOf(Math.max(0, value - error)),
                error == null ? null : Double.valueOf(value + error));
    }

    private static void ponding(double storm, PhilipFit fit, Evaluation.Builder out) {
        double steady = fit.steadyRate();
        if (Ponding.never(storm, steady)) {
            out.code("ponding", "never");
            return;
        }
        double minutes = Ponding.minutes(storm, steady, fit.sorptivity());
        out.value("timeToPondingMin", minutes, Unit.MINUTE)
                .working("timeToPondingMin", Map.of("storm", storm), minutes, Unit.MINUTE, "Smith and Parlange, 1978");
    }

    @Override
    public List<DepthLayer> layers() {
        return List.of(new DepthLayer(0, 50), new DepthLayer(DepthLayer.TOPSOIL_ENDS_MM, 250));
    }

    @Override
    public Evidence<Readings> evidence() {
        return new RingInfiltrationEvidence();
    }

    @Override
    public Capture capture() {
        return new RingInfiltrationCapture();
    }
}
