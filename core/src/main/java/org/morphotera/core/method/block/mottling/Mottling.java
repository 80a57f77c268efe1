package org.morphotera.core.method.block.mottling;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.block.HalfScore;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Level;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/** Rust, black and grey mottles: a score by sight, or the shares of the face they cover. */
public final class Mottling implements FieldMethod<Mottling.Readings> {

    /**
     * A score by eye, or shares that it follows from.
     *
     * @param score 0..2 in halves, or {@code null}
     * @param rustPct share of the face, 0..100 %, or {@code null}
     * @param blackPct share of the face, 0..100 %, or {@code null}
     * @param greyPct share of the face, 0..100 %, or {@code null}
     */
    public record Readings(Double score, Double rustPct, Double blackPct, Double greyPct) {

        private boolean hasShares() {
            return rustPct != null || blackPct != null || greyPct != null;
        }

        private double totalPct() {
            return or0(rustPct) + or0(blackPct) + or0(greyPct);
        }
    }

    private static final double FEW_UNDER_PCT = 5;
    static final double COMMON_UNDER_PCT = 25;
    private static final double LONG_WET_GREY_PCT = 10;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("mottling", "score"));
        return new MethodCard("mottling", Family.BLOCK, rates, null, 3, 200, 400, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("score", Unit.NONE, HalfScore.RANGE, Need.OPTIONAL),
                fields.number("rustPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("blackPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("greyPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        HalfScore.check("score", readings.score(), faults);
        if (readings.score() == null && !readings.hasShares()) {
            faults.add("", "ONE_AT_LEAST");
        }
        if (readings.score() != null && readings.score() >= 2 && readings.totalPct() > COMMON_UNDER_PCT) {
            faults.add("score", "SCORE_CONTRADICTS_SHARES", Map.of("sum", readings.totalPct()));
        }
        if (readings.totalPct() > 100) {
            faults.add("", "SHARES_OVER", Map.of("sum", readings.totalPct()));
        }
    }

    private static double or0(Double share) {
        return share == null ? 0 : share;
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("mottling");
        double total = readings.totalPct();
        double byShares = total < FEW_UNDER_PCT ? 2 : total < COMMON_UNDER_PCT ? 1 : 0;
        double score = readings.score() == null ? byShares : readings.score();
        if (readings.hasShares()) {
            out.value("mottledPct", total, Unit.PERCENT);
        }
        out.value("score", score, Unit.NONE);
        boolean grey = or0(readings.greyPct()) >= LONG_WET_GREY_PCT;
        if (grey) {
            out.note("LONG_WATERLOGGED", Severity.CAUTION);
        }
        if (or0(readings.blackPct()) > 0) {
            out.note("WATER_TABLE_MOVES", Severity.INFO);
        }
        boolean few = Level.of(score / 2) == Level.ROBUST;
        return (grey && few ? out.scoreOfTwo("mottling", score, "grey") : out.scoreOfTwo("mottling", score)).build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new MottlingEvidence();
    }
}
