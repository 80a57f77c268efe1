package org.morphotera.core.plan.calculator;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/**
 * Spacing of parallel drains by the steady-state equation of Hooghoudt (1940) in its two-layer form, with the
 * equivalent depth by the series of van der Molen and Wesseling (1991). A first figure for a talk, never a design.
 */
public final class DrainSpacing implements Calculator<DrainSpacing.Inputs> {

    record Inputs(
            Double permeabilityAboveMmH,
            Double permeabilityBelowMmH,
            Double drainDepthM,
            Double waterTableDepthM,
            Double impermeableDepthM,
            Double drainRadiusM,
            Double dischargeMmDay) {}

    private static final double M_PER_DAY = 24.0 / 1000;
    private static final double CLOSE_ENOUGH_M = 0.0005;
    private static final double USUAL_RADIUS_M = 0.05;
    private static final int MOST_STEPS = 2000;
    private static final double SMALLEST_TERM = 1e-12;

    @Override
    public String id() {
        return "drain-spacing";
    }

    @Override
    public Inputs read(Fields fields) {
        Range permeability = Range.above(0, 10_000);
        Range depth = Range.between(0, 20);
        return new Inputs(
                fields.number("permeabilityAboveMmH", Unit.MM_PER_HOUR, permeability, Need.REQUIRED),
                fields.number("permeabilityBelowMmH", Unit.MM_PER_HOUR, permeability, Need.REQUIRED),
                fields.number("drainDepthM", Unit.METRE, depth, Need.REQUIRED),
                fields.number("waterTableDepthM", Unit.METRE, depth, Need.REQUIRED),
                fields.number("impermeableDepthM", Unit.METRE, depth, Need.REQUIRED),
                fields.numberOr("drainRadiusM", Unit.METRE, Range.between(0.01, 1), USUAL_RADIUS_M),
                fields.number("dischargeMmDay", Unit.MM_PER_DAY, Range.between(0.1, 500), Need.REQUIRED));
    }

    @Override
    public void check(Inputs in, Faults faults) {
        if (in.drainDepthM() - in.waterTableDepthM() < 0.01) {
            faults.add("waterTableDepthM", "WATER_TABLE_BELOW_DRAIN");
        }
        if (in.impermeableDepthM() < in.drainDepthM()) {
            faults.add("impermeableDepthM", "DRAIN_BELOW_FLOOR");
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        double spacing = spacing(in, 1);
        return Evaluation.of(id())
                .value("spacingM", spacing, Unit.METRE, spacing(in, 0.5), spacing(in, 2))
                .working(
                        "spacingM",
                        Map.of(
                                "above",
                                in.permeabilityAboveMmH() * M_PER_DAY,
                                "below",
                                in.permeabilityBelowMmH() * M_PER_DAY,
                                "head",
                                in.drainDepthM() - in.waterTableDepthM(),
                                "q",
                                in.dischargeMmDay() / 1000),
                        spacing,
                        Unit.METRE,
                        "Hooghoudt, 1940; van der Molen and Wesseling, 1991")
                .note("LICENSED_DESIGN", Severity.CAUTION)
                .build();
    }

    /**
     * How far apart drains of the usual width would lie.
     *
     * @param aboveMmH permeability above the drain, over 0
     * @param belowMmH permeability below it, over 0
     * @param drainDepthM over the depth of the water that is wanted
     * @param waterTableDepthM of the water that is wanted midway
     * @param impermeableDepthM of the tight floor, at or under the drain
     * @param dischargeMmDay over 0
     * @return metres
     */
    public static double usualM(
            double aboveMmH,
            double belowMmH,
            double drainDepthM,
            double waterTableDepthM,
            double impermeableDepthM,
            double dischargeMmDay) {
        return spacing(
                new Inputs(
                        aboveMmH,
                        belowMmH,
                        drainDepthM,
                        waterTableDepthM,
                        impermeableDepthM,
                        USUAL_RADIUS_M,
                        dischargeMmDay),
                1);
    }

    private static double spacing(Inputs in, double factor) {
        double above = in.permeabilityAboveMmH() * M_PER_DAY * factor;
        double below = in.permeabilityBelowMmH() * M_PER_DAY * factor;
        double head = in.drainDepthM() - in.waterTableDepthM();
        double floor = in.impermeableDepthM() - in.drainDepthM();
        double q = in.dischargeMmDay() / 1000;
        double spacing = Math.sqrt((8 * below * floor * head + 4 * above * head * head) / q);
        for (int step = 0; step < MOST_STEPS; step++) {
            double d = equivalentDepth(spacing, floor, in.drainRadiusM());
            double next = Math.sqrt((8 * below * d * head + 4 * above * head * head) / q);
            if (Math.abs(next - spacing) < CLOSE_ENOUGH_M / 100) {
                return next;
            }
            spacing = (spacing + next) / 2;
        }
        return spacing;
    }

    /** d = (πL/8) / (ln(L/(πr)) + F(2πD/L)), at most D; 0 on the floor itself. */
    private static double equivalentDepth(double spacing, double floor, double radius) {
        if (floor <= 0) {
            return 0;
        }
        double x = 2 * Math.PI * floor / spacing;
        double series = 0;
        for (int n = 1; n < MOST_STEPS; n += 2) {
            double fade = Math.exp(-2 * n * x);
            double term = 4 * fade / (n * (1 - fade));
            series += term;
            if (term < SMALLEST_TERM) {
                break;
            }
        }
        double below = Math.log(spacing / (Math.PI * radius)) + series;
        return below <= 0 ? floor : Math.min(floor, Math.PI * spacing / 8 / below);
    }
}
