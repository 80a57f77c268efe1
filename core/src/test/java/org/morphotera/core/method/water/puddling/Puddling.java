package org.morphotera.core.method.water.puddling;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.DepthLayer;
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
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return List.of(); // speaks of no constraint
    }

    @Override
    public Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double minutes = 1500 / soil.get(SoilProperty.INFILTRATION);
        return Map.of("minutes", Scatter.rounded(scatter.around(minutes, 0.1 * minutes, 1, 1440), 0));
    }
}
