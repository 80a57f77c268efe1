package org.morphotera.core.method.block.pit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;

/** Nobody waits for the last entry to hear that a pit is not safe to stand in. */
class PitWarningsTest {

    private static final MethodRegistry METHODS = Methods.all();

    private static boolean warned(Map<String, Object> entered) {
        return METHODS.warnings("pit", entered, CoreData.MESSAGES).stream()
                .anyMatch(note ->
                        note.code().equals("DO_NOT_ENTER") && note.severity().equals("danger"));
    }

    @Test
    void depthAloneIsEnoughOverTwelveHundred() {
        assertThat(warned(Map.of("depthMm", 1201))).isTrue();
        assertThat(warned(Map.of("depthMm", 1200))).isFalse();
        assertThat(warned(Map.of("depthMm", 1201, "benched", true))).isFalse();
    }

    @Test
    void waterMakesOneMetreEnoughBenchedOrNot() {
        assertThat(warned(Map.of("depthMm", 1100, "standingWaterMm", 40, "benched", true)))
                .isTrue();
        assertThat(warned(Map.of("depthMm", 1000, "standingWaterMm", 40))).isFalse();
        assertThat(warned(Map.of("depthMm", 1100, "standingWaterMm", 0))).isFalse();
        Map<String, Object> wet = Map.of("topMm", 0, "bottomMm", 1100, "moisture", "saturated");
        assertThat(warned(Map.of("horizons", List.of(wet)))).isTrue();
    }

    @Test
    void aPitIsAsDeepAsItsLayers() {
        assertThat(warned(Map.of("depthMm", 300, "horizons", List.of(Map.of("bottomMm", 1500)))))
                .isTrue();
    }

    @Test
    void nonsenseIsNoReasonToFail() {
        assertThat(METHODS.warnings("pit", "deep", CoreData.MESSAGES)).isEmpty();
        Map<String, Object> broken = new LinkedHashMap<>();
        broken.put("depthMm", "deep");
        broken.put("horizons", List.of("wet", 3, Map.of("bottomMm", "far")));
        broken.put("standingWaterMm", List.of());
        assertThat(warned(broken)).isFalse();
    }

    /** Whatever is told, the warning while entering and the note of the evaluation say the same. */
    @Test
    void saysWhatTheEvaluationWillSay() {
        Random random = new Random(11);
        String[] moistures = {"dry", "moist", "wet", "saturated"};
        int dangers = 0;
        for (int i = 0; i < 2000; i++) {
            double bottom = 200 + random.nextInt(1600);
            Map<String, Object> horizon = Map.of(
                    "topMm",
                    0,
                    "bottomMm",
                    bottom,
                    "textureClass",
                    "loam",
                    "roots",
                    "few",
                    "moisture",
                    moistures[random.nextInt(4)]);
            Map<String, Object> readings = new LinkedHashMap<>();
            readings.put("depthMm", bottom + random.nextInt(100));
            readings.put("benched", random.nextBoolean());
            if (random.nextBoolean()) {
                readings.put("standingWaterMm", random.nextInt(3) * 20);
            }
            readings.put("horizons", List.of(horizon));
            Outcome outcome = METHODS.evaluate("pit", Map.of("readings", readings), CoreData.BENCHMARKS);
            Evaluation evaluation = ((Outcome.Evaluated) outcome).evaluation();
            boolean danger =
                    evaluation.notes().stream().anyMatch(note -> note.code().equals("DO_NOT_ENTER"));
            assertThat(warned(readings)).as(readings.toString()).isEqualTo(danger);
            dangers += danger ? 1 : 0;
        }
        assertThat(dangers).isBetween(200, 1800);
    }
}
