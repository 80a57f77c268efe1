package org.morphotera.core.method.surface.holedrainage;

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
import org.morphotera.core.method.surface.holedrainage.FallingLevel.Fall;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Level;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Purpose;
import org.morphotera.core.soil.Unit;

/**
 * How fast water leaves a hole: stepped readings at any clock times, the time until the hole is empty, or one quick
 * fall. Stepped readings give the lasting rate of the settled tail beside the plain mean. What leaves through the wall
 * is taken out by the inverse auger hole method (Kessler and Oosterbaan, 1974), so that the width of the auger does not
 * decide: fields are judged by the permeability, beds and basins by the fall in a hole 300 mm wide.
 */
public final class HoleDrainage implements FieldMethod<HoleDrainage.Readings> {

    /** How the test was run. */
    public enum Mode implements Coded {
        STEPPED,
        DRAIN_OUT,
        QUICK
    }

    /** What the ruler reads: the depth of the water, or how far it stands below the edge. */
    public enum Measure implements Coded {
        WATER_DEPTH,
        DOWN_FROM_EDGE
    }

    /**
     * One reading of the level.
     *
     * @param minute since any start, not falling
     * @param mm as {@link Measure} says
     * @param refill the hole had just been topped up: a new segment begins
     */
    public record Point(Double minute, Double mm, Boolean refill) {}

    /**
     * Which of them count goes by the mode; the others are {@code null}.
     *
     * @param holeDiameterMm of a hole that is read in steps, over 0, to 5000 mm
     * @param roughDiameterMm of any other hole, over 0, to 5000 mm; unless said, 300
     * @param holeDepthMm over 0, to 5000 mm
     * @param presoaked whether the hole was filled once before
     * @param measure from where the levels were read
     * @param points levels in the order of reading, at least two
     * @param minutesToEmpty until no water stood, over 0
     * @param stillWaterAtMinutes when water still stood at the last look, over 0
     * @param startMm water in the hole at first, over 0, to 5000 mm
     * @param endMm water left, 0..5000 mm
     * @param minutes between the two
     */
    public record Readings(
            Mode mode,
            Double holeDiameterMm,
            Double roughDiameterMm,
            Double holeDepthMm,
            Boolean presoaked,
            Measure measure,
            List<Point> points,
            Double minutesToEmpty,
            Double stillWaterAtMinutes,
            Double startMm,
            Double endMm,
            Double minutes) {}

    private static final double MINUTES_PER_HOUR = 60;
    private static final double STILL_WATER_LIMIT_MIN = 1440;
    private static final String BY_DEPTH = "Depth of the hole over the time until it was empty";
    private static final double USUAL_WIDTH_MM = 300;
    private static final double WELL_FROM = 0.75;

