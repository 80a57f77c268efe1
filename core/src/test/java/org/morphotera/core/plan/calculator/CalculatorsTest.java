package org.morphotera.core.plan.calculator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.JvmAnswers;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.AnyInputTest;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RandomFields;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Evaluation;

class CalculatorsTest {

    private static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());
    private static final int INPUTS = Integer.getInteger("fuzz.inputs", 200);

    static List<WorkedCase> cases() {
        return WorkedCase.plans();
    }

    static List<String> ids() {
        return ALL.all().stream().map(Calculator::id).toList();
    }

    private static Evaluation evaluate(String id, Map<String, Object> inputs) {
        return ((Outcome.Evaluated) ALL.evaluate(id, Map.of("inputs", inputs), CoreData.BENCHMARKS)).evaluation();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void comesOutAsWorked(WorkedCase worked) {
        assertThat(worked.misses(JvmAnswers.to(ALL, worked.method(), worked.body())))
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("ids")
    void anyInputIsWorkedOutOrRefusedWithTexts(String id) {
        Random random = new Random(id.hashCode());
        Calculator<?> calculator = ALL.all().stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow();
        int evaluated = 0;
        for (int i = 0; i < INPUTS; i++) {
            Map<String, Object> inputs = RandomFields.tree(calculator::read, random);
            calculator.makeSound(inputs, random);
            Map<String, Object> body = new LinkedHashMap<>();
            body.put("inputs", i % 3 == 2 ? AnyInputTest.spoil(inputs, random) : inputs);
            Outcome outcome = ALL.evaluate(id, body, CoreData.BENCHMARKS);
            if (outcome instanceof Outcome.Evaluated done) {
                evaluated++;
                AnyInputTest.assertSound(done.evaluation(), body);
            } else {
                for (FaultText text : FaultText.of(((Outcome.Refused) outcome).faults(), CoreData.MESSAGES)) {
                    assertThat(text.message()).as(text.code()).doesNotStartWith("fault.");
                }
            }
        }
        assertThat(evaluated).isPositive();
    }

    @Test
    void theLeastLimeIsNeverMoreThanTheMost() {
        for (double ph = 4; ph < 7; ph += 0.3) {
            Evaluation.Value need = evaluate(
                            "lime",
                            Map.of(
                                    "school",
                                    "texture-factor",
                                    "phWater",
                                    ph,
                                    "targetPh",
                                    6.3,
                                    "textureGroup",
                                    "fine",
                                    "phHalfWidth",
                                    0.4))
                    .values()
                    .get("needTHa");
            assertThat(need.low()).isBetween(0.0, need.value());
            assertThat(need.high()).isGreaterThanOrEqualTo(need.value());
        }
    }

    @Test
    void bufferCapacityWorksByTheMassOfTheLayer() {
        Evaluation lime = evaluate(
                "lime", Map.of("school", "buffer-capacity", "phWater", 5.5, "targetPh", 6.5, "bufferCmolKgPerPh", 4));
        // 1 pH × 4 cmol/kg × 0.5 g/cmol × 2 600 000 kg/ha
        assertThat(lime.values().get("needTHa").value()).isCloseTo(5.2, within(1e-9));
    }

    @Test
    void aTightSoilGetsNoRainGarden() {
        Evaluation refused =
                evaluate("rain-garden", Map.of("catchmentM2", 100, "stormMm", 25, "stormHours", 2, "rateMmH", 12.69));
        assertThat(refused.classes()).containsEntry("advice", "do-not");
        assertThat(refused.values()).doesNotContainKey("basinM2");
        assertThat(refused.notes()).extracting(Evaluation.Note::code).contains("TOO_TIGHT");
    }

    @ParameterizedTest
    @CsvSource({"12.7, false", "51, false", "150, false", "151, true"})
    void aBasinTakesBothEndsOfItsRange(double rate, boolean fast) {
        Evaluation basin =
                evaluate("rain-garden", Map.of("catchmentM2", 100, "stormMm", 25, "stormHours", 2, "rateMmH", rate));
        assertThat(basin.classes()).containsEntry("advice", "possible");
        assertThat(basin.notes().stream().anyMatch(each -> each.code().equals("TOO_FAST_FOR_PLANTS")))
                .isEqualTo(fast);
    }

    @Test
    void waterMayStandLongerWhereTheRuleAllowsTwoDays() {
        Map<String, Object> inputs = new LinkedHashMap<>(
                Map.of("catchmentM2", 100, "stormMm", 25, "stormHours", 2, "rateMmH", 12.7, "pondingMm", 5000));
        assertThat(evaluate("rain-garden", inputs).values().get("pondingMm").value())
                .isEqualTo(300);
        inputs.put("emptyWithinHours", 12);
        assertThat(evaluate("rain-garden", inputs).values().get("pondingMm").value())
                .isCloseTo(152.4, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"true, loosen", "false, wait", ", roll-a-worm"})
    void loosensOnlyWhatShatters(Boolean crumbles, String advice) {
        Map<String, Object> inputs = new LinkedHashMap<>(Map.of("layerFound", true, "layerBottomMm", 290));
        if (crumbles != null) {
            inputs.put("rolledWormCrumbles", crumbles);
        }
        Evaluation found = evaluate("subsoiling", inputs);
        assertThat(found.classes()).containsEntry("advice", advice);
        assertThat(found.values().get("workingDepthMm").low()).isEqualTo(315);
        assertThat(evaluate("subsoiling", Map.of("layerFound", false)).classes())
                .containsEntry("advice", "not-needed");
    }

    @Test
    void coversAreRankedByWhatLimitsAndAtLeast25AreKnown() {
        Evaluation layer = evaluate("cover-crop", Map.of("aims", List.of("layer"), "season", "summer"));
        assertThat(layer.series().get("ranking")).hasSizeGreaterThanOrEqualTo(25);
        assertThat(layer.series().get("ranking").get(0).get("why").toString()).contains("layer");
        Evaluation beforeRape = evaluate("cover-crop", Map.of("aims", List.of("layer"), "following", "oilseed"));
        assertThat(beforeRape.classes().get("best").toString()).doesNotContain("radish");
    }

    @Test
    void surplusIsNotFedAndLockedUpNitrogenWaits() {
        Evaluation found = evaluate("nutrients", Map.of("n", 1, "p", 4, "k", 2.5, "carbonAddedLastAutumn", true));
        assertThat(found.classes())
                .containsEntry("nitrogen", "wait")
                .containsEntry("phosphorus", "do-not-add")
                .containsEntry("potassium", "hold");
    }

    @Test
    void irrigationWaterSaltierThanTheCropStandsHasNoShareThatWashes() {
        Evaluation found = evaluate(
                "leaching",
                Map.of(
                        "eceNow",
                        9,
                        "eceTarget",
                        4,
                        "way",
                        "ponded",
                        "drained",
                        false,
                        "irrigationEc",
                        12,
                        "cropThresholdEce",
                        2));
        assertThat(found.notes()).extracting(Evaluation.Note::code).contains("WATER_TOO_SALTY", "DRAIN_FIRST");
        assertThat(found.values()).doesNotContainKey("leachingRequirementPct");
        assertThat(found.values().get("waterMm").value()).isCloseTo(0.3 * 600 * 9 / 4, within(1e-9));
    }
}
