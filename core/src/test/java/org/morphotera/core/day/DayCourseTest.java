package org.morphotera.core.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;

/** A planned day with what happened laid over it; the page's tests go over the rest with the compiled core. */
class DayCourseTest {

    private static final long ZERO = 1_777_883_400_000L;
    private static final double MINUTE = 60_000;

    private static Map<String, Object> asked(double nowMin, List<Map<String, Object>> marks) {
        Map<String, Object> stop = Map.of("id", "a", "label", "Stop 1", "longitude", 3.4, "latitude", 53.8);
        return Map.of(
                "day",
                Map.of(
                        "people", List.of("Isla"),
                        "walkMetresPerMinute", 60.0,
                        "fields", List.of(Map.of("stopIds", List.of("a"), "methods", List.of("structure", "smell")))),
                "fields",
                List.of(Map.of("id", "f", "stops", List.of(stop))),
                "marks",
                marks,
                "zeroMs",
                (double) ZERO,
                "nowMs",
                ZERO + nowMin * MINUTE);
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> turns(Map<String, Object> asked) {
        return (List<Map<String, Object>>) DayCourse.of(
                        asked, Methods.all(), Calculators.ofPage(Methods.all()), CoreData.BENCHMARKS, new HashMap<>())
                .get("turns");
    }

    @Test
    void whatIsMarkedStandsAndTheRestFollowsIt() {
        Map<String, Object> first = turns(asked(0, List.of())).get(0);
        Map<String, Object> mark = Map.of(
                "id",
                "m",
                "stopId",
                "a",
                "method",
                first.get("method"),
                "step",
                0,
                "person",
                0,
                "begunAt",
                java.time.Instant.ofEpochMilli(ZERO).toString(),
                "endedAt",
                java.time.Instant.ofEpochMilli(ZERO + 1_800_000).toString());
        List<Map<String, Object>> turns = turns(asked(30, List.of(mark)));
        assertThat(turns).hasSize(2);
        assertThat(turns.get(0)).containsEntry("done", true).containsEntry("markId", "m");
        assertThat((Double) turns.get(0).get("end")).isCloseTo(30, within(1e-9));
        assertThat(turns.get(1)).containsEntry("done", false);
        assertThat((Double) turns.get(1).get("start")).isGreaterThanOrEqualTo(30);
    }

    @Test
    void stopsWithoutAPositionStandInARow() {
        List<Map<String, Object>> places = DayCourse.places(
                List.of(Map.of("id", "a"), Map.of("id", "b"), Map.of("id", "c", "longitude", 3.4, "latitude", 53.8)));
        assertThat(places).extracting("eastM").containsExactly(0.0, 100.0, 0.0);
    }
}
