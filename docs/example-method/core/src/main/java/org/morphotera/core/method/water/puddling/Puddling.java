package org.morphotera.core.method.water.puddling;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.Unit;

/** The smallest method there can be, for docs/adding-a-method.md and its test: minutes until a puddle is gone. */
public final class Puddling implements FieldMethod<Puddling.Readings> {

    /** @param minutes until no water stands */
    public record Readings(Double minutes) {}

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("puddling", "minutes"));
        return new MethodCard("puddling", Family.WATER, rates, null, 2, 0, 50, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(fields.number("minutes", Unit.MINUTE, Range.above(0, 1440), Need.REQUIRED));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        return Evaluation.of("puddling")
                .value("minutes", readings.minutes(), Unit.MINUTE)
                .curve("puddling", benchmarks.curve("puddling"), readings.minutes(), null, null)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return (readings, envelope, layer) -> List.of(); // speaks of no constraint
    }
}
