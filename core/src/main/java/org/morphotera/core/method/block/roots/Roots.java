package org.morphotera.core.method.block.roots;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.CaptureGuide;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
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

    private static final double DRAWN_TO_MM = 1000;
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
    public CaptureGuide capture(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.usual("barrier", "none").drawn("deepestMm", DRAWN_TO_MM);
    }

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return readings.get("eightyPctDepthMm") instanceof Number depth
                ? List.of(GroundMark.roots(depth.doubleValue(), "rooting"))
                : List.of();
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        SightingList seen = new SightingList(envelope)
                .state("root-barrier", envelope.classes().get("barrier"))
                .flag("bent-roots", readings.get("bent"));
        return Boolean.TRUE.equals(readings.get("legume"))
                ? seen.state("nodules", readings.get("nodules")).list()
                : seen.list();
    }

    @Override
    public Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
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

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        tree.computeIfPresent("deepestMm", (name, x) -> 5000.0);
    }
}
