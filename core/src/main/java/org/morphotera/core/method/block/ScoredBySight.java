package org.morphotera.core.method.block;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.Unit;

/** What is judged by eye, nose or fingers alone: one score from 0 to 2 in halves, by descriptors in the texts. */
public abstract class ScoredBySight implements FieldMethod<ScoredBySight.Readings> {

    /** @param score 0, 0.5, 1, 1.5 or 2 */
    public record Readings(Double score) {}

    private final String id;
    private final int minutes;

    /** @param minutes of hands-on work */
    protected ScoredBySight(String id, int minutes) {
        this.id = id;
        this.minutes = minutes;
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
