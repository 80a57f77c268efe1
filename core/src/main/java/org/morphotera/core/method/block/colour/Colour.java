package org.morphotera.core.method.block.colour;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
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
 * Soil colour by hue, value and chroma, against the same soil where it was left alone. Darker means more organic
 * matter on the same soil only. Difference by CIEDE2000 between approximate Lab coordinates of the notations.
 */
public final class Colour implements FieldMethod<Colour.Readings> {

    /** Hues of the pages that soils fall on, with their approximate hue angle. */
    public enum Hue implements Coded {
        RED_2_5YR("2.5YR", 50),
        RED_5YR("5YR", 60),
        BROWN_7_5YR("7.5YR", 68),
        BROWN_10YR("10YR", 76),
        YELLOW_2_5Y("2.5Y", 84),
        YELLOW_5Y("5Y", 92);

        private final String notation;
        private final double angle;

        Hue(String notation, double angle) {
            this.notation = notation;
            this.angle = angle;
        }

        @Override
        public String code() {
            return notation;
        }

        double angle() {
            return angle;
        }
    }

    /** What earns full marks: as dark as the reference, or only darker. */
    public enum Rule implements Coded {
        AS_DARK,
        DARKER
    }

    /**
     * A colour in Munsell’s notation.
     *
     * @param hue one of the soil chart’s pages
     * @param value lightness, 0 black to 10 white
     * @param chroma strength, 0 grey to 20
     */
    public record Notation(Hue hue, Double value, Double chroma) {

        boolean whole() {
            return hue != null && value != null && chroma != null;
        }
    }

    /**
     * What the sample is held against.
     *
     * @param moist whether its soil was moist; unless said, yes
     * @param sameSoil whether it is of the same soil, so that the difference means something; unless said, yes
     */
    public record Reference(Notation colour, Boolean moist, Boolean sameSoil) {}

    /**
     * @param moist whether the sample was moist; unless said, yes
     * @param reference {@code null} where the sample stands alone
     */
    public record Readings(Notation sample, Boolean moist, Reference reference, Rule rule) {}

    private static final Range VALUE = Range.between(0, 10);
    private static final Range CHROMA = Range.between(0, 20);

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("colour", "valueDifference"));
        return new MethodCard("colour", Family.BLOCK, rates, null, 4, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.group("sample", Need.REQUIRED, Colour::readNotation),
                fields.flagOr("moist", true),
                fields.group(
                        "reference",
                        Need.OPTIONAL,
                        reference -> new Reference(
                                readNotation(reference),
                                reference.flagOr("moist", true),
                                reference.flagOr("sameSoil", true))),
                fields.wordOr("rule", List.of(Rule.values()), Rule.AS_DARK));
    }

    private static Notation readNotation(Fields fields) {
        return new Notation(
                fields.word("hue", List.of(Hue.values()), Need.REQUIRED),
                fields.number("value", Unit.NONE, VALUE, Need.REQUIRED),
                fields.number("chroma", Unit.NONE, CHROMA, Need.REQUIRED));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("colour").code("colourName", ColourNames.of(readings.sample()));
        Reference reference = readings.reference();
        if (reference == null || !reference.sameSoil()) {
            out.note("NO_REFERENCE", Severity.INFO);
        }
        if (!readings.moist() || reference != null && !reference.moist()) {
            out.note("MOISTEN_BOTH", Severity.CAUTION);
        }
        if (reference == null) {
            return out.build();
        }
        double difference = readings.sample().value() - reference.colour().value();
        out.value("valueDifference", difference, Unit.NONE)
                .value("deltaE", ColourDifference.between(readings.sample(), reference.colour()), Unit.NONE);
        if (reference.sameSoil() && readings.moist() && reference.moist()) {
            double score = score(readings.rule(), difference);
            Map<String, Object> args = Map.of("difference", difference);
            out.value("score", score, Unit.NONE)
                    .working("colourScore", args, score, Unit.NONE, "Value against the reference")
                    .scoreOfTwo("colour", score);
        }
        return out.build();
    }

    private static double score(Rule rule, double difference) {
        if (rule == Rule.AS_DARK) {
            return Math.max(0, Math.min(2, 2 - difference));
        }
        return difference < 0 ? 2 : difference == 0 ? 1 : 0;
    }

    @Override
    public Evidence<Readings> evidence() {
        return new ColourEvidence();
    }

    @Override
    public Capture capture() {
        return new ColourCapture();
    }
}
