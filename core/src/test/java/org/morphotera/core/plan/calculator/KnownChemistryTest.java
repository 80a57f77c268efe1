package org.morphotera.core.plan.calculator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;

/** Calculators against stoichiometry, mass balance and another author's formula, worked apart from their own. */
class KnownChemistryTest {

    private static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());

    private static Evaluation evaluate(String id, Map<String, Object> inputs) {
        Outcome outcome = ALL.evaluate(id, Map.of("inputs", inputs), CoreData.BENCHMARKS);
        assertThat(outcome).isInstanceOf(Outcome.Evaluated.class);
        return ((Outcome.Evaluated) outcome).evaluation();
    }

    private static double value(Evaluation evaluation, String name) {
        return evaluation.values().get(name).value();
    }

    /** One equivalent of gypsum, half a mole of 172.17 g, sets one equivalent of sodium free. */
    @Test
    void gypsumIsWhatTheSodiumOfTheLayerTakes() {
        Random random = new Random(31);
        for (int i = 0; i < 200; i++) {
            double esp = 8 + 30 * random.nextDouble();
            double cec = 5 + 35 * random.nextDouble();
            double depth = 100 + 300 * random.nextDouble();
            double purity = 60 + 40 * random.nextDouble();
            double soilKgHa = 10_000 * depth / 1000 * 1300;
            double molPerHa = (esp - 5) / 100 * cec / 100 * soilKgHa;
            double tHa = molPerHa * 172.17 / 2 / 1e6 / 0.8 / (purity / 100);
            Evaluation gypsum = evaluate(
                    "gypsum",
                    Map.of("espPct", esp, "cecCmolKg", cec, "depthMm", depth, "purityPct", purity, "areaHa", 3));
            assertThat(value(gypsum, "gypsumTHa")).isCloseTo(tHa, within(0.005 * tHa));
            assertThat(value(gypsum, "gypsumT")).isCloseTo(3 * value(gypsum, "gypsumTHa"), within(1e-6));
        }
    }

    /** 32 g of sulfur make the acid that dissolves 100 g of lime. */
    @Test
    void sulfurForFreeLimeIsAThirdOfTheLime() {
        Evaluation sulfur = evaluate(
                "sulfur",
                Map.of("phWater", 8.0, "targetPh", 6.5, "textureGroup", "medium", "caco3Pct", 2, "depthMm", 150));
        double limeKgHa = 0.02 * 10_000 * 0.15 * 1300;
        assertThat(value(sulfur, "forLimeKgHa")).isCloseTo(limeKgHa * 32.06 / 100.09, within(0.005 * limeKgHa));
    }

    /**
     * Moody (1966) solved Hooghoudt's equivalent depth by another way: d = D ÷ (1 + D/L (8/π ln(D/r) − 3.4)) for D under
     * 0.3 L. With it the water that the drains take is the water that falls, within a few per cent.
     */
    @ParameterizedTest
    @CsvSource({
        "20, 6, 0.9, 0.5, 2.4, 7",
        "30, 30, 1.2, 0.6, 3.5, 10",
        "12, 20, 1.0, 0.5, 2.0, 5",
        "60, 15, 1.1, 0.5, 3.0, 8"
    })
    void drainsTakeTheWaterThatFalls(
            double above, double below, double drainM, double tableM, double floorM, double mmDay) {
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("permeabilityAboveMmH", above);
        inputs.put("permeabilityBelowMmH", below);
        inputs.put("drainDepthM", drainM);
        inputs.put("waterTableDepthM", tableM);
        inputs.put("impermeableDepthM", floorM);
        inputs.put("dischargeMmDay", mmDay);
        double spacing = value(evaluate("drain-spacing", inputs), "spacingM");
        double depth = floorM - drainM;
        assertThat(depth / spacing).as("in the range of the approximation").isLessThan(0.3);
        double d = depth / (1 + depth / spacing * (8 / Math.PI * Math.log(depth / 0.05) - 3.4));
        double head = drainM - tableM;
        double taken = (8 * below * 0.024 * d * head + 4 * above * 0.024 * head * head) / (spacing * spacing);
        assertThat(taken * 1000).isCloseTo(mmDay, within(0.05 * mmDay));
    }

    @Test
    void lessLimeIsNeededTheLessSourItIsAndNoneAtTheTarget() {
        double before = Double.POSITIVE_INFINITY;
        for (double ph = 4.6; ph < 6.4; ph += 0.1) {
            Evaluation lime = evaluate(
                    "lime",
                    Map.of("school", "texture-factor", "phWater", ph, "targetPh", 6.4, "textureGroup", "medium"));
            double need = value(lime, "needTHa");
            assertThat(need).isLessThan(before).isPositive();
            before = need;
        }
    }

    @Test
    void aWeakerProductIsNeededInProportionAndItsCostFollows() {
        Map<String, Object> pure = Map.of(
                "school", "texture-factor", "phWater", 5.4, "targetPh", 6.4, "textureGroup", "medium", "areaHa", 4);
        Map<String, Object> weak = new LinkedHashMap<>(pure);
        weak.put("neutralisingPct", 80);
        weak.put("moisturePct", 10);
        weak.put("pricePerT", 25);
        Evaluation bought = evaluate("lime", weak);
        assertThat(value(bought, "needTHa")).isEqualTo(value(evaluate("lime", pure), "needTHa"));
        assertThat(value(bought, "productTHa")).isCloseTo(value(bought, "needTHa") / 0.8 / 0.9, within(1e-6));
        assertThat(value(bought, "productT")).isCloseTo(4 * value(bought, "productTHa"), within(1e-6));
        assertThat(value(bought, "cost")).isCloseTo(25 * value(bought, "productT"), within(1e-3));
    }

    /** What is dug in: volume, weight and the nitrogen that its carbon takes, by the balance of the heap. */
    @Test
    void compostIsWorthItsVolumeAndItsWeight() {
        Evaluation compost = evaluate("organic-matter", Map.of("thicknessMm", 20, "cnRatio", 15, "areaHa", 0.5));
        assertThat(value(compost, "volumeM3")).isCloseTo(0.02 * 5000, within(1e-9));
        assertThat(value(compost, "freshTHa")).isCloseTo(0.02 * 10_000 * 0.5, within(1e-9));
    }
}
