package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.result.Evaluation;

/** Rules that change at a figure, on either side of it. */
class EdgesTest {

    @SuppressWarnings("unchecked")
    private static List<String> notes(String method, Map<String, ?> readings, Map<String, ?> context) {
        Map<String, Object> answer = JvmAnswers.to(method, Map.of("readings", readings, "context", context));
        assertThat(answer).doesNotContainKey("errors");
        return ((List<Map<String, Object>>) answer.get("notes"))
                .stream().map(note -> (String) note.get("code")).toList();
    }

    private static Map<String, Object> workedOut(String calculator, Map<String, ?> inputs) {
        Map<String, Object> answer =
                JvmAnswers.to(Calculators.ofPage(Methods.all()), calculator, Map.of("inputs", inputs));
        assertThat(answer).doesNotContainKey("errors");
        return answer;
    }

    @ParameterizedTest(name = "step {0}: {1}")
    @CsvSource({"1.9, add", "2, hold", "3.4, hold", "3.5, do-not-add"})
    void aNutrientIsAddedHeldOrLeftByItsStep(double step, String advice) {
        assertThat((Map<?, ?>) workedOut("nutrients", Map.of("n", step)).get("classes"))
                .extracting("nitrogen")
                .isEqualTo(advice);
    }

    @Test
    void aLayerIsLoosenedFromAnInchToTwoBelowIt() {
        Map<String, Object> answer = workedOut(
                "subsoiling",
                Map.of("layerFound", true, "layerTopMm", 250, "layerBottomMm", 300, "rolledWormCrumbles", true));
        Map<?, ?> depth = (Map<?, ?>) ((Map<?, ?>) answer.get("values")).get("workingDepthMm");
        assertThat((Double) depth.get("low")).isCloseTo(325, within(1e-9));
        assertThat((Double) depth.get("high")).isCloseTo(350, within(1e-9));
    }

    @Test
    @SuppressWarnings("unchecked")
    void aCoverSownOutOfItsSeasonFitsTwoFifthsAsWell() {
        Map<String, Object> aims = Map.of("aims", List.of("nitrogen"));
        List<Map<String, Object>> any = rows(workedOut("cover-crop", aims));
        List<Map<String, Object>> winter =
                rows(workedOut("cover-crop", Map.of("aims", List.of("nitrogen"), "season", "winter")));
        Map<String, Object> out = winter.stream()
                .filter(row -> String.valueOf(row.get("why")).contains("out-of-season") && fit(row) > 0)
                .findFirst()
                .orElseThrow();
        Map<String, Object> in = any.stream()
                .filter(row -> row.get("species").equals(out.get("species")))
                .findFirst()
                .orElseThrow();
        assertThat(fit(out) / fit(in)).isCloseTo(0.4, within(1e-6));
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> rows(Map<String, Object> answer) {
        return (List<Map<String, Object>>)
                ((Map<?, ?>) answer.get("series")).values().iterator().next();
    }

    private static double fit(Map<String, Object> row) {
        return row.get("fit") instanceof Map<?, ?> figure
                ? ((Number) figure.get("value")).doubleValue()
                : ((Number) row.get("fit")).doubleValue();
    }

    @ParameterizedTest(name = "step {0}: locked up {1}")
    @CsvSource({"1, true", "1.5, false"})
    void littleNitrogenAfterStrawIsLockedUp(double step, boolean lockedUp) {
        List<String> notes =
                notes("nutrient-kit", Map.of("n", step, "p", 3, "k", 3), Map.of("carbonAddedLastAutumn", true));
        assertThat(notes.contains("N_LOCKED_UP")).isEqualTo(lockedUp);
    }

    @ParameterizedTest(name = "topsoil {0}: {1}")
    @CsvSource({"5.2, true", "5.1, false"})
    void aSourLayerLiesUnderASoundTop(double top, boolean said) {
        List<String> notes = notes(
                "ph",
                Map.of(
                        "kind",
                        "lab-cacl2",
                        "layers",
                        List.of(
                                Map.of("topMm", 0, "bottomMm", 100, "value", top),
                                Map.of("topMm", 100, "bottomMm", 200, "value", 4.5))),
                Map.of());
        assertThat(notes.contains("SUBSURFACE_ACID")).isEqualTo(said);
    }

    @ParameterizedTest(name = "pH {0}: estimable {1}")
    @CsvSource({"7.1, true", "7.2, false"})
    void nitrateIsEstimatedBelowFreeLime(double ph, boolean estimable) {
        List<String> notes = notes(
                "salinity",
                Map.of(
                        "mode",
                        "slurry-1to1",
                        "readings",
                        List.of(0.51, 0.5, 0.53),
                        "compensated",
                        true,
                        "ph",
                        ph,
                        "zeroChecked",
                        true),
                Map.of("textureClass", "silt-loam"));
        assertThat(notes.contains("NITRATE_NOT_ESTIMABLE")).isEqualTo(!estimable);
    }

    @ParameterizedTest(name = "{0} % covered: risk {1}")
    @CsvSource({"69, true", "70, false"})
    void groundErodesBelowSeventyPercentCover(int living, boolean risk) {
        List<String> notes = notes(
                "ground-cover",
                Map.of("livingPct", living, "litterPct", 0, "stonePct", 0, "barePct", 100 - living),
                Map.of());
        assertThat(notes.contains("EROSION_RISK")).isEqualTo(risk);
    }

    @ParameterizedTest(name = "a chance of {0}: {1}")
    @CsvSource({"0.49, false", "0.5, true", "0.55, true"})
    void aConstraintIsNamedFromEvenOdds(double probability, boolean named) {
        assertThat(new Limits.Belief(Constraint.ACIDITY, 0.1, probability, List.of()).named())
                .isEqualTo(named);
    }

    @Test
    void sulfurIsMeantForSixInchesWhereNoDepthIsSaid() {
        Map<String, Object> inputs = Map.of("phWater", 7.5, "targetPh", 6.5, "textureGroup", "medium");
        Map<String, Object> deep = new HashMap<>(inputs);
        deep.put("depthMm", 150);
        assertThat(workedOut("sulfur", inputs).get("values"))
                .isEqualTo(workedOut("sulfur", deep).get("values"));
    }

    @ParameterizedTest(name = "to pH {0}: {1}")
    @CsvSource({"8.2, false", "8.3, true"})
    void nobodyLimesBeyondWhatLimeCanReach(double target, boolean refused) {
        Map<String, Object> answer = JvmAnswers.to(
                Calculators.ofPage(Methods.all()),
                "lime",
                Map.of(
                        "inputs",
                        Map.of(
                                "school",
                                "texture-factor",
                                "phWater",
                                5.5,
                                "targetPh",
                                target,
                                "textureGroup",
                                "medium")));
        assertThat(answer.containsKey("errors")).isEqualTo(refused);
    }

    @ParameterizedTest(name = "pH {0}: {1}")
    @CsvSource({"5.65, sour", "5.75, edge-low", "7.25, edge-high", "7.35, alkaline"})
    void aPhIsAtTheEdgeWithinThreeTenths(double outside, String place) {
        Table windows = CoreData.BENCHMARKS.table("ph.windows");
        PhWindow cereal = new PhWindow("cereal", 6, 7);
        Evaluation.Builder out = Evaluation.of("ph");
        cereal.rate(outside, outside, outside, windows, out);
        assertThat(out.build().ratings()).extracting(Evaluation.Rating::why).containsExactly(place);
    }
}
