package org.morphotera.core.plan.calculator;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/** What a kit's or a laboratory's steps ask for: add, hold or do not add, and when; no rates, which are local. */
final class Nutrients implements Calculator<Nutrients.Inputs> {

    /** Steps 0 depleted to 4 surplus; at least one. */
    record Inputs(Double n, Double p, Double k, TextureGroup textureGroup, Boolean carbonAddedLastAutumn) {}

    private static final Range STEP = Range.between(0, 4);
    private static final double ADD_UNDER = 2;
    private static final double HOLD_UNDER = 3.5;

    @Override
    public String id() {
        return "nutrients";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("n", Unit.STEP, STEP, Need.OPTIONAL),
                fields.number("p", Unit.STEP, STEP, Need.OPTIONAL),
                fields.number("k", Unit.STEP, STEP, Need.OPTIONAL),
                fields.word("textureGroup", List.of(TextureGroup.values()), Need.OPTIONAL),
                fields.flagOr("carbonAddedLastAutumn", false));
    }

    @Override
    public void check(Inputs in, Faults faults) {
        if (in.n() == null && in.p() == null && in.k() == null) {
            faults.add("", "ONE_AT_LEAST");
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of(id());
        if (in.n() != null) {
            boolean lockedUp = in.n() < ADD_UNDER && in.carbonAddedLastAutumn();
            out.code("nitrogen", lockedUp ? "wait" : advice(in.n()));
            if (lockedUp) {
                out.note("N_LOCKED_UP", Severity.INFO);
            }
        }
        if (in.p() != null) {
            out.code("phosphorus", advice(in.p()));
        }
        if (in.k() != null) {
            out.code("potassium", advice(in.k()));
        }
        if (in.textureGroup() == TextureGroup.COARSE) {
            out.note("SMALL_AND_OFTEN", Severity.INFO);
        }
        return out.note("LOCAL_TABLES_RULE", Severity.INFO).build();
    }

    private static String advice(double step) {
        return step < ADD_UNDER ? "add" : step < HOLD_UNDER ? "hold" : "do-not-add";
    }
}
