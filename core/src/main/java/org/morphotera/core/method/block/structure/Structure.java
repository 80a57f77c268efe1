package org.morphotera.core.method.block.structure;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
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
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * Structure of the dug block, by one of four keys: the spade block (after Ball et al., 2007, and Guimarães et al.,
 * 2011), breaking by hand, dropping and sorting (after Shepherd, 2000), or squeezing a lump.
 */
public final class Structure implements FieldMethod<Structure.Readings> {

    /** Which key was used. */
    public enum Key implements Coded {
        SPADE_BLOCK,
        HAND_BREAK,
        DROP_SORT,
        SQUEEZE
    }

    /** What a squeezed lump does. */
    public enum Squeeze implements Coded {
        FALLS_APART_AT_TOUCH(2),
        BREAKS_WHEN_PRESSED(1),
        STAYS_A_LUMP(0);

        private final double score;

        Squeeze(double score) {
            this.score = score;
        }
    }

    /**
     * @param thicknessMm over 0, to 5000 mm
     * @param score 1 friable to 5 very compact
     */
    public record Layer(Double thicknessMm, Double score) {}

    /** Units of a size class after dropping. */
    public record Fraction(Double minMm, Double maxMm, Double massG) {}

    /**
     * Which of them count goes by the key; the others are {@code null}.
     *
     * @param blockScore 1 friable to 5 very compact, of the block as a whole
     * @param layers of the block, each with its own score, instead of one for the whole
     * @param handScore 0 poor to 2 good, of a clod broken by hand
     * @param drops how often the block was dropped, 1..3
     * @param fractions what it fell into, by size
     * @param squeeze what a squeezed lump did
     */
    public record Readings(
            Key key,
            Double blockScore,
            List<Layer> layers,
            Double handScore,
            Integer drops,
            List<Fraction> fractions,
            Squeeze squeeze) {}

    static final double FINE_UP_TO_MM = 20;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("structure", "score"));
        return new MethodCard("structure", Family.BLOCK, rates, null, 8, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        Need dropSort = Need.when("key", Key.DROP_SORT);
        Range blockScore = Range.between(1, 5);
        return new Readings(
                fields.word("key", List.of(Key.values()), Need.REQUIRED),
                fields.number("score", Unit.NONE, blockScore, Need.optionalWhen("key", Key.SPADE_BLOCK)),
                fields.list(
                        "layers",
                        Range.LIST,
                        Need.optionalWhen("key", Key.SPADE_BLOCK),
                        layer -> new Layer(
                                layer.number("thicknessMm", Unit.MM, Range.above(0, 5000), Need.REQUIRED),
                                layer.number("score", Unit.NONE, blockScore, Need.REQUIRED))),
                fields.number("score", Unit.NONE, Range.between(0, 2), Need.when("key", Key.HAND_BREAK)),
                fields.count("drops", Range.between(1, 3), Need.optionalWhen("key", Key.DROP_SORT)),
                fields.list(
                        "fractions",
                        Range.LIST,
                        dropSort,
                        fraction -> new Fraction(
                                fraction.number("minMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                                fraction.number("maxMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                                fraction.number("massG", Unit.GRAM, Range.between(0, 1_000_000), Need.REQUIRED))),
                fields.word("squeeze", List.of(Squeeze.values()), Need.when("key", Key.SQUEEZE)));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.key() == Key.SPADE_BLOCK && readings.blockScore() == null == (readings.layers() == null)) {
            faults.add("score", "SCORE_OR_LAYERS");
        }
        if (readings.fractions() != null) {
            double mass = 0;
            for (int i = 0; i < readings.fractions().size(); i++) {
                Fraction fraction = readings.fractions().get(i);
                mass += fraction.massG();
                if (fraction.maxMm() - fraction.minMm() < Range.SMALLEST_STEP) {
                    faults.add("fractions[" + i + "].maxMm", "SIZE_CLASS");
                }
            }
            if (mass < Range.SMALLEST_STEP) {
                faults.add("fractions", "NO_MASS");
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("structure");
        switch (readings.key()) {
            case SPADE_BLOCK -> spadeBlock(readings, out);
            case HAND_BREAK -> ofTwo(readings.handScore(), out);
            case DROP_SORT -> dropSort(readings.fractions(), out);
            case SQUEEZE -> ofTwo(readings.squeeze().score, out);
        }
        return out.build();
    }

    private static void ofTwo(double score, Evaluation.Builder out) {
        out.value("score", score, Unit.NONE).scoreOfTwo("structure", score);
    }

    private static void spadeBlock(Readings readings, Evaluation.Builder out) {
        double score;
        Double low = null;
        Double high = null;
        if (readings.layers() == null) {
            score = readings.blockScore();
        } else {
            double thickness = 0;
            double sum = 0;
            low = 5.0;
            high = 1.0;
            for (Layer layer : readings.layers()) {
                thickness += layer.thicknessMm();
                sum += layer.thicknessMm() * layer.score();
                low = Math.min(low, layer.score());
                high = Math.max(high, layer.score());
            }
            // rounding may carry the mean of equal scores past them, and the standing past its end
            score = Math.min(high, Math.max(low, sum / thickness));
            Map<String, Object> args = Map.of("thickness", thickness, "sum", sum);
            out.working("layeredScore", args, score, Unit.NONE, "Weighted by thickness");
        }
        Double worst = high == null ? null : Double.valueOf(standing(high));
        Double best = low == null ? null : Double.valueOf(standing(low));
        Map<String, Object> args = Map.of("score", score);
        out.value("score", score, Unit.NONE, low, high)
                .level("structure", standing(score), worst, best, args)
                .working(
                        "blockStanding",
                        args,
                        standing(score),
                        Unit.NONE,
                        "After Ball et al., 2007; Guimarães et al., 2011");
    }

    private static double standing(double blockScore) {
        return 1 - (blockScore - 1) / 4;
    }

    private static void dropSort(List<Fraction> fractions, Evaluation.Builder out) {
        double mass = 0;
        double weighted = 0;
        double fine = 0;
        for (Fraction fraction : fractions) {
            double middle = (fraction.minMm() + fraction.maxMm()) / 2;
            double fineShare = (FINE_UP_TO_MM - fraction.minMm()) / (fraction.maxMm() - fraction.minMm());
            mass += fraction.massG();
            weighted += middle * fraction.massG();
            fine += Math.max(0, Math.min(1, fineShare)) * fraction.massG();
        }
        double finePct = 100 * fine / mass;
        double exact = Math.max(0, Math.min(2, 2 * (finePct - 10) / 65));
        double score = Math.floor(exact * 2 + 0.5) / 2;
        out.value("meanWeightDiameterMm", weighted / mass, Unit.MM)
                .value("finePct", finePct, Unit.PERCENT)
                .working(
                        "finePct",
                        Map.of("fine", fine, "mass", mass),
                        finePct,
                        Unit.PERCENT,
                        "Share by mass up to 20 mm")
                .working("dropScore", Map.of("fine", finePct), score, Unit.NONE, "After Shepherd, 2000");
        ofTwo(score, out);
    }

    @Override
    public Evidence<Readings> evidence() {
        return new StructureEvidence();
    }

    @Override
    public Capture capture() {
        return new StructureCapture();
    }
}
