package org.morphotera.core.method.life.respiration;

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
import org.morphotera.core.result.Level;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/**
 * Carbon dioxide breathed out by a moist sample in a day, brought to 21 °C with a doubling per 10 °C (after Doran et
 * al., 1997); or the number of a colour gel, which only ranks.
 */
public final class Respiration implements FieldMethod<Respiration.Readings> {

    /**
     * Breath as a figure, or as the colour of a gel.
     *
     * @param co2MgKgDay 0..100 000 mg CO₂-C per kg of soil and day, or {@code null}
     * @param colourNumber of the gel, 0..5, or {@code null}
     * @param hours in the jar, over 0, to 1000; unless said, 24
     * @param incubationTempC −20..70 °C; unless said, 21
     * @param soilTempC of the field on the day, −20..70 °C, or {@code null}
     * @param sieved whether the soil was sieved before, or {@code null}
     */
    public record Readings(
            Double co2MgKgDay,
            Double colourNumber,
            Double hours,
            Double incubationTempC,
            Double soilTempC,
            Boolean sieved) {}

    private static final double REFERENCE_C = 21;
    private static final double DAY_HOURS = 24;
    private static final double HIGHEST_COLOUR = 5;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("respiration", "co2At21"));
        return new MethodCard(
                "respiration", Family.LIFE, rates, null, 8, 0, 150, List.of(new TimedStep("read-24h", 86_400, 3600)));
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("co2MgKgDay", Unit.MG_PER_KG_DAY, Range.between(0, 100_000), Need.OPTIONAL),
                fields.number("colourNumber", Unit.NONE, Range.between(0, HIGHEST_COLOUR), Need.OPTIONAL),
                fields.numberOr("hours", Unit.HOUR, Range.above(0, 1000), DAY_HOURS),
                fields.numberOr("incubationTempC", Unit.CELSIUS, Range.TEMPERATURE_C, REFERENCE_C),
                fields.number("soilTempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.OPTIONAL),
                fields.flag("sieved", Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.co2MgKgDay() == null == (readings.colourNumber() == null)) {
            faults.add("", "CO2_OR_COLOUR");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("respiration");
        if (readings.colourNumber() != null) {
            double standing = readings.colourNumber() / HIGHEST_COLOUR;
            byColour(readings, benchmarks.curve("respiration"), out);
            return out.note("COLOUR_IS_ORDINAL", Severity.INFO)
                    .standing(
                            "respiration",
                            standing,
                            null,
                            null,
                            "colour-" + Level.of(standing).code(),
                            Map.of("figure", readings.colourNumber(), "indicator", "respiration"))
                    .working(
                            "colour",
                            Map.of("colour", readings.colourNumber()),
                            standing,
                            Unit.NONE,
                            "Colour number of 5 as a share")
                    .build();
        }
        double perDay = readings.co2MgKgDay() * DAY_HOURS / readings.hours();
        double at21 = perDay * warmer(REFERENCE_C, readings.incubationTempC());
        if (readings.soilTempC() != null) {
            out.value(
                    "co2AtSoilTemp",
                    perDay * warmer(readings.soilTempC(), readings.incubationTempC()),
                    Unit.MG_PER_KG_DAY);
        }
        return out.value("co2At21", at21, Unit.MG_PER_KG_DAY)
                .working(
                        "co2At21",
                        Map.of("perDay", perDay, "temp", readings.incubationTempC()),
                        at21,
                        Unit.MG_PER_KG_DAY,
                        "After Doran et al., 1997")
                .curve("respiration", benchmarks.curve("respiration"), at21, null, null)
                .build();
    }

    /** The breath that a colour may stand for, half a number to either side, at 21 °C and at the soil's temperature. */
    private static void byColour(Readings readings, Curve curve, Evaluation.Builder out) {
        double half = 0.5;
        double middle = curve.figureOf(readings.colourNumber() / HIGHEST_COLOUR);
        double low = curve.figureOf(Math.max(0, readings.colourNumber() - half) / HIGHEST_COLOUR);
        double high = curve.figureOf(Math.min(HIGHEST_COLOUR, readings.colourNumber() + half) / HIGHEST_COLOUR);
        double perDay = DAY_HOURS / readings.hours();
        double to21 = perDay * warmer(REFERENCE_C, readings.incubationTempC());
        out.value("co2At21", middle * to21, Unit.MG_PER_KG_DAY, low * to21, high * to21);
        if (readings.soilTempC() != null) {
            double toSoil = perDay * warmer(readings.soilTempC(), readings.incubationTempC());
            out.value("co2AtSoilTemp", middle * toSoil, Unit.MG_PER_KG_DAY, low * toSoil, high * toSoil);
        }
    }

    /** Twice as much with every 10 °C. */
    private static double warmer(double toC, double fromC) {
        return Math.pow(2, (toC - fromC) / 10);
    }

    @Override
    public Evidence<Readings> evidence() {
        return new RespirationEvidence();
    }
}
