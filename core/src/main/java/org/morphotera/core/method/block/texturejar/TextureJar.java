package org.morphotera.core.method.block.texturejar;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
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
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Composition;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;

/**
 * Texture by settling in a jar. Layers are read with a ruler; what size each line really stands for follows from
 * Stokes' law for this jar's fall height and water temperature (Gee and Or, 2002), and what the jar holds once the small
 * grains that arrived early are put back from the layers.
 */
public final class TextureJar implements FieldMethod<TextureJar.Readings> {

    /** How the lines were found. */
    public enum Marks implements Coded {
        TIMED,
        BY_EYE
    }

    /**
     * @param marks whether the lines were marked at known times; unless said, yes
     * @param coarseSandMm ruler reading at a second line within the sand, or {@code null}
     * @param floatingMm what floats, or {@code null}
     * @param baseOffsetMm ruler reading at the inside of the jar's bottom
     * @param sandMm ruler reading at the top of the sand, mm; silt and clay likewise
     * @param waterColumnMm height that a grain falls, mm
     */
    public record Readings(
            Marks marks,
            Double baseOffsetMm,
            Double coarseSandMm,
            Double sandMm,
            Double siltMm,
            Double clayMm,
            Double floatingMm,
            Double waterColumnMm,
            Double waterTempC,
            Double sandMarkSeconds,
            Double siltMarkSeconds,
            Double clayMarkSeconds,
            Double rulerErrorMm,
            Boolean dispersant,
            Boolean waterClearAtEnd) {}

    public static final double SAND_UM = 50;
    public static final double CLAY_UM = 2;
    private static final double THIN_MM = 15;
    private static final double HOLDS_FINE_SILT_UM = 3;
    static final double SETTLED_SECONDS = 172_800;
    private static final double UNSURE_UNDER = 0.6;

