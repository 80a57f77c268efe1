package org.morphotera.core.method.chemistry.salinity;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Bands;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.SaltTolerance;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.Sample;

/**
 * Salt by electrical conductivity, at 25 °C, as the saturated-extract equivalent (conversions after Franzen, 2007, and
 * Slavich and Petterson, 1993), its class, what it costs each crop (Maas and Hoffman, 1977), and, in a slurry of equal
 * parts without salt, an upper bound of nitrate (Smith and Doran, 1996).
 */
public final class Salinity implements FieldMethod<Salinity.Readings> {

    /** What was measured. */
    public enum Mode implements Coded {
        SLURRY_1TO1(0.25),
        SLURRY_1TO5(0.35),
        IN_PLACE(0.25),
        LAB_ECE(0);

        /** How far the saturated extract by conversion can be off, as a share. */
        private final double eceOffBy;

        Mode(double eceOffBy) {
            this.eceOffBy = eceOffBy;
        }

        private boolean isOneToOne() {
            return this == SLURRY_1TO1 || this == IN_PLACE;
        }
    }

    /** @param waterBlank conductivity of the water used, at 25 °C, dS/m */
    public record Readings(
            Mode mode,
            List<Double> readings,
            Double waterBlank,
            Double tempC,
            Boolean compensated,
            Boolean zeroChecked,
            Double ph) {}

