package org.morphotera.core.method.chemistry.fizz;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * Free lime by acid on a crumb (classes after Soil Science Division Staff, 2017), and what sulfur it would take to
 * clear it: 0.32 t per t of calcium carbonate.
 */
public final class Fizz implements FieldMethod<Fizz.Readings> {

    /** The acid dropped on. */
    public enum Acid implements Coded {
        HCL_10,
        VINEGAR
    }

    /** What is seen. */
    public enum Seen implements Coded {
        NOTHING,
        FEW_BUBBLES,
        BUBBLING,
        LOW_FOAM,
        THICK_FOAM
    }

    /** What is heard beside the ear. */
    public enum Heard implements Coded {
        NO,
        FAINT,
        CLEAR
    }

    /**
     * @param acid which acid was dripped on
     * @param seen how strongly it foamed
     * @param heard whether it was heard; unless said, no
     * @param bulkDensity of the layer, 0.1..2.65 g/cm³; unless said, 1.3
     */
    public record Readings(Acid acid, Seen seen, Heard heard, Double bulkDensity) {}

    private static final double SULFUR_PER_LIME = 0.32;
    private static final double HOPELESS_OVER_T_HA = 3;

    /** The layer that is steered, where the sampled one is not known. */
    private static final double USUAL_LAYER_MM = 150;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("free-lime", "caco3Pct"));
        return new MethodCard("fizz", Family.CHEMISTRY, rates, null, 2, 0, 150, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.word("acid", List.of(Acid.values()), Need.REQUIRED),
                fields.word("seen", List.of(Seen.values()), Need.REQUIRED),
                fields.wordOr("heard", List.of(Heard.values()), Heard.NO),
                fields.numberOr("bulkDensity", Unit.T_PER_CUBIC_METRE, Range.between(0.1, 2.65), 1.3));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        String grade = switch (readings.seen()) {
            case NOTHING -> readings.heard() == Heard.NO ? "none" : "slight";
            case FEW_BUBBLES -> "slight";
            case BUBBLING -> "moderate";
            case LOW_FOAM -> "strong";
            case THICK_FOAM -> "extreme";
        };
        Table classes = benchmarks.table("fizz.classes");
        Evaluation.Builder out = Evaluation.of("fizz").code("carbonate", grade);
        if (readings.acid() == Acid.VINEGAR) {
            out.note("VINEGAR_UNDERSTATES", Severity.CAUTION);
        } else {
            lime(
                    readings,
                    layerMm(context),
                    classes.at(grade, "lowPct"),
                    classes.at(grade, "highPct"),
                    classes.source(),
                    out);
            out.note("ACID_SAFETY", Severity.DANGER);
        }
        double standing = classes.at(grade, "standing");
        return out.standing("free-lime", standing, null, null, grade, Map.of("grade", grade))
                .working("fizzStanding", Map.of("grade", grade), standing, Unit.NONE, classes.source())
                .build();
    }

    /** Thickness of the sampled layer, mm. */
    private static double layerMm(Context context) {
        return context.depthTopMm() != null
                        && context.depthBottomMm() != null
                        && context.depthBottomMm() > context.depthTopMm()
                ? context.depthBottomMm() - context.depthTopMm()
                : USUAL_LAYER_MM;
    }

    private static void lime(
            Readings readings, double layerMm, double low, double high, String source, Evaluation.Builder out) {
        double layerTHa = layerMm / 1000 * readings.bulkDensity() * 10_000;
        double perPct = layerTHa / 100 * SULFUR_PER_LIME;
        double middle = (low + high) / 2;
        out.value("caco3Pct", middle, Unit.PERCENT, low, high)
                .value("sulfurToClearTHa", middle * perPct, Unit.T_PER_HA, low * perPct, high * perPct)
                .working(
                        "sulfurToClearTHa",
                        Map.of("lime", middle, "layer", layerTHa),
                        middle * perPct,
                        Unit.T_PER_HA,
                        source);
        if (low * perPct > HOPELESS_OVER_T_HA) {
            out.note("SULFUR_HOPELESS", Severity.CAUTION, Map.of("low", low * perPct));
        }
    }

    @Override
    public Evidence<Readings> evidence() {
        return new FizzEvidence();
    }

    @Override
    public Capture capture() {
        return new FizzCapture();
    }
}
