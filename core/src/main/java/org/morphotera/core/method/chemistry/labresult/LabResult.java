package org.morphotera.core.method.chemistry.labresult;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.SoundTrees;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;
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
    }

    /**
     * @param value 0..10⁶, in the unit that the report gives
     * @param unit as written on the report, at most 20 signs
     */
    public record Figure(Analyte code, Double value, String unit) {}

    /** @param analytes at least one */
    public record Readings(List<Figure> analytes) {}

    private static final double PH_HALF_WIDTH = 0.1;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "lab-result",
                Family.CHEMISTRY,
                List.of(
                        new MethodCard.Indicator("organic-matter", "organicMatterPct"),
                        new MethodCard.Indicator("sodicity", "espPct"),
                        new MethodCard.Indicator("ph", "phWater")),
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
            if (!figure.code().unit.symbol().equals(figure.unit())) {
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
        Double ph = figures.get(Analyte.PH_WATER);
        if (ph != null) {
            Table windows = benchmarks.table("ph.windows");
            out.value("phWater", ph, Unit.PH, ph - PH_HALF_WIDTH, ph + PH_HALF_WIDTH);
            PhWindow.of(context.crop(), context.landUse(), windows)
                    .rate(ph, ph - PH_HALF_WIDTH, ph + PH_HALF_WIDTH, windows.source(), out);
        }
        return out.build();
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
        Table wanted = benchmarks.table("organic-matter");
        LandUse use = context.landUse() == null ? LandUse.ARABLE : context.landUse();
        TextureGroup group = context.textureGroup() == null ? TextureGroup.MEDIUM : context.textureGroup();
        String row = wanted.has(use.code() + "-" + group.code()) ? use.code() : "arable";
        double factor = row.equals(use.code()) ? 1 : wanted.at("gardens-over-arable", "low");
        double low = factor * wanted.at(row + "-" + group.code(), "low");
        double target = factor * wanted.at(row + "-" + group.code(), "target");
        Curve curve = new Curve("organic-matter", List.of(0.0, low, target), List.of(0.0, 0.3, 1.0), wanted.source());
        out.value("organicMatterPct", pct, Unit.PERCENT).curve("organic-matter", curve, pct, null, null);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, Double topMm) {
        SightingList seen =
                new SightingList(envelope).figure("surface-ph", "phWater").figure("esp", "espPct");
        if (readings.get("analytes") instanceof List<?> analytes) {
            for (Object each : analytes) {
                if (each instanceof Map<?, ?> analyte && "cec".equals(analyte.get("code"))) {
                    seen.number("cec", analyte.get("value")); // no finding of its own: a plan for gypsum asks for it
                }
            }
        }
        return seen.standing("organic-matter", "organic-matter").list();
    }

    @Override
    public Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double cec = soil.get(SoilProperty.CEC);
        List<Map<String, Object>> analytes = new ArrayList<>(List.of(
                analyte("ph-water", soil.get(SoilProperty.PH), 1, "pH"),
                analyte("organic-matter", soil.get(SoilProperty.ORGANIC), 1, "%"),
                analyte("cec", cec, 1, "cmol/kg"),
                analyte("ex-ca", cec * 0.68, 1, "cmol/kg"),
                analyte("ex-mg", cec * 0.16, 1, "cmol/kg"),
                analyte("ex-k", cec * 0.03, 2, "cmol/kg")));
        if (!soil.sodiumUnknown()) {
            analytes.add(analyte("ex-na", cec * soil.get(SoilProperty.ESP) / 100, 2, "cmol/kg"));
        }
        return Map.of("analytes", analytes);
    }

    private static Map<String, Object> analyte(String code, double value, int decimals, String unit) {
        return Map.of("code", code, "value", Scatter.rounded(value, decimals), "unit", unit);
    }

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        Map<String, String> units = Map.ofEntries(
                Map.entry("ph-water", "pH"),
                Map.entry("ph-cacl2", "pH"),
                Map.entry("organic-matter", "%"),
                Map.entry("ece", "dS/m"),
                Map.entry("buffer-ph", "t/ha"));
        Map<Object, Map<String, Object>> byCode = new LinkedHashMap<>();
        for (Map<String, Object> analyte : SoundTrees.groups(tree, "analytes")) {
            String code = (String) analyte.get("code");
            boolean exchangeable = code.startsWith("ex-") || code.equals("cec");
            analyte.put("unit", units.getOrDefault(code, exchangeable ? "cmol/kg" : "mg/kg"));
            analyte.put("value", 14 * random.nextDouble());
            byCode.put(code, analyte);
        }
        tree.put("analytes", new ArrayList<>(byCode.values()));
    }
}
