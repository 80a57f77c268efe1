package org.morphotera.core.method.aboveground.sward;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
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
import org.morphotera.core.soil.DepthLayer;
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
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).standing("sward", "sward").list();
    }

    @Override
    public Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double vigour = soil.get(SoilProperty.VIGOUR);
        return Map.of(
                "greenPct", Math.round(scatter.around(48 + 18 * vigour, 3, 20, 96)),
                "deadPct", Math.round(scatter.around(32 - 13 * vigour, 2, 2, 60)),
                "cloverPct", Math.round(scatter.around(4 + 13 * vigour, 2, 0, 55)),
                "speciesCount", (int) Math.round(scatter.around(3.5 + 2 * vigour, 0.6, 1, 12)));
    }

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        double green = SoundTrees.number(tree, "greenPct");
        tree.put("deadPct", Math.min(100 - green, SoundTrees.number(tree, "deadPct")));
    }
}
