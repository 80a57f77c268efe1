package org.morphotera.server.judgements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** A field judged in one call says what the pages say of it, and names what is wrong with what was sent. */
@ExtendWith(RunningApp.class)
class JudgementsApiTest {

    private final ApiClient advisor;

    JudgementsApiTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static Map<String, Object> ph(String stop, String kind, double value) {
        Map<String, Object> test = new LinkedHashMap<>();
        test.put("stopId", stop);
        test.put("method", "ph");
        test.put("depthTopMm", 0);
        test.put("depthBottomMm", 150);
        test.put(
                "readings",
                Map.of("kind", kind, "layers", List.of(Map.of("topMm", 0, "bottomMm", 150, "value", value))));
        return test;
    }

    private static Map<String, Object> body(Object... tests) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("on", "2026-10-20");
        body.put("field", Map.of("landUse", "arable", "crop", "cereal", "textureClass", "loam"));
        body.put("stops", List.of(Map.of("id", "s1"), Map.of("id", "s2"), Map.of("id", "c", "role", "control")));
        body.put("visits", List.of(Map.of("id", "v1", "visitedOn", "2024-04-10", "measurements", List.of(tests))));
        return body;
    }

    private Answer judge(Object body) {
        return advisor.post("/api/judgements", body);
    }

    /** A field of the practice as it would be sent from somewhere else. */
    private Map<String, Object> exported(String field) {
        Map<String, Object> face = advisor.get("/api/fields/" + field).json();
        Map<String, Object> about = Land.part(face, "field");
        Map<String, Object> known = new LinkedHashMap<>();
        for (String name : List.of("landUse", "crop", "textureClass", "areaHa", "purpose")) {
            if (about.get(name) != null) {
                known.put(name, about.get(name));
            }
        }
        List<Map<String, Object>> visits = new ArrayList<>();
        for (Map<String, Object> strip : Land.rows(face, "visits")) {
            Map<String, Object> page =
                    advisor.get("/api/visits/" + strip.get("id")).json();
            Map<String, Object> visit = new LinkedHashMap<>();
            visit.put("id", strip.get("id"));
            Map<String, Object> made = Land.part(page, "visit");
            for (String name : List.of("visitedOn", "soilMoisture", "daysSinceRain", "soilTempC", "person")) {
                if (made.get(name) != null) {
                    visit.put(name, made.get(name));
                }
            }
            List<Map<String, Object>> tests = new ArrayList<>();
            for (Map<String, Object> row : Land.rows(page, "measurements")) {
                Map<String, Object> measured = Land.part(
                        advisor.get("/api/measurements/" + row.get("id")).json(), "measurement");
                Map<String, Object> test = new LinkedHashMap<>();
                for (String name : List.of("stopId", "method", "depthTopMm", "depthBottomMm", "takenAt", "readings")) {
                    if (measured.get(name) != null) {
                        test.put(name, measured.get(name));
                    }
                }
                tests.add(test);
            }
            visit.put("measurements", tests);
            visits.add(visit);
        }
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("on", LocalDate.now().toString());
        // what the practice has learned goes with it, as the page has it
        Object learned =
                Land.part(advisor.get("/api/core-data").json(), "benchmarks").get("own scatters.txt");
        if (learned != null) {
            body.put("rules", learned);
        }
        body.put("field", known);
        body.put(
                "stops",
                Land.rows(face, "stops").stream()
                        .map(each -> {
                            Map<String, Object> stop = new LinkedHashMap<>(
                                    Map.of("id", each.get("id"), "label", each.get("label"), "role", each.get("role")));
                            if (each.get("areaSharePct") != null) {
                                stop.put("areaPct", each.get("areaSharePct"));
                            }
                            return stop;
                        })
                        .toList());
        body.put("visits", visits);
        body.put(
                "events",
                Land.rows(face, "events").stream()
                        .map(each -> {
                            Map<String, Object> event = new LinkedHashMap<>();
                            for (String name : List.of("id", "happenedOn", "kind", "what", "stopIds")) {
                                if (each.get(name) != null) {
                                    event.put(name, each.get(name));
                                }
                            }
                            if (each.get("rate") != null) {
                                event.put("amount", each.get("rate"));
                            }
                            return event;
                        })
                        .toList());
        return body;
    }

    private String fieldCalled(String name) {
        return advisor.get("/api/fields").list().stream()
                .filter(each -> name.equals(each.get("name")))
                .map(each -> each.get("id").toString())
                .findFirst()
                .orElseThrow();
    }

    private static boolean isTold(Map<String, Object> constraint) {
        return Boolean.TRUE.equals(constraint.get("named")) || Boolean.TRUE.equals(constraint.get("namedInPart"));
    }

    @Test
    void aDemoFieldTakenOutAndSentInGetsWhatThePagesSay() {
        for (String name : List.of("Craigend Ley", "Ebb Lane Beds")) {
            String field = fieldCalled(name);
            Map<String, Object> answer = judge(exported(field)).json();
            Map<String, Object> face = advisor.get("/api/fields/" + field).json();
            Map<List<Object>, Map<String, Object>> levels = Land.rows(answer, "levels").stream()
                    .filter(each -> each.get("stopId") == null)
                    .collect(Collectors.toMap(
                            each -> List.of(each.get("indicator"), each.get("band"), each.getOrDefault("key", "")),
                            each -> each));
            for (Map<String, Object> finding : Land.rows(face, "findings")) {
                Map<String, Object> level = levels.entrySet().stream()
                        .filter(each -> each.getKey().get(0).equals(finding.get("indicator"))
                                && each.getKey().get(1).equals(finding.get("band")))
                        .map(Map.Entry::getValue)
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(finding));
                assertThat(level).as(finding.toString()).containsEntry("level", finding.get("level"));
                assertThat(Land.number(level, "score")).isCloseTo(Land.number(finding, "standing"), within(1e-9));
            }
            Map<String, Object> page =
                    advisor.get("/api/fields/" + field + "/change").json();
            Map<String, Object> chosen = Land.part(page, "chosen");
            Map<String, Object> change = Land.rows(answer, "changes").stream()
                    .filter(each -> each.get("indicator").equals(chosen.get("indicator"))
                            && each.get("band").equals(chosen.get("band")))
                    .findFirst()
                    .orElseThrow();
            assertThat(change)
                    .containsEntry("sentence", Land.part(page, "change").get("sentence"))
                    .containsEntry("told", Land.part(page, "change").get("told"));
            Map<String, Object> limits =
                    advisor.get("/api/fields/" + field + "/limits").json();
            assertThat(Land.rows(limits, "constraints").stream()
                            .filter(JudgementsApiTest::isTold)
                            .map(each -> each.get("constraint")))
                    .containsExactlyInAnyOrderElementsOf(Land.rows(Land.part(answer, "limits"), "constraints").stream()
                            .filter(JudgementsApiTest::isTold)
                            .map(each -> each.get("constraint"))
                            .toList());
        }
    }

    @Test
    void oneLaboratorySampleDoesNotSilenceTheMeters() {
        Map<String, Object> answer = judge(body(
                        ph("s1", "lab-water", 5.0),
                        ph("s1", "meter-1to5", 6.4),
                        ph("s2", "meter-1to5", 6.5),
                        ph("c", "meter-1to5", 6.4)))
                .json();
        Map<String, Object> field = Land.rows(answer, "levels").stream()
                .filter(each -> each.get("stopId") == null)
                .findFirst()
                .orElseThrow();
        assertThat(Land.number(field, "value")).isBetween(5.7, 6.4);
        assertThat(Land.rows(field, "weights")).hasSize(2);
        assertThat(Land.rows(field, "weights").stream()
                        .mapToDouble(each -> Land.number(each, "share"))
                        .sum())
                .isCloseTo(1, within(1e-9));
    }

    @Test
    void whatIsWrongIsNamedWhereItStands() {
        Map<String, Object> broken = body(ph("nowhere", "meter-1to5", 5.5), ph("s1", "meter-1to5", 55));
        broken.put("events", List.of(Map.of("happenedOn", "yesterday", "kind", "lime")));
        Answer answer = judge(broken);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("visits[0].measurements[0].stopId", "events[0].happenedOn");
        Answer reading = judge(body(ph("s1", "meter-1to5", 55)));
        assertThat(reading.status()).isEqualTo(422);
        assertThat(reading.text()).contains("visits[0].measurements[0].readings.layers[0].value");
        assertThat(judge(List.of()).status()).isEqualTo(422);
    }

    @Test
    void sentencesComeInTheUnitsThatAreAskedFor() {
        Object ring = WorkedCase.of("ring-infiltration").get(0).body().get("readings");
        Map<String, Object> body = body();
        List<Map<String, Object>> visits = new ArrayList<>();
        for (int year = 4; year < 6; year++) {
            Map<String, Object> test = Map.of("stopId", "s1", "method", "ring-infiltration", "readings", ring);
            visits.add(Map.of("id", "v" + year, "visitedOn", "202" + year + "-04-10", "measurements", List.of(test)));
        }
        body.put("visits", visits);
        String metric =
                Land.rows(judge(body).json(), "changes").get(0).get("sentence").toString();
        body.put("units", "us");
        String us =
                Land.rows(judge(body).json(), "changes").get(0).get("sentence").toString();
        assertThat(metric).contains(" mm/h then").doesNotContain("in/h");
        assertThat(us).contains(" in/h then").doesNotContain("mm");
    }

    @Test
    void nobodySignedInMayAskAndOnlySoOften() {
        ApiClient nobody = RunningApp.client();
        List<Integer> statuses = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            statuses.add(nobody.post("/api/judgements", body(ph("s1", "meter-1to5", 5.5)))
                    .status());
        }
        assertThat(statuses.get(0)).isEqualTo(200);
        assertThat(statuses).contains(429);
    }
}
