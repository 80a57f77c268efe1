package org.morphotera.core.method.surface.holedrainage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.JvmAnswers;

class HoleDrainageTest {

    private static Map<String, Object> point(double minute, double mm, boolean refill) {
        return Map.of("minute", minute, "mm", mm, "refill", refill);
    }

    private static Map<String, Object> evaluate(List<Map<String, Object>> points) {
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("mode", "stepped");
        readings.put("holeDiameterMm", 200);
        readings.put("holeDepthMm", 300);
        readings.put("presoaked", true);
        readings.put("measure", "water-depth");
        readings.put("points", points);
        return JvmAnswers.to("hole-drainage", Map.of("readings", readings));
    }

    @SuppressWarnings("unchecked")
    private static double value(Map<String, Object> answer, String name) {
        return ((Number) ((Map<String, Map<String, Object>>) answer.get("values"))
                        .get(name)
                        .get("value"))
                .doubleValue();
    }

    private static String codes(Map<String, Object> answer) {
        return String.valueOf(answer.get("notes"));
    }

    @Test
    void splittingAnIntervalAtTheSameSpeedLeavesTheLastingRate() {
        for (int step = 1; step < 40; step++) {
            List<Map<String, Object>> whole =
                    List.of(point(0, 280, false), point(10, 220, false), point(50, 180, false), point(90, 140, false));
            List<Map<String, Object>> split = new ArrayList<>(whole);
            split.add(3, point(50 + step, 180 - step, false));
            assertThat(value(evaluate(split), "rate")).isEqualTo(value(evaluate(whole), "rate"));
            assertThat(value(evaluate(split), "fieldPermeability"))
                    .isCloseTo(value(evaluate(whole), "fieldPermeability"), within(1e-6));
        }
    }

    @Test
    void aRefillStartsASegmentAndTheTailMaySpanIt() {
        Map<String, Object> answer = evaluate(List.of(
                point(0, 250, false),
                point(30, 200, false),
                point(60, 150, false),
                point(60, 260, true),
                point(90, 210, false)));
        assertThat(value(answer, "rate")).isEqualTo(100);
        assertThat(value(answer, "steadyIntervals")).isEqualTo(3);
    }

    @Test
    void anIntervalInWhichWaterRoseIsLeftOutOfEveryFigure() {
        Map<String, Object> answer = evaluate(
                List.of(point(0, 250, false), point(30, 230, false), point(60, 240, false), point(90, 220, false)));
        assertThat(value(answer, "plainMeanRate")).isEqualTo(40);
        assertThat(value(answer, "overallRate")).isEqualTo(40);
        assertThat(codes(answer)).contains("WATER_ROSE");
    }

    @Test
    void standingWaterIsSteadyAtNothingAndNamesNoOverstatement() {
        Map<String, Object> answer =
                evaluate(List.of(point(0, 250, false), point(30, 250, false), point(60, 250, false)));
        assertThat(value(answer, "rate")).isZero();
        assertThat(value(answer, "nextReadingMinute")).isEqualTo(120);
        assertThat(String.valueOf(answer.get("values"))).doesNotContain("overstatementPct");
        assertThat(String.valueOf(answer.get("classes"))).contains("steady=yes");
    }

    @Test
    void asksForARefillInsteadOfANextReadingWhenTheHoleIsNearlyEmpty() {
        Map<String, Object> answer = evaluate(List.of(point(0, 60, false), point(30, 40, false), point(60, 24, false)));
        assertThat(codes(answer)).contains("REFILL");
        assertThat(String.valueOf(answer.get("values"))).doesNotContain("nextReadingMinute");
    }

    @ParameterizedTest
    @CsvSource({
        "59, very-fast",
        "60, good",
        "360, good",
        "360.5, workable-with-amendment",
        "1080, workable-with-amendment",
        "1440, doubtful",
        "1441, find-another-place"
    })
    void sortsTheTimeUntilEmpty(double minutes, String expected) {
        Map<String, Object> readings = Map.of("mode", "drain-out", "holeDepthMm", 300, "minutesToEmpty", minutes);
        assertThat(String.valueOf(JvmAnswers.to("hole-drainage", Map.of("readings", readings))
                        .get("classes")))
                .contains("drainOut=" + expected);
    }

    @Test
    void namesEveryContradictionAtOnce() {
        Map<String, Object> answer =
                evaluate(List.of(point(0, 310, false), point(30, 200, false), point(20, 180, false)));
        assertThat(String.valueOf(answer.get("errors")))
                .contains("points[0].mm")
                .contains("points[2].minute");
    }
}
