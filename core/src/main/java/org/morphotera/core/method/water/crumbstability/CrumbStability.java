package org.morphotera.core.method.water.crumbstability;

import java.util.ArrayList;
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
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.MeanScore;
import org.morphotera.core.statistics.Sample;

/**
 * Air-dry crumbs in rain water: when each gives way (slaking), and whether a cloud of clay spreads (dispersion; after
 * Emerson, 1967, and Field et al., 1997). The two have different causes and cures and are rated apart.
 */
public final class CrumbStability implements FieldMethod<CrumbStability.Readings> {

    /** The water in the dish. */
    public enum Water implements Coded {
        RAIN,
        DISTILLED,
        TAP
    }

    /** The mildest treatment that made a crumb give way. */
    public enum Slake implements Coded {
        UNDER_60S(0),
        WITHIN_10MIN(0.5) {
            @Override
            public String code() {
                return "within-10min";
            }
        },
        GENTLE_SWIRL(1),
        STRONG_SWIRL(1.5),
        HOLDS(2);

        private final double points;

        Slake(double points) {
            this.points = points;
        }

        double points() {
            return points;
        }
    }

    /** Milky cloud around a crumb. */
    public enum Cloud implements Coded {
        NONE,
        FAINT,
        STRONG
    }

    /**
     * One crumb.
     *
     * @param collapseSeconds when it gave way by itself, s
     * @param partly whether only a part came away; unless said, the whole
     * @param cloud30 read again after 30 minutes, or {@code null}
     * @param stone pressed at the end and found to be a stone; {@code null} when not pressed
     */
    public record Crumb(
            Slake slake, Double collapseSeconds, Boolean partly, Cloud cloud10, Cloud cloud30, Boolean stone) {

        /** Points of 2 for slaking; half a point more where only a part came away. */
        double points() {
            return Math.min(HIGHEST_SCORE, slake.points() + (Boolean.TRUE.equals(partly) ? 0.5 : 0));
        }

        /** The later reading of the cloud where there is one. */
        Cloud cloud() {
            return cloud30 == null ? cloud10 : cloud30;
        }
    }

    /**
     * @param water rain or distilled water, or another that misleads
     * @param airDry whether the crumbs were dry before, or {@code null}
     * @param crumbs at least one
     */
    public record Readings(Water water, Boolean airDry, List<Crumb> crumbs) {}

