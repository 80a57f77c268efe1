package org.morphotera.core.plan.calculator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.ShownUnits;

class AmountTest {

    private static Envelope answer(Map<String, Envelope.Figure> values) {
        return new Envelope("x", values, Map.of(), List.of(), List.of(), Map.of(), List.of());
    }

    private static Envelope.Figure figure(double value, String unit) {
        return new Envelope.Figure(value, unit, null, null);
    }

    private static Envelope lime(double tHa, double t) {
        return answer(Map.of("productTHa", figure(tHa, "t/ha"), "productT", figure(t, "t")));
    }

    private static String amount(String calculator, Envelope answer, boolean garden, ShownUnits units) {
        return Amount.of(calculator, answer, garden, units, CoreData.MESSAGES);
    }

    @Test
    void tonnesAHectareOnFieldsKilogramsOnTenSquareMetresInGardens() {
        assertThat(amount("lime", lime(4.2, 33), false, ShownUnits.METRIC)).isEqualTo("4.2 t/ha of lime, 33 t in all");
        assertThat(amount("lime", lime(4.2, 0.042), true, ShownUnits.METRIC))
                .isEqualTo("4.2 kg per 10 m², 42 kg of lime in all");
    }

    @Test
    void compostOfAGardenIsToldInLitres() {
        Envelope compost = answer(Map.of("freshTHa", figure(30, "t/ha"), "volumeM3", figure(0.25, "m³")));
        assertThat(amount("organic-matter", compost, true, ShownUnits.METRIC))
                .isEqualTo("30 kg per 10 m², 250 L of compost in all");
        assertThat(amount("organic-matter", compost, false, ShownUnits.METRIC))
                .isEqualTo("30 t/ha of compost, 0.25 m³ in all");
    }

    @Test
    void whereUnitsAreUsCustomaryAGardenReadsLikeAField() {
        assertThat(amount("lime", lime(4, 33), true, ShownUnits.US)).isEqualTo("1.78 ton/ac of lime, 36.38 ton in all");
    }

    @Test
    void aMeasureWithoutTotalStandsAlone() {
        assertThat(amount("leaching", answer(Map.of("waterMm", figure(65, "mm"))), false, ShownUnits.METRIC))
                .isEqualTo("65 mm water");
        assertThat(amount("drain-spacing", answer(Map.of("spacingM", figure(12, "m"))), false, ShownUnits.US))
                .isEqualTo("39.4 ft between drains");
    }

    @Test
    void anAnswerThatIsNoAmountHasNone() {
        assertThat(amount("keep-covered", lime(1, 1), false, ShownUnits.METRIC)).isNull();
        assertThat(amount("lime", answer(Map.of()), false, ShownUnits.METRIC)).isNull();
    }

    @Test
    void aMixtureIsNamed() {
        Envelope crops = new Envelope(
                "cover-crop",
                Map.of(),
                Map.of("best", "oil-radish"),
                List.of(),
                List.of(),
                Map.of("mixture", List.of(Map.of("species", "oil-radish"), Map.of("species", "rye"))),
                List.of());
        assertThat(amount("cover-crop", crops, false, ShownUnits.METRIC)).isEqualTo("oil radish, rye");
        assertThat(amount(
                        "cover-crop",
                        new Envelope(
                                "cover-crop",
                                Map.of(),
                                Map.of("best", "rye"),
                                List.of(),
                                List.of(),
                                Map.of("mixture", List.of()),
                                List.of()),
                        false,
                        ShownUnits.METRIC))
                .isNull();
    }

    @Test
    void howFarItMayBeOffAndInHowManyPiecesIsSaidWithIt() {
        Envelope lime = answer(Map.of(
                "productTHa", new Envelope.Figure(9, "t/ha", 6.5, 11.5),
                "productT", new Envelope.Figure(18, "t", null, null),
                "passes", new Envelope.Figure(2, "", null, null),
                "years", new Envelope.Figure(1, "", null, null)));
        assertThat(amount("lime", lime, false, ShownUnits.METRIC))
                .isEqualTo("9 (6.5 to 11.5) t/ha of lime, 18 t in all, in 2 passes");
        assertThat(amount("lime", lime, true, ShownUnits.METRIC))
                .isEqualTo("9 (6.5 to 11.5) kg per 10 m², 18,000 kg of lime in all, in 2 passes");
    }

    static Stream<String> calculators() {
        return Stream.of("lime", "gypsum", "sulfur", "leaching", "organic-matter", "drain-spacing");
    }

    /** A figure renamed in a calculator would leave its plan without an amount. */
    @ParameterizedTest
    @MethodSource("calculators")
    void everyCalculatorOfAPlanStillGivesItsFigure(String calculator) {
        for (WorkedCase worked : WorkedCase.of(calculator)) {
            Outcome outcome =
                    Calculators.ofPage(Methods.all()).evaluate(calculator, worked.body(), CoreData.BENCHMARKS);
            if (outcome instanceof Outcome.Evaluated done
                    && done.evaluation().notes().isEmpty()) {
                Envelope envelope = Envelope.of(done.evaluation(), CoreData.MESSAGES);
                assertThat(amount(calculator, envelope, false, ShownUnits.METRIC))
                        .as(worked.name())
                        .isNotBlank()
                        .doesNotContain("{")
                        .doesNotContain("amount.");
            }
        }
    }
}
