package org.morphotera.server.measurements;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/** What is recorded stays, is corrected by adding, and is never written twice or over somebody else's. */
@ExtendWith(RunningApp.class)
class RecordTest {

    private final ApiClient advisor;
    private String field;
    private String visit;
    private String stop;

    RecordTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    @BeforeEach
    void aFieldWithAStopAndAVisit() {
        String grower = UUID.randomUUID().toString();
        field = UUID.randomUUID().toString();
        stop = UUID.randomUUID().toString();
        visit = UUID.randomUUID().toString();
        advisor.put("/api/growers/" + grower, Map.of("name", "Dyke End", "version", 0));
        advisor.put(
                "/api/fields/" + field,
                Map.of(
                        "growerId",
                        grower,
                        "name",
                        "Far Polder",
                        "landUse",
                        "arable",
                        "purpose",
                        "field",
                        "version",
                        0));
        advisor.put("/api/stops/" + stop, Map.of("fieldId", field, "label", "Stop 1", "position", 1, "version", 0));
        assertThat(advisor.put("/api/visits/" + visit, visitBody(0, "moist")).status())
                .isEqualTo(200);
    }

    private Map<String, Object> visitBody(int version, String moisture) {
        return Map.of(
                "fieldId",
                field,
                "visitedOn",
                LocalDate.now().toString(),
                "soilMoisture",
                moisture,
                "version",
                version);
    }

    /** Of two like falls in a hole of 200 mm, by the inverse auger hole method, as a figure begins. */
    private static String permeability(double secondLevel) {
        double half = 50;
        double fallen = Math.log((250 + half) / (2 * secondLevel - 250 + half));
        return String.valueOf(half * fallen).substring(0, 6);
    }

    private Map<String, Object> hole(double secondLevel) {
        Map<String, Object> readings = Map.of(
                "mode",
                "stepped",
                "holeDiameterMm",
                200,
                "holeDepthMm",
                300,
                "presoaked",
                true,
                "measure",
                "water-depth",
                "points",
                List.of(
                        Map.of("minute", 0, "mm", 250),
                        Map.of("minute", 30, "mm", secondLevel),
                        Map.of("minute", 60, "mm", 2 * secondLevel - 250)));
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("visitId", visit);
        body.put("stopId", stop);
        body.put("method", "hole-drainage");
        body.put("depthTopMm", 0);
        body.put("depthBottomMm", 300);
        body.put("readings", readings);
        body.put("takenAt", Instant.now().toString());
        return body;
    }