    static final int FEWEST_CRUMBS = 3;
    private static final double HIGHEST_SCORE = 2;
    static final double STAGE_SECONDS = 60;
    static final double WATCHED_SECONDS = 600;
    private static final double SUBSOIL_FROM_MM = 300;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "crumb-stability",
                Family.WATER,
                List.of(
                        new MethodCard.Indicator("slaking", "slakeScore"),
                        new MethodCard.Indicator("dispersion", "dispersionScore")),
                null,
                6,
                0,
                100,
                List.of(
                        new TimedStep("stand-60", 60, 5),
                        new TimedStep("gentle-swirl", 75, 30),
                        new TimedStep("strong-swirl", 105, 30),
                        new TimedStep("cloud-10", 600, 60),
                        new TimedStep("cloud-30", 1800, 120)));
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.word("water", List.of(Water.values()), Need.REQUIRED),
                fields.flag("airDry", Need.OPTIONAL),
                fields.list("crumbs", Range.LIST, Need.REQUIRED, CrumbStability::readCrumb));
    }

    private static Crumb readCrumb(Fields fields) {
        return new Crumb(
                fields.word("slake", List.of(Slake.values()), Need.REQUIRED),
                fields.number("collapseSeconds", Unit.SECOND, Range.SECONDS, Need.OPTIONAL),
                fields.flag("partly", Need.OPTIONAL),
                fields.word("cloud10", List.of(Cloud.values()), Need.REQUIRED),
                fields.word("cloud30", List.of(Cloud.values()), Need.OPTIONAL),
                fields.flag("stone", Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        for (int i = 0; i < readings.crumbs().size(); i++) {
            Crumb crumb = readings.crumbs().get(i);
            if (crumb.collapseSeconds() == null) {
                continue;
            }
            double after = crumb.collapseSeconds();
            boolean contradicts = switch (crumb.slake()) {
                case UNDER_60S -> after > STAGE_SECONDS;
                case WITHIN_10MIN -> after < STAGE_SECONDS || after > WATCHED_SECONDS;
                case HOLDS -> true;
                default -> false;
            };
            if (contradicts) {
                faults.add("crumbs[" + i + "].collapseSeconds", "COLLAPSE_CONTRADICTS");
            }
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        List<Crumb> usable = readings.crumbs().stream()
                .filter(crumb -> !Boolean.TRUE.equals(crumb.stone()))
                .toList();
        Evaluation.Builder out = Evaluation.of("crumb-stability").value("usableCrumbs", usable.size(), Unit.NONE);
        if (usable.size() < FEWEST_CRUMBS) {
            out.note("FEW_CRUMBS", Severity.CAUTION, Map.of("n", usable.size()));
        }
        if (!usable.isEmpty()) {
            double score = slaking(usable, out);
            Dispersion dispersion = Dispersion.of(usable);
            dispersion(dispersion, out);
            out.code("tenMinute", tenMinuteWatch(usable, score, dispersion));
            if (dispersion.grade() == Dispersion.Grade.POOR
                    && context.depthTopMm() != null
                    && context.depthTopMm() >= SUBSOIL_FROM_MM) {
                out.note("TUNNEL_EROSION_RISK", Severity.CAUTION);
            }
        }
        return cautions(readings, usable, out).build();
    }

    private static double slaking(List<Crumb> usable, Evaluation.Builder out) {
        List<Double> points = usable.stream().map(Crumb::points).toList();
        MeanScore mean = MeanScore.of(points, 0, HIGHEST_SCORE);
        double median = Sample.of(points).median();
        String grade = median == 0 ? "poor" : median < HIGHEST_SCORE ? "fair" : "good";
        double standing = mean.mean() / HIGHEST_SCORE;
        Double low = mean.low() == null ? null : Double.valueOf(mean.low() / HIGHEST_SCORE);
        Double high = mean.high() == null ? null : Double.valueOf(mean.high() / HIGHEST_SCORE);
        double sum = mean.mean() * points.size();
        Map<String, Object> args = Map.of("n", points.size(), "sum", sum, "score", mean.mean(), "grade", grade);
        out.value("slakeScore", mean.mean(), Unit.NONE, mean.low(), mean.high())
                .code("slaking", grade)
                .standing("slaking", standing, low, high, grade, args)
                .rating("slaking", "points", mean.mean(), HIGHEST_SCORE, standing, low, high, grade, args)
                .working("slakeScore", args, mean.mean(), Unit.NONE, "Mean of the crumbs that are not stones")
                .working("slakeStanding", args, standing, Unit.NONE, "Score of 2 as a share");
        return mean.mean();
    }

    private static void dispersion(Dispersion dispersion, Evaluation.Builder out) {
        double score = dispersion.grade().score();
        double standing = score / HIGHEST_SCORE;
        String grade = dispersion.grade().code();
        Map<String, Object> args =
                Map.of("strong", dispersion.strong(), "clouded", dispersion.clouded(), "n", dispersion.crumbs());
        String why = "dispersion-" + grade;
        out.value("dispersionScore", score, Unit.NONE)
                .code("dispersion", grade)
                .standing("dispersion", standing, null, null, why, args)
                .rating("dispersion", "points", score, HIGHEST_SCORE, standing, null, null, why, args)
                .working("dispersionScore", args, score, Unit.NONE, "After Emerson, 1967; Field et al., 1997");
    }

    /** The other school: one look after ten minutes. */
    private static String tenMinuteWatch(List<Crumb> usable, double score, Dispersion dispersion) {
        if (dispersion.strong() > 0) {
            return "disperses";
        }
        boolean allHold = usable.stream().allMatch(crumb -> crumb.slake() == Slake.HOLDS);
        if (allHold && dispersion.clouded() == 0) {
            return "stable";
        }
        return score < 1 ? "slakes-a-lot" : "slakes-slightly";
    }

    private static Evaluation.Builder cautions(Readings readings, List<Crumb> usable, Evaluation.Builder out) {
        List<String> notes = new ArrayList<>();
        if (usable.stream().anyMatch(crumb -> crumb.cloud10() != Cloud.NONE && crumb.cloud30() == null)) {
            notes.add("RECHECK_AT_30");
        }
        if (readings.water() == Water.TAP) {
            notes.add("TAP_WATER");
        }
        if (readings.crumbs().stream().allMatch(crumb -> crumb.stone() == null)) {
            notes.add("PRESS_FOR_STONES");
        }
        if (Boolean.FALSE.equals(readings.airDry())) {
            notes.add("NOT_AIR_DRY");
        }
        notes.forEach(code -> out.note(code, Severity.CAUTION));
        return out;
    }

    @Override
    public List<DepthLayer> layers() {
        return List.of(new DepthLayer(0, 100), new DepthLayer(300, 400));
    }

    @Override
    public Evidence<Readings> evidence() {
        return new CrumbStabilityEvidence();
    }

    @Override
    public Capture capture() {
        return new CrumbStabilityCapture();
    }
}
