package org.morphotera.core.method.aboveground.sward;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
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
import org.morphotera.core.soil.Unit;

/** How a sward does: green and dead share, clover, number of species and, where it was read, sugar in the sap. */
public final class Sward implements FieldMethod<Sward.Readings> {

    /** @param brixPct of the sap, or {@code null} */
    public record Readings(Double greenPct, Double deadPct, Double cloverPct, Integer speciesCount, Double brixPct) {}

    @Override
    public MethodCard card() {
        return new MethodCard(
                "sward",
                Family.ABOVE_GROUND,
                List.of(new MethodCard.Indicator("sward", "plantScorePct")),
                null,
                6,
                null,
                null,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("greenPct", Unit.PERCENT, Range.PERCENT, Need.REQUIRED),
                fields.number("deadPct", Unit.PERCENT, Range.PERCENT, Need.REQUIRED),
                fields.number("cloverPct", Unit.PERCENT, Range.PERCENT, Need.REQUIRED),
                fields.count("speciesCount", Range.COUNT, Need.REQUIRED),
                fields.number("brixPct", Unit.BRIX, Range.PERCENT, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.greenPct() + readings.deadPct() > 100) {
            faults.add("deadPct", "GREEN_AND_DEAD_OVER_100");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        List<Double> scores = new ArrayList<>();
        scores.add(2 * benchmarks.curve("sward.green").at(readings.greenPct()));
        scores.add(2 * benchmarks.curve("sward.dead").at(readings.deadPct()));
        scores.add(2 * benchmarks.curve("sward.clover").at(readings.cloverPct()));
        scores.add(2 * benchmarks.curve("sward.species").at(readings.speciesCount()));
        if (readings.brixPct() != null) {
            scores.add(2 * benchmarks.curve("sward.brix").at(readings.brixPct()));
        }
        double mean = scores.stream().mapToDouble(Double::doubleValue).sum() / scores.size();
        return Evaluation.of("sward")
                .value("plantScorePct", mean * 50, Unit.PERCENT)
                .working(
                        "plantScorePct",
                        Map.of("n", scores.size(), "mean", mean),
                        mean * 50,
                        Unit.PERCENT,
                        "Mean of the part scores")
                .scoreOfTwo("sward", mean)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new SwardEvidence();
    }
}
