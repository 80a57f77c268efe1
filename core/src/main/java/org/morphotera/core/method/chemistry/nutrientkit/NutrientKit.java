package org.morphotera.core.method.chemistry.nutrientkit;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
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
import org.morphotera.core.soil.Unit;

/** Nitrogen, phosphorus and potassium by a colour kit: five steps, halves allowed, no laboratory figure. */
public final class NutrientKit implements FieldMethod<NutrientKit.Readings> {

    /** 0 empty, 1 short, 2 fair, 3 ample, 4 overfull; at least one of the three. */
    public record Readings(Double n, Double p, Double k) {}

    /** Names of the five steps, 0 to 4; a half belongs to the step below. */
    private static final List<String> STEPS = List.of("empty", "short", "fair", "ample", "overfull");

    private static final Range STEP = Range.between(0, 4);
    private static final double OVERFULL = 4;
    private static final double SHORT = 1;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "nutrient-kit",
                Family.CHEMISTRY,
                List.of(
                        new MethodCard.Indicator("nitrogen", "n"),
                        new MethodCard.Indicator("phosphorus", "p"),
                        new MethodCard.Indicator("potassium", "k")),
                null,
                12,
                0,
                150,
                List.of(new TimedStep("settle", 600, 120), new TimedStep("colour", 1200, 60)));
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("n", Unit.NONE, STEP, Need.OPTIONAL),
                fields.number("p", Unit.NONE, STEP, Need.OPTIONAL),
                fields.number("k", Unit.NONE, STEP, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.n() == null && readings.p() == null && readings.k() == null) {
            faults.add("", "ONE_AT_LEAST");
        }
        halves("n", readings.n(), faults);
        halves("p", readings.p(), faults);
        halves("k", readings.k(), faults);
    }

    private static void halves(String field, Double step, Faults faults) {
        if (step != null && step * 2 != Math.rint(step * 2)) {
            faults.add(field, "NOT_HALVES");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("nutrient-kit");
        Curve curve = benchmarks.curve("nutrient-kit");
        rate("nitrogen", "n", readings.n(), curve, out);
        rate("phosphorus", "p", readings.p(), curve, out);
        rate("potassium", "k", readings.k(), curve, out);
        Double n = readings.n();
        if (n != null && n <= SHORT && Boolean.TRUE.equals(context.carbonAddedLastAutumn())) {
            out.note("N_LOCKED_UP", Severity.INFO);
        }
        if (n != null && n == OVERFULL) {
            out.note("N_LEACHING", Severity.CAUTION);
        }
        if (readings.p() != null && readings.p() == OVERFULL) {
            out.note("P_SURPLUS_NO_ACTION", Severity.CAUTION);
        }
        return out.build();
    }

    private static void rate(String indicator, String name, Double step, Curve curve, Evaluation.Builder out) {
        if (step != null) {
            double standing = curve.at(step);
            Map<String, Object> args = Map.of("figure", step, "indicator", indicator);
            out.value(name, step, Unit.NONE)
                    .standing(indicator, standing, null, null, STEPS.get((int) Math.floor(step)), args)
                    .working("curve", args, standing, Unit.NONE, curve.source());
        }
    }

    @Override
    public Evidence<Readings> evidence() {
        return new NutrientKitEvidence();
    }
}
