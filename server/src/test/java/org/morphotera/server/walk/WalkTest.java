package org.morphotera.server.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.RunningApp;

/** What a walk needs beside its tests: sets of them, remarks, and instruments that stream. */
@ExtendWith(RunningApp.class)
@SuppressWarnings("unchecked")
class WalkTest {

    private final ApiClient advisor;
    private final String field;
    private final String stop;

    WalkTest(ApiClient advisor) {
        this.advisor = advisor;
        this.field = advisor.get("/api/fields?find=Gull%20Polder")
                .list()
                .get(0)
                .get("id")
                .toString();
        this.stop = ((List<Map<String, Object>>)
                        advisor.get("/api/fields/" + field).json().get("stops"))
                .get(0)
                .get("id")
                .toString();
    }

    private static Map<String, Object> set(String name, List<String> methods, int version) {
        return Map.of("name", name, "methods", methods, "version", version);
    }

    private Map<String, Object> visit(String tests) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("fieldId", field);
        body.put("visitedOn", LocalDate.now().toString());
        body.put("tests", tests);
        body.put("version", 0);
        return body;
    }

    @Test
    void threeSetsShipAndOwnOnesAreKeptChangedAndRemoved() {
        assertThat(advisor.get("/api/test-sets").list().subList(0, 3))
                .extracting(each -> each.get("name"))
                .containsExactly("Ten-test stop", "Drainage only", "Poor and good patch");
        String path = "/api/test-sets/" + UUID.randomUUID();
        assertThat(advisor.put(path, set("Salt only", List.of("salinity"), 0)).status())
                .isEqualTo(200);
        assertThat(advisor.put(path, set("Salt and pH", List.of("ph", "salinity"), 1))
                        .json())
                .containsEntry("version", 2)
                .containsEntry("methods", List.of("ph", "salinity"));
        assertThat(advisor.put(path, set("Late", List.of("ph"), 1)).status()).isEqualTo(409);
        assertThat(advisor.get("/api/test-sets").text()).contains("Salt and pH");
        assertThat(advisor.send("DELETE", path, null, "application/json").status())
                .isEqualTo(204);
        assertThat(advisor.get("/api/test-sets").text()).doesNotContain("Salt and pH");
    }

    @Test
    void aSetHoldsTestsThatThereAreAndAtLeastOne() {
        String path = "/api/test-sets/" + UUID.randomUUID();
        Answer wrong = advisor.put(path, set("Divining", List.of("ph", "hazel-rod"), 0));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.text()).contains("methods[1]", "NO_SUCH_TEST");
        assertThat(advisor.put(path, set("Nothing", List.of(), 0)).text()).contains("\"methods\"");
        assertThat(advisor.put(path, set("", List.of("ph"), 0)).text()).contains("\"name\"");
    }

    @Test
    void aVisitKeepsWhichTestsWereChosen() {
        String path = "/api/visits/" + UUID.randomUUID();
        assertThat(advisor.put(path, visit("ph,salinity")).json()).containsEntry("tests", "ph,salinity");
        assertThat(advisor.put("/api/visits/" + UUID.randomUUID(), visit("ph,hazel-rod"))
                        .text())
                .contains("tests[1]");
    }

    @Test
    void aRemarkStaysWithItsTest() {
        String visit = UUID.randomUUID().toString();
        advisor.put("/api/visits/" + visit, visit(null));
        String path = "/api/measurements/" + UUID.randomUUID();
        Map<String, Object> test = new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "method",
                "smell",
                "depthTopMm",
                0,
                "depthBottomMm",
                200,
                "readings",
                Map.of("score", 1.5),
                "takenAt",
                Instant.now().toString(),
                "note",
                "right after rain"));
        assertThat(advisor.put(path, test).json()).containsEntry("note", "right after rain");
        assertThat(advisor.get(path).text()).contains("right after rain");
        test.put("note", "x".repeat(401));
        assertThat(advisor.put("/api/measurements/" + UUID.randomUUID(), test).text())
                .contains("\"note\"");
    }

    @Test
    void anInstrumentStreamsInItsUnitAndAgreesWithWhatWasReadHere() {
        assertThat(advisor.get("/api/devices").list())
                .extracting(each -> each.get("id"))
                .containsExactly("conductivity-probe", "ph-meter", "penetrometer");
        List<Map<String, Object>> shown = advisor.events("/api/devices/ph-meter/readings?depthMm=50&stop=" + stop, 3);
        assertThat(shown)
                .hasSize(3)
                .allSatisfy(each -> assertThat(each)
                        .containsEntry("unit", "pH")
                        .containsEntry("simulated", true)
                        // the polder's pH is about 7.7, and a meter begins at most one off
                        .satisfies(one -> assertThat(((Number) one.get("value")).doubleValue())
                                .isBetween(6.3, 9.2)));
        assertThat(shown.get(0)).containsEntry("stable", false);
    }

    @Test
    void anUnknownInstrumentAndAnImpossibleDepthAreRefused() {
        assertThat(advisor.get("/api/devices/hazel-rod/readings?stop=" + stop).status())
                .isEqualTo(404);
        assertThat(advisor.get("/api/devices/ph-meter/readings?depthMm=-5&stop=" + stop)
                        .text())
                .contains("depthMm");
        assertThat(advisor.get("/api/devices/ph-meter/readings?stop=" + UUID.randomUUID())
                        .status())
                .isEqualTo(404);
    }
}