    private static final double PER_DEGREE = 0.02;
    private static final double LARGEST_SPREAD = 0.15;
    private static final double MICROBES_SLOWED_OVER = 1.0;
    private static final double NITRATE_PER_EC = 140;
    private static final double NITRATE_PH_UNDER = 7.2;
    private static final double USUAL_DEPTH_MM = 200;
    private static final double BULK_DENSITY = 1.3;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("salinity", "ece"));
        return new MethodCard("salinity", Family.CHEMISTRY, rates, null, 5, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.word("mode", List.of(Mode.values()), Need.REQUIRED),
                fields.numbers("readings", Unit.DS_PER_M, Range.EC, Range.LIST, Need.REQUIRED),
                fields.number("waterBlank", Unit.DS_PER_M, Range.EC, Need.OPTIONAL),
                fields.number("tempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.REQUIRED.andFalse("compensated")),
                fields.flagOr("compensated", true),
                fields.flag("zeroChecked", Need.OPTIONAL),
                fields.number("ph", Unit.PH, Range.PH, Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        double factor = readings.compensated() ? 1 : 1 / (1 + PER_DEGREE * (readings.tempC() - 25));
        List<Double> at25 =
                readings.readings().stream().map(ec -> ec * factor).sorted().toList();
        double median = Sample.of(at25).median();
        double blank = readings.waterBlank() == null ? 0 : readings.waterBlank();
        double ec = Math.max(0, median - blank);
        Double low = at25.size() < 2 ? null : Double.valueOf(Math.max(0, at25.get(0) - blank));
        Double high = at25.size() < 2 ? null : Double.valueOf(Math.max(0, at25.get(at25.size() - 1) - blank));
        TextureClass texture = context.textureClass() == null ? TextureClass.LOAM : context.textureClass();
        Extract extract = new Extract(readings.mode(), texture, benchmarks);
        double ece = extract.ece(ec);
        double off = readings.mode().eceOffBy;
        Double eceLow =
                off == 0 && low == null ? null : Double.valueOf(extract.ece(low == null ? ec : low) * (1 - off));
        Double eceHigh =
                off == 0 && high == null ? null : Double.valueOf(extract.ece(high == null ? ec : high) * (1 + off));
        String grade = extract.grade(ec, ece);
        Evaluation.Builder out = Evaluation.of("salinity")
                .value("ec", ec, Unit.DS_PER_M, low, high)
                .value("ece", ece, Unit.DS_PER_M, eceLow, eceHigh)
                .code("salinity", grade)
                .working(
                        "ec",
                        Map.of("median", median, "blank", blank),
                        ec,
                        Unit.DS_PER_M,
                        "Median at 25 °C less the water's own")
                .working("ece", Map.of("ec", ec, "texture", texture.code()), ece, Unit.DS_PER_M, extract.source());
        nitrate(readings, context, ec, grade, out);
        out.series("cropYield", crops(ece, benchmarks.table("salinity.crops")));
        notes(readings, context, at25, median, ec, out);
        if (extract.scalesDisagree(ec, ece)) {
            out.note("SCALES_DISAGREE", Severity.INFO);
        }
        SaltTolerance.rate(ece, eceLow, eceHigh, context.crop(), benchmarks, out);
        return out.build();
    }

    private static void nitrate(Readings readings, Context context, double ec, String grade, Evaluation.Builder out) {
        boolean estimable = readings.mode().isOneToOne()
                && grade.equals("non")
                && readings.ph() != null
                && readings.ph() < NITRATE_PH_UNDER;
        if (!estimable) {
            out.note("NITRATE_NOT_ESTIMABLE", Severity.INFO);
            return;
        }
        double mgKg = NITRATE_PER_EC * ec;
        boolean layer = context.depthTopMm() != null
                && context.depthBottomMm() != null
                && context.depthBottomMm() > context.depthTopMm();
        out.value("nitrateNMgKg", mgKg, Unit.MG_PER_KG, 0.0, mgKg);
        if (layer || readings.mode() != Mode.IN_PLACE) {
            double depth = layer ? context.depthBottomMm() - context.depthTopMm() : USUAL_DEPTH_MM;
            double kgHa = mgKg * depth / 1000 * BULK_DENSITY * 1000 * 10_000 / 1e6;
            out.value("nitrateNKgHa", kgHa, Unit.KG_PER_HA, 0.0, kgHa);
        }
        out.working("nitrateNMgKg", Map.of("ec", ec), mgKg, Unit.MG_PER_KG, "Smith and Doran, 1996; an upper bound");
    }

    private static List<Map<String, Object>> crops(double ece, Table crops) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (String crop : crops.rows().keySet()) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("crop", crop);
            row.put("yieldPct", SaltTolerance.yieldPct(ece, crop, crops));
            rows.add(row);
        }
        return rows;
    }

    private static void notes(
            Readings readings, Context context, List<Double> at25, double median, double ec, Evaluation.Builder out) {
        double spread = at25.get(at25.size() - 1) - at25.get(0);
        if (at25.size() > 1 && median > 0 && spread / median > LARGEST_SPREAD) {
            out.note("NOT_STABLE", Severity.CAUTION);
        }
        if (readings.mode() == Mode.IN_PLACE) {
            out.note("ROUGH", Severity.CAUTION);
        }
        if (context.textureClass() == null && readings.mode() != Mode.LAB_ECE) {
            out.note("TEXTURE_ASSUMED", Severity.CAUTION);
        }
        if (readings.mode().isOneToOne() && ec > MICROBES_SLOWED_OVER) {
            out.note("MICROBES_SLOWED", Severity.INFO);
        }
        if (Boolean.FALSE.equals(readings.zeroChecked())) {
            out.note("CHECK_ZERO", Severity.CAUTION);
        }
    }

    /** From what was measured to the saturated extract, by texture, and the saltier class of the two scales. */
    private record Extract(Mode mode, TextureClass texture, Benchmarks benchmarks) {

        double ece(double ec) {
            Table table = table();
            return switch (mode) {
                case LAB_ECE -> ec;
                case SLURRY_1TO5 -> ec * table.at(texture.code(), "factor");
                case SLURRY_1TO1, IN_PLACE -> {
                    String group = texture.group().code();
                    yield Math.max(ec, table.at(group, "factor") * ec - table.at(group, "less"));
                }
            };
        }

        String grade(double ec, double ece) {
            Bands byExtract = benchmarks.bands("salinity");
            String extracted = byExtract.of(ece);
            if (!mode.isOneToOne()) {
                return extracted;
            }
            String slurry = bySlurry(ec);
            List<String> rising = byExtract.codes();
            return rising.indexOf(slurry) > rising.indexOf(extracted) ? slurry : extracted;
        }

        /** Whether the limits of the slurry and of the extract call it by different classes. */
        boolean scalesDisagree(double ec, double ece) {
            return mode.isOneToOne()
                    && !bySlurry(ec).equals(benchmarks.bands("salinity").of(ece));
        }

        private String bySlurry(double ec) {
            Table limits = benchmarks.table("salinity.limits-1to1");
            for (String grade : limits.columns()) {
                if (ec <= limits.at(texture.code(), grade)) {
                    return grade;
                }
            }
            return "strong";
        }

        String source() {
            return table().source();
        }

        private Table table() {
            return benchmarks.table(mode == Mode.SLURRY_1TO5 ? "salinity.from-1to5" : "salinity.from-1to1");
        }
    }

    @Override
    public Evidence<Readings> evidence() {
        return new SalinityEvidence();
    }

    @Override
    public Capture capture() {
        return new SalinityCapture();
    }
}
