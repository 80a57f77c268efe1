package org.morphotera.core.method.chemistry.labresult;

import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.OrganicMatterCurve;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.chemistry.SaltTolerance;
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

/** Figures from a laboratory: base saturation, sodium, organic matter and pH against what this soil should show. */
public final class LabResult implements FieldMethod<LabResult.Readings> {

    /** What a laboratory reports, with the one unit it is taken in. */
    public enum Analyte implements Coded {
        PH_WATER(Unit.PH, 14),
        PH_CACL2(Unit.PH, 14),
        ORGANIC_MATTER(Unit.PERCENT, 100),
        P(Unit.MG_PER_KG, 1e6),
        K(Unit.MG_PER_KG, 1e6),
        MG(Unit.MG_PER_KG, 1e6),
        S(Unit.MG_PER_KG, 1e6),
        CEC(Unit.CMOL_PER_KG, 1000),
        EX_CA(Unit.CMOL_PER_KG, 1000),
        EX_MG(Unit.CMOL_PER_KG, 1000),
        EX_K(Unit.CMOL_PER_KG, 1000),
        EX_NA(Unit.CMOL_PER_KG, 1000),
        EX_AL(Unit.CMOL_PER_KG, 1000),
        ECE(Unit.DS_PER_M, 200),
        NITRATE_N(Unit.MG_PER_KG, 1e6),
        BUFFER_PH(Unit.T_PER_HA, 1000);

        private final Unit unit;
        private final double most;

        Analyte(Unit unit, double most) {
            this.unit = unit;
            this.most = most;
        }

        /** The one unit in which figures of it are taken. */
        public Unit unit() {
            return unit;
        }
    }

    /**
     * @param value 0..10⁶, in the unit that the report gives
     * @param unit as written on the report, at most 20 signs
     */
    public record Figure(Analyte code, Double value, String unit) {}

    /** @param analytes at least one */
    public record Readings(List<Figure> analytes) {}

    private static final double PH_HALF_WIDTH = 0.1;

    /** From pH in water to pH in calcium chloride, and how far that can be off (Minasny et al., 2011). */
    private static final double WATER_OVER_CACL2 = 0.7;

    private static final double CONVERTED_HALF_WIDTH = 0.4;
    /** mg/kg of a nutrient in 1 cmol/kg of its charges. */
    private static final double MG_PER_CMOL_K = 391;

    private static final double MG_PER_CMOL_MG = 121.5;

    private static final double ALUMINIUM_UNDER = 4.8;
    private static final double ALUMINIUM_OVER_PCT = 5;
    private static final double CALCIUM_UNDER_PCT = 65;

    /** Units by other names, equal in size to those that figures are taken in. */
    private static final Map<String, String> ALSO_WRITTEN =
            Map.of("ppm", "mg/kg", "meq/100g", "cmol/kg", "meq/100 g", "cmol/kg", "mS/cm", "dS/m");

    /** Figures that mean something only by the laboratory's own method of extraction. */
    private static final Map<Analyte, String> BY_EXTRACTION = new EnumMap<>(
            Map.of(Analyte.P, "p", Analyte.K, "k", Analyte.MG, "mg", Analyte.S, "s", Analyte.NITRATE_N, "nitrateN"));

