package org.morphotera.core.method.block.roots;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
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
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** Where most roots stop, against what the crop should reach, and what stops them. */
public final class Roots implements FieldMethod<Roots.Readings> {

    /** What stops the roots. */
    public enum Barrier implements Coded {
        NONE,
        FLAT_LINE,
        PAN,
        TEXTURE_CHANGE,
        ACID,
        SALINE,
        WATER,
        STONE
    }

    /** Nodules on legume roots. */
    public enum Nodules implements Coded {
        NONE,
        FEW,
        MANY
    }

    /** @param eightyPctDepthMm depth above which four fifths of the roots lie, mm */
    public record Readings(
            Double eightyPctDepthMm,
            Double deepestMm,
            Barrier barrier,
            Boolean bent,
            Nodules nodules,
            Boolean legume,
            String crop) {}

    private static final String UNKNOWN_CROP = "unknown";
    private static final String TURF = "turf";
    private static final double SHALLOW_TURF_MM = 25;
    private static final double GOOD_TURF_MM = 75;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("rooting", "shareOfExpectedPct"));
        return new MethodCard("roots", Family.BLOCK, rates, null, 6, 0, 400, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("eightyPctDepthMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("deepestMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.wordOr("barrier", List.of(Barrier.values()), Barrier.NONE),
                fields.flag("bent", Need.OPTIONAL),
                fields.word("nodules", List.of(Nodules.values()), Need.OPTIONAL),
                fields.flag("legume", Need.OPTIONAL),
                fields.text("crop", 60, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.deepestMm() != null && readings.deepestMm() < readings.eightyPctDepthMm()) {
            faults.add("deepestMm", "DEEPEST_ABOVE_MOST");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Table expected = benchmarks.table("roots.expected-depth");
        String crop = judgedBy(readings, context, expected);
        double wanted = expected.at(crop, "depthMm");
        double depth = readings.eightyPctDepthMm();
        double share = depth / wanted;
        Map<String, Object> args = Map.of("depth", depth, "wanted", wanted, "crop", crop);
        Evaluation.Builder out = Evaluation.of("roots")
                .value("expectedDepthMm", wanted, Unit.MM)
                .value("shareOfExpectedPct", 100 * share, Unit.PERCENT)
                .code("barrier", readings.barrier())
                .working("shareOfExpectedPct", args, 100 * share, Unit.PERCENT, expected.source());
        if (readings.barrier() == Barrier.FLAT_LINE) {
            out.note("FLAT_LINE_LOOK_BELOW", Severity.CAUTION);
        }
        if (Boolean.TRUE.equals(readings.bent())) {
            out.note("BENT_ROOT", Severity.CAUTION);
        }
        if (Boolean.TRUE.equals(readings.legume()) && readings.nodules() == Nodules.NONE) {
            out.note("NO_NODULES", Severity.CAUTION);
        }
        out.curve("rooting", benchmarks.curve("rooting"), share, null, null);
        if (crop.equals(TURF)) {
            double turf = turfScore(readings);
            out.value("mownTurfScore", turf, Unit.NONE)
                    .rating("rooting", "mown-turf", turf, 2.0, null, null, null, "turf", args);
        }
        return out.build();
    }

    /** The crop that was entered, else the field's; the land use where the table knows neither. */
    private static String judgedBy(Readings readings, Context context, Table expected) {
        String crop = readings.crop() != null ? readings.crop() : context.crop();
        if (crop != null && expected.has(crop)) {
            return crop;
        }
        return context.landUse() == null ? UNKNOWN_CROP : context.landUse().code();
    }

    private static double turfScore(Readings readings) {
        if (readings.eightyPctDepthMm() <= SHALLOW_TURF_MM) {
            return readings.barrier() == Barrier.FLAT_LINE ? 0 : 0.5;
        }
        return readings.eightyPctDepthMm() <= GOOD_TURF_MM ? 1 : 2;
    }

    @Override
    public Evidence<Readings> evidence() {
        return new RootsEvidence();
    }

    @Override
    public Capture capture() {
        return new RootsCapture();
    }
}
