package org.morphotera.core.plan.calculator;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Ponding;
import org.morphotera.core.soil.Unit;

/** How much, how often and how long to irrigate without runoff (time to ponding after Smith and Parlange, 1978). */
final class Irrigation implements Calculator<Irrigation.Inputs> {

    record Inputs(
            Double rootableWaterMm,
            Double allowedDepletionPct,
            Double dailyUseMm,
            Double applicationMmH,
            Double steadyRateMmH,
            Double sorptivity,
            Double waterEc) {}

    @Override
    public String id() {
        return "irrigation";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("rootableWaterMm", Unit.MM, Range.between(0, 5000), Need.REQUIRED),
                fields.numberOr("allowedDepletionPct", Unit.PERCENT, Range.PERCENT, 50),
                fields.number("dailyUseMm", Unit.MM, Range.between(0.01, 100), Need.REQUIRED),
                fields.number("applicationMmH", Unit.MM_PER_HOUR, Range.between(0.01, 5000), Need.REQUIRED),
                fields.number("steadyRateMmH", Unit.MM_PER_HOUR, Range.between(0, 5000), Need.REQUIRED),
                fields.number("sorptivity", Unit.MM_PER_ROOT_HOUR, Range.between(0, 5000), Need.OPTIONAL),
                fields.number("waterEc", Unit.DS_PER_M, Range.EC, Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.irrigation");
        double refill = in.rootableWaterMm() * in.allowedDepletionPct() / 100;
        Evaluation.Builder out = Evaluation.of(id())
                .value("refillMm", refill, Unit.MM)
                .value("intervalDays", refill / in.dailyUseMm(), Unit.DAY)
                .working(
                        "refillMm",
                        Map.of("water", in.rootableWaterMm(), "share", in.allowedDepletionPct()),
                        refill,
                        Unit.MM,
                        "Water in reach times the share that may be used");
        double rain = in.applicationMmH();
        double steady = in.steadyRateMmH();
        if (Ponding.never(rain, steady)) {
            out.code("runoff", "never");
        } else if (in.sorptivity() != null) {
            double s = in.sorptivity();
            double run = Ponding.minutes(rain, steady, s);
            out.value("longestRunMin", run, Unit.MINUTE)
                    .working(
                            "longestRunMin",
                            Map.of("rain", rain, "steady", steady, "s", s),
                            run,
                            Unit.MINUTE,
                            "Smith and Parlange, 1978");
            double perRun = rain * run / 60;
            if (perRun > Range.SMALLEST_STEP) {
                out.value("cycles", Math.ceil(refill / perRun - 1e-9), Unit.NONE);
            }
        }
        if (in.waterEc() != null && in.waterEc() > rules.at("check-salt-over", "dSPerM")) {
            out.note("SALT_CHECK", Severity.CAUTION);
        }
        return out.build();
    }
}
