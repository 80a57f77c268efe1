package org.morphotera.core.plan.calculator;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/** Gypsum to replace exchangeable sodium: 0.861 g per cmol (Richards, 1954); a test strip where no laboratory spoke. */
final class Gypsum implements Calculator<Gypsum.Inputs> {

    record Inputs(
            Double espPct,
            Double espHalfWidthPct,
            Double targetEspPct,
            Double cecCmolKg,
            Double depthMm,
            Double bulkDensity,
            Double purityPct,
            Double efficiencyPct,
            Double areaHa,
            Double pricePerT) {}

    private static final double G_PER_CMOL = 0.861;

    @Override
    public String id() {
        return "gypsum";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("espPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.numberOr("espHalfWidthPct", Unit.PERCENT, Range.between(0, 50), 0),
                fields.numberOr("targetEspPct", Unit.PERCENT, Range.PERCENT, 5),
                fields.number("cecCmolKg", Unit.CMOL_PER_KG, Range.above(0, 1000), Need.OPTIONAL),
                fields.numberOr("depthMm", Unit.MM, Layer.DEPTH_MM, 150),
                fields.numberOr("bulkDensity", Unit.T_PER_CUBIC_METRE, Layer.BULK_DENSITY, Layer.USUAL_DENSITY),
                fields.numberOr("purityPct", Unit.PERCENT, Range.between(1, 100), 100),
                fields.numberOr("efficiencyPct", Unit.PERCENT, Range.between(1, 100), 80),
                fields.numberOr("areaHa", Unit.HECTARE, Layer.AREA_HA, 1),
                fields.number("pricePerT", Unit.PER_TONNE, Layer.PRICE, Need.OPTIONAL));
    }

    @Override
    public List<String> ofProduct() {
        return List.of("purityPct", "pricePerT");
    }

    @Override
    public void check(Inputs in, Faults faults) {
        if (in.espPct() != null && in.cecCmolKg() == null) {
            faults.add("cecCmolKg", "MISSING");
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.gypsum");
        double need;
        double least;
        double most;
        String advice;
        Evaluation.Builder out = Evaluation.of(id());
        if (in.espPct() == null) {
            need = rules.at("test-strip", "tPerHa");
            least = need;
            most = need;
            advice = "test-strip";
            out.note("LAB_FIRST", Severity.CAUTION);
        } else {
            double mass = Layer.massKgHa(in.depthMm(), in.bulkDensity());
            double exact = need(in, in.espPct(), mass);
            boolean worthIt = exact >= rules.at("least-worth", "tPerHa");
            need = worthIt ? exact : 0;
            // as little as nothing, where even the middle is not worth it
            least = worthIt ? need(in, in.espPct() - in.espHalfWidthPct(), mass) : 0;
            most = need(in, in.espPct() + in.espHalfWidthPct(), mass);
            advice = worthIt ? "apply" : "not-needed";
            out.working(
                    "gypsumTHa",
                    Map.of(
                            "esp", in.espPct(),
                            "target", in.targetEspPct(),
                            "cec", in.cecCmolKg(),
                            "mass", mass,
                            "purity", in.purityPct(),
                            "efficiency", in.efficiencyPct()),
                    need,
                    Unit.T_PER_HA,
                    "Richards, 1954");
        }
        if (in.pricePerT() != null) {
            out.value("cost", need * in.areaHa() * in.pricePerT(), Unit.NONE);
        }
        double inAYear = rules.at("most-in-a-year", "tPerHa");
        boolean known = in.espPct() != null && in.espHalfWidthPct() > 0;
        return out.value("gypsumTHa", need, Unit.T_PER_HA, known ? least : null, known ? most : null)
                .value("gypsumT", need * in.areaHa(), Unit.TONNE)
                .value("years", Math.ceil(need / inAYear), Unit.NONE)
                .value("firstYearTHa", Math.min(need, inAYear), Unit.T_PER_HA)
                .code("advice", advice)
                .note("DUST_SAFETY", Severity.CAUTION)
                .build();
    }

    /** What replaces the sodium over the target, t/ha. */
    private static double need(Inputs in, double espPct, double massKgHa) {
        double over = Math.max(0, espPct - in.targetEspPct()) / 100;
        return over
                * in.cecCmolKg()
                * G_PER_CMOL
                * massKgHa
                / 1e6
                / (in.purityPct() / 100)
                / (in.efficiencyPct() / 100);
    }
}