    @Test
    void aMeasurementAppearsOnTheFaceAndARepeatedSendIsTheSameRow() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> body = hole(240);
        Answer first = advisor.put("/api/measurements/" + id, body);
        Answer second = advisor.put("/api/measurements/" + id, body);
        assertThat(first.status()).isEqualTo(200);
        assertThat(second.json()).isEqualTo(first.json());
        Map<String, Object> face = advisor.get("/api/fields/" + field).json();
        assertThat(face.get("findings").toString())
                .contains("indicator=drainage", "figure=" + permeability(240), "unit=mm/h");
        assertThat(advisor.put("/api/measurements/" + id, hole(230)).status()).isEqualTo(409);
    }

    @Test
    @SuppressWarnings("unchecked")
    void aCorrectionKeepsTheOldValueAndSaysWhoChangedWhatAndWhy() {
        String first = UUID.randomUUID().toString();
        String second = UUID.randomUUID().toString();
        advisor.put("/api/measurements/" + first, hole(240));
        Map<String, Object> correction = hole(230);
        correction.put("supersedes", first);
        correction.put("reason", "ruler slipped");
        assertThat(advisor.put("/api/measurements/" + second, correction).status())
                .isEqualTo(200);
        Map<String, Object> history = advisor.get("/api/measurements/" + first).json();
        List<Map<String, Object>> versions = (List<Map<String, Object>>) history.get("versions");
        assertThat(versions).extracting(version -> version.get("id")).containsExactly(second, first);
        assertThat(versions.get(0))
                .containsEntry("reason", "ruler slipped")
                .containsKey("person")
                .containsKey("recordedAt");
        assertThat(versions.get(1).get("readings").toString()).contains("mm=240");
        assertThat(advisor.get("/api/fields/" + field).json().get("findings").toString())
                .contains("figure=" + permeability(230))
                .doesNotContain("figure=" + permeability(240));
        // the first one is superseded already: whoever corrects it too must see that
        correction.put("readings", hole(235).get("readings"));
        Answer stale = advisor.put("/api/measurements/" + UUID.randomUUID(), correction);
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.json()).containsKeys("yours", "current");
    }

    @Test
    void faultyReadingsAreRefusedWithTheirFieldAndNothingIsStored() {
        String id = UUID.randomUUID().toString();
        Answer answer = advisor.put("/api/measurements/" + id, hole(310));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("points[1].mm", "points[2].mm");
        assertThat(advisor.get("/api/measurements/" + id).status()).isEqualTo(404);
    }

    @Test
    void aStaleWriteGetsBothVersions() {
        assertThat(advisor.put("/api/visits/" + visit, visitBody(1, "wet")).status())
                .isEqualTo(200);
        assertThat(advisor.put("/api/visits/" + visit, visitBody(1, "wet")).status())
                .isEqualTo(200);
        Answer stale = advisor.put("/api/visits/" + visit, visitBody(1, "dry"));
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.json().get("yours").toString()).contains("dry");
        assertThat(stale.json().get("current").toString()).contains("wet");
    }

    @Test
    void badInputOfAVisitNamesItsFieldAndTheRemedy() {
        Map<String, Object> body = new LinkedHashMap<>(visitBody(1, "soggy"));
        body.put("soilTempC", 400);
        Answer answer = advisor.put("/api/visits/" + visit, body);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("soilMoisture", "Must be one of dry, moist, wet", "soilTempC", "-20 and 70");
        body.put("soilTempC", "warm");
        assertThat(advisor.put("/api/visits/" + visit, body).text()).contains("\"field\":\"soilTempC\"");
    }

    @Test
    void aDraftIsKeptAtEveryChangeAndGoneWithItsMeasurement() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> draft = new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "method",
                "hole-drainage",
                "content",
                Map.of("stage", 1),
                "version",
                0));
        assertThat(advisor.put("/api/drafts/" + id, draft).json()).containsEntry("version", 1);
        assertThat(advisor.put("/api/drafts/" + id, draft).json()).containsEntry("version", 1);
        draft.put("content", Map.of("stage", 2));
        assertThat(advisor.put("/api/drafts/" + id, draft).status()).isEqualTo(409);
        draft.put("version", 1);
        assertThat(advisor.put("/api/drafts/" + id, draft).json()).containsEntry("version", 2);
        advisor.put("/api/measurements/" + id, hole(240));
        assertThat(advisor.get("/api/visits/" + visit).json()).containsEntry("drafts", List.of());
    }

    @Test
    @SuppressWarnings("unchecked")
    void aClockIsTheSameForEveryoneKeepsRealTimesAndStopsWithItsMeasurement() {
        String measurement = UUID.randomUUID().toString();
        String timer = UUID.randomUUID().toString();
        String step = UUID.randomUUID().toString();
        Instant start = Instant.parse("2026-05-01T09:00:00Z");
        Map<String, Object> body = Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "measurementId",
                measurement,
                "method",
                "hole-drainage",
                "startedAt",
                start.toString(),
                "steps",
                List.of(Map.of(
                        "id",
                        step,
                        "code",
                        "read-level",
                        "dueAt",
                        start.plusSeconds(600).toString(),
                        "toleranceSeconds",
                        300)));
        advisor.put("/api/timers/" + timer, body);
        advisor.put("/api/timers/" + timer, body);
        ApiClient secondBrowser = RunningApp.client().signIn(ApiClient.TIDEMARK);
        String done = start.plusSeconds(655).toString();
        Answer marked = secondBrowser.put("/api/timers/" + timer + "/steps/" + step + "/done", Map.of("doneAt", done));
        List<Map<String, Object>> steps =
                (List<Map<String, Object>>) marked.json().get("steps");
        assertThat(steps).hasSize(1);
        assertThat(steps.get(0)).containsEntry("doneAt", done).containsEntry("label", "Read the level");
        assertThat(advisor.get("/api/timers").text()).contains(timer);
        advisor.put("/api/measurements/" + measurement, hole(240));
        assertThat(advisor.get("/api/timers").text()).doesNotContain(timer);
    }

    @Test
    void aDeviceWhoseClockIsAheadRecordsAllTheSameAndOnceOnly() {
        Instant ahead = Instant.now().plus(Duration.ofDays(2)).truncatedTo(ChronoUnit.MILLIS);
        Map<String, Object> place = Map.of("visitId", visit, "stopId", stop, "takenAt", ahead.toString());
        Map<String, Object> body = new LinkedHashMap<>(place);
        body.putAll(Map.of("method", "smell", "readings", Map.of("score", 2), "depthTopMm", 0, "depthBottomMm", 200));
        String path = "/api/measurements/" + UUID.randomUUID();
        Answer first = advisor.put(path, body);
        assertThat(first.status()).as(first.text()).isEqualTo(200);
        assertThat(Instant.parse(first.json().get("takenAt").toString()))
                .isBefore(Instant.now().plusSeconds(1))
                .isAfter(Instant.now().minusSeconds(60));
        Answer again = advisor.put(path, body);
        assertThat(again.status()).isEqualTo(200);
        assertThat(again.json().get("takenAt")).isEqualTo(first.json().get("takenAt"));
        body.put("takenAt", Instant.now().minusSeconds(5000).toString());
        assertThat(advisor.put(path, body).status()).isEqualTo(409);
        // no clock is as wrong as that
        body.put("takenAt", "2063-04-05T10:00:00Z");
        assertThat(advisor.put("/api/measurements/" + UUID.randomUUID(), body).status())
                .isEqualTo(422);

        String photo = "/api/photos/" + UUID.randomUUID() + "?visit=" + visit + "&stop=" + stop + "&takenAt=" + ahead;
        byte[] picture = SomePicture.jpeg(30, 20);
        assertThat(advisor.sendBytes("PUT", photo, picture, "image/jpeg").status())
                .isEqualTo(200);
        assertThat(advisor.sendBytes("PUT", photo, picture, "image/jpeg").status())
                .isEqualTo(200);

        Map<String, Object> fix = new LinkedHashMap<>(place);
        fix.putAll(Map.of("longitude", 4.1, "latitude", 52.2, "accuracyM", 4));
        String fixed = "/api/fixes/" + UUID.randomUUID();
        assertThat(advisor.put(fixed, fix).status()).isEqualTo(200);
        assertThat(advisor.put(fixed, fix).status()).isEqualTo(200);
    }

    @Test
    void aClockOfADeviceThatIsAheadRunsAsLongAsItShould() {
        Instant start = Instant.now().plus(Duration.ofDays(2)).truncatedTo(ChronoUnit.MILLIS);
        String step = UUID.randomUUID().toString();
        Map<String, Object> due = Map.of(
                "id", step, "code", "read", "dueAt", start.plusSeconds(300).toString(), "toleranceSeconds", 10);
        Map<String, Object> body = Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "measurementId",
                UUID.randomUUID().toString(),
                "method",
                "ring-infiltration",
                "startedAt",
                start.toString(),
                "steps",
                List.of(due));
        String path = "/api/timers/" + UUID.randomUUID();
        for (int sent = 0; sent < 2; sent++) {
            Answer answer = advisor.put(path, body);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            Instant began = Instant.parse(answer.json().get("startedAt").toString());
            assertThat(began).isBefore(Instant.now().plusSeconds(1));
            Map<?, ?> kept = (Map<?, ?>) ((List<?>) answer.json().get("steps")).get(0);
            assertThat(Instant.parse(kept.get("dueAt").toString())).isEqualTo(began.plusSeconds(300));
        }
        Answer done = advisor.put(
                path + "/steps/" + step + "/done",
                Map.of("doneAt", start.plusSeconds(300).toString()));
        assertThat(done.status()).isEqualTo(200);
        assertThat(advisor.put(
                                path + "/stopped",
                                Map.of("stoppedAt", start.plusSeconds(310).toString()))
                        .status())
                .isEqualTo(200);
    }
}
