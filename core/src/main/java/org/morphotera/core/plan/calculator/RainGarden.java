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
import org.morphotera.core.soil.Unit;

/** Area of a rain-garden basin for a storm (after Dietz, 2007); refused where the soil is too tight. */
final class RainGarden implements Calculator<RainGarden.Inputs> {

    record Inputs(
            Double catchmentM2,
            Double runoffPct,
            Double stormMm,
            Double stormHours,
            Double rateMmH,
            Double pondingMm,
            Double emptyWithinHours) {}

    /** Most rules ask for a basin that is empty within a day, some allow two. */
    private static final double USUAL_HOURS = 24;

    @Override
    public String id() {
        return "rain-garden";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("catchmentM2", Unit.SQUARE_METRE, Range.above(0, 1_000_000), Need.REQUIRED),
                fields.numberOr("runoffPct", Unit.PERCENT, Range.PERCENT, 90),
                fields.number("stormMm", Unit.MM, Range.between(0, 2000), Need.REQUIRED),
                fields.number("stormHours", Unit.HOUR, Range.between(0, 240), Need.REQUIRED),
                fields.number("rateMmH", Unit.MM_PER_HOUR, Range.between(0, 5000), Need.REQUIRED),
                fields.numberOr("pondingMm", Unit.MM, Range.above(0, 5000), 200),
                fields.numberOr("emptyWithinHours", Unit.HOUR, Range.between(6, 72), USUAL_HOURS));
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.rain-garden");
        double ponding = Math.min(
                in.pondingMm(), Math.min(in.emptyWithinHours() * in.rateMmH(), rules.at("deepest-mm", "value")));
        Evaluation.Builder out = Evaluation.of(id()).value("pondingMm", ponding, Unit.MM);
        if (in.rateMmH() < rules.at("tightest-mm-per-h", "value")) {
            return out.code("advice", "do-not")
                    .note("TOO_TIGHT", Severity.CAUTION)
                    .note("SETBACK_AND_OVERFLOW", Severity.CAUTION)
                    .build();
        }
        if (in.rateMmH() > rules.at("fastest-mm-per-h", "value")) {
            out.note("TOO_FAST_FOR_PLANTS", Severity.CAUTION);
        }
        double basin =
                in.catchmentM2() * in.runoffPct() / 100 * in.stormMm() / (ponding + in.rateMmH() * in.stormHours());
        return out.value("basinM2", basin, Unit.SQUARE_METRE)
                .value("sharePct", 100 * basin / in.catchmentM2(), Unit.PERCENT)
                .value("drainHours", ponding / in.rateMmH(), Unit.HOUR)
                .code("advice", "possible")
                .working(
                        "basinM2",
                        Map.of(
                                "catchment", in.catchmentM2(),
                                "runoff", in.runoffPct(),
                                "storm", in.stormMm(),
                                "ponding", ponding,
                                "rate", in.rateMmH(),
                                "hours", in.stormHours()),
                        basin,
                        Unit.SQUARE_METRE,
                        rules.source())
                .note("SETBACK_AND_OVERFLOW", Severity.CAUTION)
                .build();
    }
}
