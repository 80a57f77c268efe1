package org.morphotera.core.method.water.slump;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.TimedStep;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.MeanScore;

/** Clods set in water, fields or managements side by side: do they keep their shape? After Herrick et al. (2001). */
public final class Slump implements FieldMethod<Slump.Readings> {

    /** What became of a clod. */
    public enum ClodOutcome implements Coded {
        KEEPS_SHAPE(3),
        SOFTENS(2),
        SLUMPS(1),
        SPLATTERS(0);

        private final double score;

        ClodOutcome(double score) {
            this.score = score;
        }
    }

    /** What is left, turned out and taken in the hand. */
    public enum InHand implements Coded {
        MOULDS,
        RUNS
    }

    /**
     * @param label what the clod is called, at most 60 signs, or {@code null}
     * @param dryAtStart whether it was dry, or {@code null}
     * @param minutes after which it was looked at, or {@code null}
     * @param inHand whether what is left can be moulded or runs through the fingers, or {@code null}
     */
    public record Clod(String label, Boolean dryAtStart, Double minutes, ClodOutcome outcome, InHand inHand) {

        /** The score of 3; soil that runs through the fingers lost its crumbs, whatever shape it kept. */
        double score() {
            return Math.max(0, outcome.score - (inHand == InHand.RUNS ? 1 : 0));
        }
    }

    /** @param clods one to six */
    public record Readings(List<Clod> clods) {}

    private static final double HIGHEST_SCORE = 3;

    /** From this difference on the mean says less than best and worst by name. */
    private static final double TOLD_APART = 2;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("slump", "score"));
        return new MethodCard("slump", Family.WATER, rates, null, 4, 0, 100, List.of(new TimedStep("look-5", 300, 30)));
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(fields.list(
                "clods",
                Range.between(1, 6),
                Need.REQUIRED,
                clod -> new Clod(
                        clod.text("label", 60, Need.OPTIONAL),
                        clod.flag("dryAtStart", Need.OPTIONAL),
                        clod.number("minutes", Unit.MINUTE, Range.MINUTES, Need.OPTIONAL),
                        clod.word("outcome", List.of(ClodOutcome.values()), Need.REQUIRED),
                        clod.word("inHand", List.of(InHand.values()), Need.OPTIONAL))));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        List<Double> scores = readings.clods().stream().map(Clod::score).toList();
        MeanScore mean = MeanScore.of(scores, 0, HIGHEST_SCORE);
        double standing = mean.mean() / HIGHEST_SCORE;
        Double low = mean.low() == null ? null : Double.valueOf(mean.low() / HIGHEST_SCORE);
        Double high = mean.high() == null ? null : Double.valueOf(mean.high() / HIGHEST_SCORE);
        List<Map<String, Object>> ranking = readings.clods().stream()
                .sorted(Comparator.comparingDouble((Clod clod) -> -clod.score()))
                .map(Slump::row)
                .toList();
        Map<String, Object> args = Map.of("n", scores.size(), "score", mean.mean());
        Map<String, Object> best = ranking.get(0);
        Map<String, Object> worst = ranking.get(ranking.size() - 1);
        boolean apart = (Double) best.get("score") - (Double) worst.get("score") >= TOLD_APART;
        Evaluation.Builder out = Evaluation.of("slump")
                .value("score", mean.mean(), Unit.NONE, mean.low(), mean.high())
                .working("slumpStanding", args, standing, Unit.NONE, "Score of 3 as a share")
                .series("ranking", ranking);
        if (apart) {
            out.standing("slump", standing, low, high, "apart", named(best, worst));
        } else {
            out.level("slump", standing, low, high, args);
        }
        if (readings.clods().stream().anyMatch(clod -> Boolean.FALSE.equals(clod.dryAtStart()))) {
            out.note("START_DRY", Severity.CAUTION);
        }
        return out.build();
    }

    private static Object name(Map<String, Object> clod) {
        return clod.get("label") instanceof String label && !label.isBlank() ? label : "without a name";
    }

    private static Map<String, Object> named(Map<String, Object> best, Map<String, Object> worst) {
        return Map.of(
                "best", name(best),
                "bestOutcome", best.get("outcome"),
                "worst", name(worst),
                "worstOutcome", worst.get("outcome"));
    }

    private static Map<String, Object> row(Clod clod) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("label", clod.label() == null ? "" : clod.label());
        row.put("score", clod.score());
        row.put("outcome", clod.outcome().code());
        return row;
    }

    @Override
    public Evidence<Readings> evidence() {
        return new SlumpEvidence();
    }

    @Override
    public Capture capture() {
        return new SlumpCapture();
    }
}
