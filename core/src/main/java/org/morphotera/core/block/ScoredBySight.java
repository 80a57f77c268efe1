package org.morphotera.core.block;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evaluation;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.Faults;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.Fields;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.Need;
import org.morphotera.core.soil.Unit;

/** Porosity, smell and finger stain: one score from 0 to 2 in halves, by descriptors in the message catalogue. */
public final class ScoredBySight implements FieldMethod<ScoredBySight.Readings> {

    public record Readings(Double score) {}

    private final String id;
    private final int minutes;

    private ScoredBySight(String id, int minutes) {
        this.id = id;
        this.minutes = minutes;
    }

    public static ScoredBySight porosity() {
        return new ScoredBySight("porosity", 3);
    }

    public static ScoredBySight smell() {
        return new ScoredBySight("smell", 1);
    }

    public static ScoredBySight fingerStain() {
        return new ScoredBySight("finger-stain", 2);
    }

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator(id, "score"));
        return new MethodCard(id, Family.BLOCK, rates, null, minutes, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(fields.number("score", Unit.NONE, HalfScore.RANGE, Need.REQUIRED));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        HalfScore.check("score", readings.score(), faults);
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of(id).value("score", readings.score(), Unit.NONE);
        return out.scoreOfTwo(id, readings.score()).build();
    }
}