    @Override
    public MethodCard card() {
        return new MethodCard(
                "lab-result",
                Family.CHEMISTRY,
                List.of(
                        new MethodCard.Indicator("organic-matter", "organicMatterPct"),
                        new MethodCard.Indicator("sodicity", "espPct"),
                        new MethodCard.Indicator("ph", "phWater"),
                        new MethodCard.Indicator("salinity", "ece")),
                null,
                4,
                0,
                200,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(fields.list(
                "analytes",
                Range.LIST,
                Need.REQUIRED,
                analyte -> new Figure(
                        analyte.word("code", List.of(Analyte.values()), Need.REQUIRED),
                        analyte.number("value", Unit.NONE, Range.between(0, 1e6), Need.REQUIRED),
                        analyte.text("unit", 20, Need.REQUIRED))));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        Set<Analyte> seen = new LinkedHashSet<>();
        for (int i = 0; i < readings.analytes().size(); i++) {
            Figure figure = readings.analytes().get(i);
            String at = "analytes[" + i + "]";
            String written = ALSO_WRITTEN.getOrDefault(figure.unit(), figure.unit());
            if (!figure.code().unit.symbol().equals(written)) {
                faults.add(
                        at + ".unit",
                        "UNIT",
                        Map.of("wanted", figure.code().unit.symbol()));
            }
            if (figure.value() > figure.code().most) {
                faults.add(
                        at + ".value",
                        "OVER",
                        Map.of(
                                "max",
                                figure.code().most,
                                "unit",
                                figure.code().unit.symbol()));
            }
            if (!seen.add(figure.code())) {
                faults.add(at + ".code", "REPEATED");
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Map<Analyte, Double> figures = new EnumMap<>(Analyte.class);
        readings.analytes().forEach(each -> figures.put(each.code(), each.value()));
        Evaluation.Builder out = Evaluation.of("lab-result");
        bases(figures, benchmarks, out);
        organicMatter(figures.get(Analyte.ORGANIC_MATTER), context, benchmarks, out);
        boolean sour = ph(figures, context, benchmarks, out);
        if (aluminium(figures, out) || sour) {
            out.note("ALUMINIUM_RISK", Severity.CAUTION);
        }
        Double ece = figures.get(Analyte.ECE);
        if (ece != null) {
            out.value("ece", ece, Unit.DS_PER_M)
                    .code("salinity", benchmarks.bands("salinity").of(ece));
            SaltTolerance.rate(ece, null, null, context.crop(), benchmarks, out);
        }
        Double lime = figures.get(Analyte.BUFFER_PH);
        if (lime != null) {
            out.value("limeNeedTHa", lime, Unit.T_PER_HA);
        }
        byExtraction(figures, benchmarks, out);
        return out.build();
    }

    /** pH on both scales, each as it was measured where it was, and the rating; whether aluminium is likely by it. */
    private static boolean ph(
            Map<Analyte, Double> figures, Context context, Benchmarks benchmarks, Evaluation.Builder out) {
        Double inWater = figures.get(Analyte.PH_WATER);
        Double inCaCl2 = figures.get(Analyte.PH_CACL2);
        if (inWater == null && inCaCl2 == null) {
            return false;
        }
        double water = inWater == null ? inCaCl2 + WATER_OVER_CACL2 : inWater;
        double cacl2 = inCaCl2 == null ? inWater - WATER_OVER_CACL2 : inCaCl2;
        double waterHalf = inWater == null ? CONVERTED_HALF_WIDTH : PH_HALF_WIDTH;
        double cacl2Half = inCaCl2 == null ? CONVERTED_HALF_WIDTH : PH_HALF_WIDTH;
        out.value("phWater", water, Unit.PH, water - waterHalf, water + waterHalf)
                .value("phCaCl2", cacl2, Unit.PH, cacl2 - cacl2Half, cacl2 + cacl2Half);
        Table windows = benchmarks.table("ph.windows");
        PhWindow.of(context.crop(), context.landUse(), windows)
                .rate(water, water - waterHalf, water + waterHalf, windows, out);
        return cacl2 < ALUMINIUM_UNDER;
    }

    /** Share of aluminium of the exchange; whether it is too much. */
    private static boolean aluminium(Map<Analyte, Double> figures, Evaluation.Builder out) {
        Double aluminium = figures.get(Analyte.EX_AL);
        Double cec = figures.get(Analyte.CEC);
        if (aluminium == null || cec == null || cec < Range.SMALLEST_STEP) {
            return false;
        }
        double pct = 100 * aluminium / cec;
        out.value("alSatPct", pct, Unit.PERCENT);
        return pct > ALUMINIUM_OVER_PCT;
    }

    /** Nutrients as reported, with a class where the practice has bands for that laboratory's extraction. */
    private static void byExtraction(Map<Analyte, Double> figures, Benchmarks benchmarks, Evaluation.Builder out) {
        boolean without = false;
        for (Map.Entry<Analyte, String> each : BY_EXTRACTION.entrySet()) {
            Double figure = figures.get(each.getKey());
            if (figure == null) {
                continue;
            }
            out.value(each.getValue(), figure, each.getKey().unit);
            String bands = Benchmarks.LABORATORY + each.getKey().code();
            if (benchmarks.hasBands(bands)) {
                out.code(each.getValue(), benchmarks.bands(bands).of(figure));
            } else {
                without = true;
            }
        }
        exchangeable("k", figures.get(Analyte.K), figures.get(Analyte.EX_K), MG_PER_CMOL_K, benchmarks, out);
        exchangeable("mg", figures.get(Analyte.MG), figures.get(Analyte.EX_MG), MG_PER_CMOL_MG, benchmarks, out);
        if (without) {
            out.note("NO_BAND", Severity.INFO);
        }
    }

    /** The class of a nutrient by what is exchangeable of it, where its own extraction was not reported. */
    private static void exchangeable(
            String name,
            Double extracted,
            Double exchangeable,
            double mgPerCmol,
            Benchmarks benchmarks,
            Evaluation.Builder out) {
        String bands = Benchmarks.LABORATORY + name;
        if (extracted == null && exchangeable != null && benchmarks.hasBands(bands)) {
            out.code(name, benchmarks.bands(bands).of(mgPerCmol * exchangeable));
        }
    }

    private static void bases(Map<Analyte, Double> figures, Benchmarks benchmarks, Evaluation.Builder out) {
        Double ca = figures.get(Analyte.EX_CA);
        Double mg = figures.get(Analyte.EX_MG);
        Double k = figures.get(Analyte.EX_K);
        Double na = figures.get(Analyte.EX_NA);
        Double cec = figures.get(Analyte.CEC);
        if (cec == null && ca != null && mg != null && k != null && na != null) {
            cec = ca + mg + k + na + figures.getOrDefault(Analyte.EX_AL, 0.0);
            out.note("CEC_FROM_SUM", Severity.INFO, Map.of("cec", cec));
        }
        if (ca != null && mg != null && mg >= Range.SMALLEST_STEP) {
            out.value("caToMg", ca / mg, Unit.NONE);
        }
        if (cec == null || cec < Range.SMALLEST_STEP) {
            return;
        }
        saturation("caSatPct", ca, cec, out);
        if (ca != null && 100 * ca / cec < CALCIUM_UNDER_PCT) {
            out.note("CALCIUM_SHARE_LOW", Severity.INFO);
        }
        saturation("mgSatPct", mg, cec, out);
        saturation("kSatPct", k, cec, out);
        saturation("naSatPct", na, cec, out);
        if (na != null) {
            double esp = 100 * na / cec;
            out.value("espPct", esp, Unit.PERCENT)
                    .code("sodicity", benchmarks.bands("sodicity").of(esp))
                    .working("espPct", Map.of("na", na, "cec", cec), esp, Unit.PERCENT, "Richards, 1954")
                    .curve("sodicity", benchmarks.curve("sodicity"), esp, null, null);
        }
    }

    private static void saturation(String name, Double exchangeable, double cec, Evaluation.Builder out) {
        if (exchangeable != null) {
            out.value(name, 100 * exchangeable / cec, Unit.PERCENT);
        }
    }

    private static void organicMatter(Double pct, Context context, Benchmarks benchmarks, Evaluation.Builder out) {
        if (pct == null) {
            return;
        }
        Curve curve = OrganicMatterCurve.of(context.landUse(), context.textureGroup(), benchmarks);
        out.value("organicMatterPct", pct, Unit.PERCENT).curve("organic-matter", curve, pct, null, null);
    }

    @Override
    public Evidence<Readings> evidence() {
        return new LabResultEvidence();
    }
}