    /** Less clay than this is none that the marks can tell. */
    private static final double NO_CLAY_PCT = 1e-6;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "texture-jar",
                Family.BLOCK,
                List.of(),
                "textureClass",
                10,
                0,
                200,
                List.of(
                        new TimedStep("sand-line", null, 5),
                        new TimedStep("silt-line", null, 1800),
                        new TimedStep("clay-line", 172_800, 14_400)));
    }

    @Override
    public Readings read(Fields fields) {
        Range time = Range.above(0, 1_000_000);
        return new Readings(
                fields.wordOr("marks", List.of(Marks.values()), Marks.TIMED),
                fields.numberOr("baseOffsetMm", Unit.MM, Range.DEPTH_MM, 0),
                fields.number("coarseSandMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.number("sandMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("siltMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("clayMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("floatingMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.number("waterColumnMm", Unit.MM, Range.above(0, 5000), Need.REQUIRED),
                fields.numberOr("waterTempC", Unit.CELSIUS, Range.TEMPERATURE_C, 20),
                fields.numberOr("sandMarkSeconds", Unit.SECOND, time, 60),
                fields.numberOr("siltMarkSeconds", Unit.SECOND, time, 7200),
                fields.numberOr("clayMarkSeconds", Unit.SECOND, time, SETTLED_SECONDS),
                fields.numberOr("rulerErrorMm", Unit.MM, Range.between(0, 50), 1),
                fields.flag("dispersant", Need.OPTIONAL),
                fields.flag("waterClearAtEnd", Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        rising(faults, "sandMm", readings.sandMm(), readings.baseOffsetMm(), "MARK_NOT_RISING");
        if (readings.coarseSandMm() != null
                && !(readings.coarseSandMm() >= readings.baseOffsetMm()
                        && readings.coarseSandMm() <= readings.sandMm())) {
            faults.add("coarseSandMm", "NOT_WITHIN_SAND", Map.of("sand", readings.sandMm()));
        }
        rising(faults, "siltMm", readings.siltMm(), readings.sandMm(), "MARK_NOT_RISING");
        rising(faults, "clayMm", readings.clayMm(), readings.siltMm(), "MARK_NOT_RISING");
        if (readings.clayMm() - readings.baseOffsetMm() > readings.waterColumnMm()) {
            faults.add("clayMm", "MARK_ABOVE_WATER", Map.of("water", readings.waterColumnMm()));
        }
        rising(faults, "siltMarkSeconds", readings.siltMarkSeconds(), readings.sandMarkSeconds(), "TIME_NOT_RISING");
        rising(faults, "clayMarkSeconds", readings.clayMarkSeconds(), readings.siltMarkSeconds(), "TIME_NOT_RISING");
    }

    private static void rising(Faults faults, String field, double x, double before, String code) {
        if (x - before < Range.SMALLEST_STEP) {
            faults.add(field, code, Map.of("before", before));
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        double base = readings.baseOffsetMm();
        double total = readings.clayMm() - base;
        double sand = 100 * (readings.sandMm() - base) / total;
        double clay = 100 * (readings.clayMm() - readings.siltMm()) / total;
        double silt = Math.max(0, 100 - sand - clay);
        Settling water = new Settling(readings.waterTempC(), readings.waterColumnMm());
        Cuts cuts = readings.marks() == Marks.BY_EYE ? null : Cuts.of(readings, water);
        JarInversion inversion = cuts == null ? null : new JarInversion(cuts.sandUm(), cuts.siltUm(), cuts.clayUm());
        Evaluation.Builder out = Evaluation.of("texture-jar");
        JarClasses classes = JarClasses.of(readings, inversion);
        report(out, classes, sand, silt, clay);
        out.value("sandMarkAdvisedSeconds", water.secondsFor(SAND_UM), Unit.SECOND)
                .value("siltMarkAdvisedSeconds", water.secondsFor(CLAY_UM), Unit.SECOND);
        if (readings.coarseSandMm() != null) {
            out.value("coarseSandPct", 100 * (readings.coarseSandMm() - base) / total, Unit.PERCENT);
        }
        String share = "Share of the settled height";
        out.working("sandPct", Map.of("height", readings.sandMm() - base, "total", total), sand, Unit.PERCENT, share)
                .working(
                        "clayPct",
                        Map.of("height", readings.clayMm() - readings.siltMm(), "total", total),
                        clay,
                        Unit.PERCENT,
                        share);
        if (cuts != null) {
            adjusted(out, cuts, inversion.amounts(sand / 100, (sand + silt) / 100), clay, classes);
            out.working(
                    "siltCutUm",
                    Map.of(
                            "fall", readings.waterColumnMm(),
                            "seconds", readings.siltMarkSeconds(),
                            "temp", readings.waterTempC()),
                    cuts.siltUm(),
                    Unit.MICROMETRE,
                    "Stokes' law; Gee and Or, 2002");
        }
        notes(readings, total, cuts, classes, out);
        return out.build();
    }

    /** The sizes that have just settled from the top of the water at each mark, µm. */
    private record Cuts(double sandUm, double siltUm, double clayUm) {

        static Cuts of(Readings readings, Settling water) {
            return new Cuts(
                    water.sizeUm(readings.sandMarkSeconds()),
                    water.sizeUm(readings.siltMarkSeconds()),
                    water.sizeUm(readings.clayMarkSeconds()));
        }
    }

    private static void report(Evaluation.Builder out, JarClasses classes, double sand, double silt, double clay) {
        TextureClass plain = TextureClass.of(sand, silt, clay);
        out.value("sandPct", sand, Unit.PERCENT, classes.sandLow(), classes.sandHigh())
                .value("siltPct", silt, Unit.PERCENT, classes.siltLow(), classes.siltHigh())
                .value("clayPct", clay, Unit.PERCENT, classes.clayLow(), classes.clayHigh())
                .code("textureClass", plain)
                .code("textureGroup", plain.group());
        if (!classes.ranked().isEmpty()) {
            out.value("bestClassProbability", classes.ranked().get(0).getValue(), Unit.NONE);
            out.series("classProbabilities", rows(classes.ranked()));
        }
    }

    private static List<Map<String, Object>> rows(List<Map.Entry<TextureClass, Double>> ranked) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Map.Entry<TextureClass, Double> each : ranked) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("textureClass", each.getKey().code());
            row.put("probability", each.getValue());
            rows.add(row);
        }
        return rows;
    }

    /** What the jar holds once small grains that arrived early are put back; the class that goes on to the field. */
    private static void adjusted(
            Evaluation.Builder out, Cuts cuts, Composition amounts, double clayPct, JarClasses classes) {
        out.value("sandCutUm", cuts.sandUm(), Unit.MICROMETRE)
                .value("siltCutUm", cuts.siltUm(), Unit.MICROMETRE)
                .value("unsettledBelowUm", cuts.clayUm(), Unit.MICROMETRE);
        if (amounts == null || amounts.clayPct() < NO_CLAY_PCT && clayPct > 0) {
            out.note("CLAY_NOT_SEPARABLE", Severity.CAUTION);
            return;
        }
        out.value("adjustedSandPct", amounts.sandPct(), Unit.PERCENT)
                .value("adjustedSiltPct", amounts.siltPct(), Unit.PERCENT)
                .value("adjustedClayPct", amounts.clayPct(), Unit.PERCENT)
                .code("adjustedTextureClass", TextureClass.of(amounts))
                .series("adjustedClassProbabilities", rows(classes.adjusted()))
                .working(
                        "adjustedClayPct",
                        Map.of("sandCut", cuts.sandUm(), "siltCut", cuts.siltUm(), "clayCut", cuts.clayUm()),
                        amounts.clayPct(),
                        Unit.PERCENT,
                        "Stokes' law for grains that start at every height, turned round");
    }

    private static void notes(Readings readings, double total, Cuts cuts, JarClasses classes, Evaluation.Builder out) {
        if (total < THIN_MM) {
            out.note("LAYERS_TOO_THIN", Severity.CAUTION, Map.of("total", total));
        }
        if (cuts == null) {
            out.note("MARKS_BY_EYE", Severity.CAUTION);
        } else if (cuts.siltUm() > HOLDS_FINE_SILT_UM) {
            out.note("SILT_LINE_HOLDS_FINE_SILT", Severity.CAUTION, Map.of("cut", cuts.siltUm()));
        }
        if (readings.floatingMm() != null && readings.floatingMm() > 0) {
            out.note("FLOATING_MATTER", Severity.INFO);
        }
        if (Boolean.FALSE.equals(readings.waterClearAtEnd()) && readings.clayMarkSeconds() <= SETTLED_SECONDS) {
            out.note("NOT_SETTLED", Severity.CAUTION);
        }
        if (Boolean.FALSE.equals(readings.dispersant())) {
            out.note("NO_DISPERSANT", Severity.CAUTION);
        }
        if (!classes.ranked().isEmpty() && classes.ranked().get(0).getValue() < UNSURE_UNDER) {
            out.note(
                    "UNSURE_CLASS",
                    Severity.INFO,
                    Map.of("share", 100 * classes.ranked().get(0).getValue()));
        }
    }

    /** The class once small grains are put back, where the marks were timed. */
    @Override
    public Object contextCode(Envelope envelope) {
        return textureClass(envelope);
    }

    static Object textureClass(Envelope envelope) {
        return envelope.classes()
                .getOrDefault("adjustedTextureClass", envelope.classes().get("textureClass"));
    }

    @Override
    public Evidence<Readings> evidence() {
        return new TextureJarEvidence();
    }

    @Override
    public Capture capture() {
        return new TextureJarCapture();
    }
}
