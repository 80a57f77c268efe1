package org.morphotera.core.method.aboveground.groundcover;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.interval.BinomialConfidenceInterval;
import org.apache.commons.statistics.interval.Interval;
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
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * Ground cover by points (step-point or quadrat grid) or by estimated shares. Stones count as cover. The interval of
 * counted points is Wilson's (Wilson, 1927).
 */
public final class GroundCover implements FieldMethod<GroundCover.Readings> {

    /** What lies under a point. */
    public enum Cover implements Coded {
        LIVING,
        LITTER,
        STONE,
        BARE
    }

    /**
     * Points read one by one, or shares estimated by eye.
     *
     * @param points 20..500 points, in the order of walking; {@code null} where shares are given
     * @param livingPct share under living plants, 0..100 %; all four given must make 100 within 1
     * @param litterPct share under dead plants, 0..100 %
     * @param stonePct share under stones, 0..100 %
     * @param barePct share of bare soil, 0..100 %
     */
    public record Readings(List<Cover> points, Double livingPct, Double litterPct, Double stonePct, Double barePct) {}

    private static final double ERROR_RATE = 0.05;
    private static final double EROSION_UNDER_PCT = 70;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "ground-cover",
                Family.ABOVE_GROUND,
                List.of(new MethodCard.Indicator("ground-cover", "coverPct")),
                null,
                5,
                null,
                null,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.words("points", List.of(Cover.values()), true, Range.between(20, 500), Need.OPTIONAL),
                fields.number("livingPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("litterPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("stonePct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("barePct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        Map<String, Double> shares = new LinkedHashMap<>();
        shares.put("livingPct", readings.livingPct());
        shares.put("litterPct", readings.litterPct());
        shares.put("stonePct", readings.stonePct());
        shares.put("barePct", readings.barePct());
        long given = shares.values().stream().filter(share -> share != null).count();
        if (readings.points() == null == (given == 0)) {
            faults.add("", "POINTS_OR_SHARES");
        } else if (given > 0) {
            shares.forEach((name, share) -> {
                if (share == null) {
                    faults.add(name, "MISSING");
                }
            });
            double sum = shares.values().stream()
                    .mapToDouble(share -> share == null ? 0 : share)
                    .sum();
            if (given == shares.size() && Math.abs(sum - 100) > 1) {
                faults.add("", "SHARES_SUM", Map.of("sum", sum));
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("ground-cover");
        double cover;
        Double low = null;
        Double high = null;
        if (readings.points() == null) {
            cover = 100 - readings.barePct();
            out.working("coverPct", Map.of("bare", readings.barePct()), cover, Unit.PERCENT, "What is not bare");
        } else {
            int n = readings.points().size();
            long covered = readings.points().stream()
                    .filter(point -> point != Cover.BARE)
                    .count();
            double share = (double) covered / n;
            cover = 100 * share;
            Interval wilson = BinomialConfidenceInterval.WILSON_SCORE.fromErrorRate(n, (int) covered, ERROR_RATE);
            low = 100 * wilson.getLowerBound();
            high = 100 * wilson.getUpperBound();
            out.working("coverPoints", Map.of("covered", covered, "n", n), cover, Unit.PERCENT, "Wilson, 1927");
        }
        out.value("coverPct", cover, Unit.PERCENT, low, high);
        if (cover < EROSION_UNDER_PCT) {
            out.note("EROSION_RISK", Severity.CAUTION);
        }
        return out.curve("ground-cover", benchmarks.curve("ground-cover"), cover, low, high)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new GroundCoverEvidence();
    }

    @Override
    public Capture capture() {
        return new GroundCoverCapture();
    }
}