    /** From here on a low standing means too fast, mm/h: of permeability in a field, of the fall elsewhere. */
    private static final double BEST_RATE_MM_PER_HOUR = 50;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "hole-drainage",
                Family.SURFACE,
                List.of(new MethodCard.Indicator("drainage", "fieldPermeability")),
                null,
                12,
                0,
                300,
                List.of(new TimedStep("presoak", null, 3600), new TimedStep("read-level", null, 300)));
    }

    @Override
    public Readings read(Fields fields) {
        Need stepped = Need.when("mode", Mode.STEPPED);
        Need quick = Need.when("mode", Mode.QUICK);
        Range size = Range.above(0, Range.DEPTH_MM.max());
        Range time = Range.above(0, Range.MINUTES.max());
        return new Readings(
                fields.word("mode", List.of(Mode.values()), Need.REQUIRED),
                fields.number("holeDiameterMm", Unit.MM, size, stepped),
                fields.number("holeDiameterMm", Unit.MM, size, Need.optionalWhen("mode", Mode.DRAIN_OUT, Mode.QUICK)),
                fields.number("holeDepthMm", Unit.MM, size, Need.when("mode", Mode.STEPPED, Mode.DRAIN_OUT)),
                fields.flag("presoaked", Need.OPTIONAL),
                fields.word("measure", List.of(Measure.values()), stepped),
                fields.list("points", Range.between(2, 500), stepped, HoleDrainage::readPoint),
                fields.number("minutesToEmpty", Unit.MINUTE, time, Need.optionalWhen("mode", Mode.DRAIN_OUT)),
                fields.number("stillWaterAtMinutes", Unit.MINUTE, time, Need.optionalWhen("mode", Mode.DRAIN_OUT)),
                fields.number("startMm", Unit.MM, size, quick),
                fields.number("endMm", Unit.MM, Range.DEPTH_MM, quick),
                fields.number("minutes", Unit.MINUTE, time, quick));
    }

    private static Point readPoint(Fields fields) {
        return new Point(
                fields.number("minute", Unit.MINUTE, Range.MINUTES, Need.REQUIRED),
                fields.number("mm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.flag("refill", Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        switch (readings.mode()) {
            case STEPPED -> checkPoints(readings, faults);
            case DRAIN_OUT -> {
                if (readings.minutesToEmpty() == null && readings.stillWaterAtMinutes() == null) {
                    faults.add("minutesToEmpty", "EMPTY_OR_STILL_WATER");
                } else if (readings.minutesToEmpty() != null && readings.stillWaterAtMinutes() != null) {
                    faults.add("", "EMPTY_AND_STILL_WATER");
                }
            }
            case QUICK -> {
                if (readings.endMm() > readings.startMm()) {
                    faults.add("endMm", "LEVEL_ROSE");
                }
            }
        }
    }

    private static void checkPoints(Readings readings, Faults faults) {
        List<Point> points = readings.points();
        boolean anyInterval = false;
        for (int i = 0; i < points.size(); i++) {
            Point point = points.get(i);
            if (point.mm() > readings.holeDepthMm()) {
                faults.add("points[" + i + "].mm", "DEEPER_THAN_HOLE", Map.of("depth", readings.holeDepthMm()));
            }
            if (i == 0) {
                continue;
            }
            boolean refill = Boolean.TRUE.equals(point.refill());
            double before = points.get(i - 1).minute();
            // the level before and after topping up may carry the same minute
            if (point.minute() < before || !refill && point.minute() - before < Range.SMALLEST_STEP) {
                faults.add("points[" + i + "].minute", "NOT_RISING", Map.of("before", before));
            }
            anyInterval |= !refill;
        }
        if (!anyInterval) {
            faults.add("points", "NO_INTERVAL");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Purpose purpose = context.purpose() == null ? Purpose.FIELD : context.purpose();
        Evaluation.Builder out = Evaluation.of("hole-drainage");
        switch (readings.mode()) {
            case STEPPED -> stepped(readings, purpose, benchmarks, out);
            case DRAIN_OUT -> drainOut(readings, purpose, benchmarks, out);
            case QUICK -> quick(readings, purpose, benchmarks, out);
        }
        return out.note("NOT_A_SEPTIC_TEST", Severity.INFO).build();
    }

    private static void stepped(Readings readings, Purpose purpose, Benchmarks benchmarks, Evaluation.Builder out) {
        FallingLevel level = FallingLevel.of(readings);
        out.series("intervals", level.rows());
        if (level.roseSomewhere()) {
            out.note("WATER_ROSE", Severity.CAUTION);
        }
        if (!Boolean.TRUE.equals(readings.presoaked())) {
            out.note("NOT_PRESOAKED", Severity.CAUTION);
        }
        if (level.falls().isEmpty()) {
            return;
        }
        SettledTail tail = SettledTail.of(level.falls());
        reportRates(level, tail, out);
        if (level.waterLeftMm() < FallingLevel.REFILL_UNDER_MM) {
            out.note("REFILL", Severity.INFO, Map.of("left", level.waterLeftMm()));
        } else {
            out.value("nextReadingMinute", level.nextReadingMinute(tail.rate()), Unit.MINUTE);
        }
        judge(tail.falls(), readings.holeDiameterMm(), purpose, benchmarks, out);
    }

    private static void reportRates(FallingLevel level, SettledTail tail, Evaluation.Builder out) {
        double plainMean = FallingLevel.meanRate(level.falls());
        double overall = FallingLevel.overallRate(level.falls());
        out.value("rate", tail.rate(), Unit.MM_PER_HOUR, tail.low(), tail.high())
                .value("plainMeanRate", plainMean, Unit.MM_PER_HOUR)
                .value("overallRate", overall, Unit.MM_PER_HOUR)
                .code("steady", tail.steady() ? "yes" : "no");
        out.working(
                        "plainMeanRate",
                        Map.of(
                                "n",
                                level.falls().size(),
                                "sum",
                                plainMean * level.falls().size()),
                        plainMean,
                        Unit.MM_PER_HOUR,
                        "Arithmetic mean of the interval rates")
                .working(
                        "rate",
                        Map.of("k", tail.falls().size(), "drop", tail.dropMm(), "minutes", tail.minutes()),
                        tail.rate(),
                        Unit.MM_PER_HOUR,
                        "Settled tail: spread of the last intervals within a quarter of their mean");
        if (tail.steady()) {
            out.value("steadyIntervals", tail.falls().size(), Unit.NONE);
        } else {
            out.note("NOT_STEADY", Severity.CAUTION);
        }
        if (tail.rate() > 0) {
            double overstatement = 100 * (plainMean / tail.rate() - 1);
            out.value("overstatementPct", overstatement, Unit.PERCENT)
                    .working(
                            "overstatementPct",
                            Map.of("mean", plainMean, "rate", tail.rate()),
                            overstatement,
                            Unit.PERCENT,
                            "Plain mean against lasting rate");
        }
    }

    private static void drainOut(Readings readings, Purpose purpose, Benchmarks benchmarks, Evaluation.Builder out) {
        double depth = readings.holeDepthMm();
        if (readings.stillWaterAtMinutes() != null) {
            double minutes = readings.stillWaterAtMinutes();
            double atMost = depth / minutes * MINUTES_PER_HOUR;
            boolean over = minutes >= STILL_WATER_LIMIT_MIN;
            out.value("rateAtMost", atMost, Unit.MM_PER_HOUR)
                    .code("drainOut", over ? "find-another-place" : "unfinished")
                    .working(
                            "rateAtMost",
                            Map.of("depth", depth, "minutes", minutes),
                            atMost,
                            Unit.MM_PER_HOUR,
                            BY_DEPTH);
            if (over) {
                // at best: it was empty a moment after the last look
                judge(List.of(new Fall(depth, 0, minutes)), width(readings), purpose, benchmarks, out);
            }
            return;
        }
        double minutes = readings.minutesToEmpty();
        double rate = depth / minutes * MINUTES_PER_HOUR;
        out.value("rate", rate, Unit.MM_PER_HOUR)
                .code("drainOut", benchmarks.bands("hole.drain-out").of(minutes))
                .working("drainOutRate", Map.of("depth", depth, "minutes", minutes), rate, Unit.MM_PER_HOUR, BY_DEPTH);
        widthAssumed(readings, out);
        judge(List.of(new Fall(depth, 0, minutes)), width(readings), purpose, benchmarks, out);
    }

    private static void quick(Readings readings, Purpose purpose, Benchmarks benchmarks, Evaluation.Builder out) {
        Fall fall = new Fall(readings.startMm(), readings.endMm(), readings.minutes());
        out.value("rate", fall.rateMmPerHour(), Unit.MM_PER_HOUR)
                .note("FIRST_WETTING_OVERSTATES", Severity.CAUTION)
                .working(
                        "quickRate",
                        Map.of("drop", fall.dropMm(), "minutes", fall.minutes()),
                        fall.rateMmPerHour(),
                        Unit.MM_PER_HOUR,
                        "One fall over its time");
        widthAssumed(readings, out);
        judge(List.of(fall), width(readings), purpose, benchmarks, out);
    }

    private static double width(Readings readings) {
        return readings.roughDiameterMm() == null ? USUAL_WIDTH_MM : readings.roughDiameterMm();
    }

    private static void widthAssumed(Readings readings, Evaluation.Builder out) {
        if (readings.roughDiameterMm() == null) {
            out.note("WIDTH_ASSUMED", Severity.CAUTION, Map.of("width", USUAL_WIDTH_MM));
        }
    }

    /** The figures that do not depend on the auger, suitability by them, and the standing of the indicator drainage. */
    private static void judge(
            List<Fall> falls, double widthMm, Purpose purpose, Benchmarks benchmarks, Evaluation.Builder out) {
        WallFreeRate permeability = WallFreeRate.permeability(falls, widthMm / 2);
        WallFreeRate reference = WallFreeRate.reference(falls, widthMm / 2);
        report(falls, widthMm, permeability, reference, out);
        out.code("permeability", benchmarks.bands("permeability").of(permeability.mmPerHour()));
        WallFreeRate rate = purpose == Purpose.FIELD ? permeability : reference;
        String suitability = benchmarks.bands(bands(purpose)).of(rate.mmPerHour());
        Curve curve = benchmarks.curve("drainage." + purpose.code());
        double standing = curve.at(rate.mmPerHour());
        Map<String, Object> args = Map.of(
                "rate", rate.mmPerHour(),
                "purpose", purpose.code(),
                "suitability", suitability);
        out.code("suitability", suitability)
                .standing(
                        "drainage",
                        standing,
                        rate.low() == null ? null : Double.valueOf(curve.lowestBetween(rate.low(), rate.high())),
                        rate.high() == null ? null : Double.valueOf(curve.highestBetween(rate.low(), rate.high())),
                        reason(rate.mmPerHour(), standing, purpose),
                        args)
                .working("standing", args, standing, Unit.NONE, curve.source());
    }

    private static void report(
            List<Fall> falls,
            double widthMm,
            WallFreeRate permeability,
            WallFreeRate reference,
            Evaluation.Builder out) {
        Map<String, Object> args = Map.of(
                "radius", widthMm / 2,
                "from", falls.get(0).fromMm(),
                "to", falls.get(falls.size() - 1).toMm(),
                "minutes", falls.stream().mapToDouble(Fall::minutes).sum(),
                "permeability", permeability.mmPerHour());
        out.value(
                        "fieldPermeability",
                        permeability.mmPerHour(),
                        Unit.MM_PER_HOUR,
                        permeability.low(),
                        permeability.high())
                .value("referenceRate", reference.mmPerHour(), Unit.MM_PER_HOUR, reference.low(), reference.high())
                .working(
                        "fieldPermeability",
                        args,
                        permeability.mmPerHour(),
                        Unit.MM_PER_HOUR,
                        "Kessler and Oosterbaan, 1974")
                .working(
                        "referenceRate",
                        args,
                        reference.mmPerHour(),
                        Unit.MM_PER_HOUR,
                        "Kessler and Oosterbaan, 1974, turned round for a hole 300 mm wide");
    }

    private static String bands(Purpose purpose) {
        return purpose == Purpose.FIELD ? "permeability" : "hole." + purpose.code();
    }

    private static String reason(double rate, double standing, Purpose purpose) {
        String slow = Level.of(standing) == Level.SERVICEABLE ? "slowish" : "slow";
        String how = standing >= WELL_FROM ? "well" : rate < BEST_RATE_MM_PER_HOUR ? slow : "fast";
        return purpose == Purpose.FIELD ? how : "purpose-" + how;
    }

    @Override
    public Evidence<Readings> evidence() {
        return new HoleDrainageEvidence();
    }

    @Override
    public Capture capture() {
        return new HoleDrainageCapture();
    }
}
