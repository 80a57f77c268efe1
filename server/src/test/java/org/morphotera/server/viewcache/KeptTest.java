package org.morphotera.server.viewcache;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/** A write that is answered with 200 is kept as it was sent; what is not kept is refused, and nothing is changed. */
@ExtendWith(RunningApp.class)
class KeptTest {

    private final ApiClient advisor;
    private final Land here;
    private final Land there;

    KeptTest(ApiClient advisor) {
        this.advisor = advisor;
        this.here = new Land(advisor, 1);
        this.there = new Land(advisor, 1);
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private static Map<String, Object> changed(Map<String, Object> body, Object... pairs) {
        Map<String, Object> copy = new LinkedHashMap<>(body);
        for (int i = 0; i < pairs.length; i += 2) {
            copy.put((String) pairs[i], pairs[i + 1]);
        }
        return copy;
    }

    private static void refused(Answer answer, String field) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(422);
        assertThat(Land.rows(answer.json(), "errors").get(0)).containsEntry("field", field);
    }

    private static Map<String, Object> ph(double value) {
        return Map.of("kind", "meter-1to1", "layers", List.of(Map.of("topMm", 0, "bottomMm", 150, "value", value)));
    }

    private Map<String, Object> ph(Land land, String stop, String visit) {
        return Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "method",
                "ph",
                "depthTopMm",
                0,
                "depthBottomMm",
                200,
                "readings",
                ph(6.1),
                "takenAt",
                "2026-05-01T09:00:00.123Z");
    }

    @Test
    void nothingMovesToAnotherField() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        String other = there.stops.get(0);
        String otherVisit = there.visit(LocalDate.now());
        refused(
                advisor.put(
                        "/api/stops/" + stop,
                        Map.of("fieldId", there.field, "label", "Stop 1", "position", 1, "version", 1)),
                "fieldId");
        Map<String, Object> event = Map.of(
                "fieldId", here.field, "happenedOn", "2026-03-01", "kind", "lime", "what", "limed", "version", 0);
        String eventId = id();
        assertThat(advisor.put("/api/events/" + eventId, event).status()).isEqualTo(200);
        refused(advisor.put("/api/events/" + eventId, changed(event, "fieldId", there.field, "version", 1)), "fieldId");
        Map<String, Object> draft =
                Map.of("visitId", visit, "stopId", stop, "method", "ph", "content", Map.of(), "version", 0);
        String draftId = id();
        assertThat(advisor.put("/api/drafts/" + draftId, draft).status()).isEqualTo(200);
        refused(
                advisor.put(
                        "/api/drafts/" + draftId, changed(draft, "visitId", otherVisit, "stopId", other, "version", 1)),
                "stopId");
        refused(advisor.put("/api/drafts/" + draftId, changed(draft, "method", "pit", "version", 1)), "stopId");
        Map<String, Object> seen = Map.of("visitId", visit, "stopId", stop, "slopePct", 3, "version", 0);
        String seenId = id();
        assertThat(advisor.put("/api/observations/" + seenId, seen).status()).isEqualTo(200);
        refused(
                advisor.put(
                        "/api/observations/" + seenId,
                        changed(seen, "visitId", otherVisit, "stopId", other, "version", 1)),
                "stopId");
        assertThat(advisor.get("/api/visits/" + visit).text()).contains(draftId, seenId);
        assertThat(here.face().get("stops").toString()).contains(stop);
    }

    @Test
    void aSecondSendOfAMeasurementIsTheSameInEverything() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        Map<String, Object> body = changed(ph(here, stop, visit), "note", "wet");
        String path = "/api/measurements/" + id();
        assertThat(advisor.put(path, body).status()).isEqualTo(200);
        assertThat(advisor.put(path, body).status()).isEqualTo(200);
        for (Map<String, Object> other : List.of(
                changed(body, "note", "dry"),
                changed(body, "takenAt", "2026-05-01T09:05:00Z"),
                changed(body, "depthBottomMm", 300),
                changed(body, "readings", ph(6.2)))) {
            Answer answer = advisor.put(path, other);
            assertThat(answer.status()).as("%s", other).isEqualTo(409);
            assertThat(answer.json()).containsKeys("yours", "current");
        }
        assertThat(advisor.get(path).text()).contains("\"note\":\"wet\"").doesNotContain("dry");
    }

    @Test
    void aSecondSendOfAPhotoIsTheSamePicture() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        String path = "/api/photos/" + id() + "?visit=" + visit + "&stop=" + stop + "&takenAt=2026-05-01T09:00:00Z";
        byte[] picture = SomePicture.jpeg(60, 40);
        assertThat(advisor.sendBytes("PUT", path, picture, "image/jpeg").status())
                .isEqualTo(200);
        assertThat(advisor.sendBytes("PUT", path, picture, "image/jpeg").status())
                .isEqualTo(200);
        assertThat(advisor.sendBytes("PUT", path, SomePicture.jpeg(61, 40), "image/jpeg")
                        .status())
                .isEqualTo(409);
        assertThat(advisor.sendBytes("PUT", path + "&note=later", picture, "image/jpeg")
                        .status())
                .isEqualTo(409);
    }

    @Test
    void whatIsNamedMustBeOnesOwn() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        Map<String, Object> event = Map.of(
                "fieldId", here.field, "happenedOn", "2026-03-01", "kind", "lime", "what", "limed", "version", 0);
        refused(advisor.put("/api/events/" + id(), changed(event, "stopIds", List.of(stop, id()))), "stopIds[1]");
        refused(
                advisor.put("/api/events/" + id(), changed(event, "stopIds", List.of(there.stops.get(0)))),
                "stopIds[0]");
        assertThat(advisor.put("/api/events/" + id(), changed(event, "stopIds", Arrays.asList(stop, null)))
                        .status())
                .isEqualTo(422);
        Map<String, Object> draft = Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "method",
                "ph",
                "content",
                Map.of(),
                "supersedes",
                id(),
                "version",
                0);
        assertThat(advisor.put("/api/drafts/" + id(), draft).status()).isEqualTo(404);
        // a clock of a test that another practice has recorded
        ApiClient ebbside = RunningApp.client().signIn(ApiClient.EBBSIDE);
        Land foreign = new Land(ebbside, 1);
        String foreignStop = foreign.stops.get(0);
        String foreignVisit = foreign.visit(LocalDate.now());
        String foreignId = id();
        assertThat(ebbside.put("/api/measurements/" + foreignId, ph(foreign, foreignStop, foreignVisit))
                        .status())
                .isEqualTo(200);
        Map<String, Object> clock = Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "measurementId",
                foreignId,
                "method",
                "crumb-stability",
                "startedAt",
                Instant.now().toString(),
                "steps",
                List.of());
        assertThat(advisor.put("/api/timers/" + id(), clock).status()).isEqualTo(404);
        assertThat(advisor.put("/api/timers/" + id(), changed(clock, "measurementId", id()))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aClockUnderWayIsNotMadeAnother() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        String start = Instant.now().truncatedTo(ChronoUnit.MILLIS).toString();
        Map<String, Object> clock = Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "measurementId",
                id(),
                "method",
                "crumb-stability",
                "startedAt",
                start,
                "steps",
                List.of());
        String path = "/api/timers/" + id();
        assertThat(advisor.put(path, clock).status()).isEqualTo(200);
        assertThat(advisor.put(path, clock).status()).isEqualTo(200);
        assertThat(advisor.put(path, changed(clock, "startedAt", "2026-05-01T09:00:00Z"))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void theEventOfAnActionCantBeTakenBeforehand() {
        String action = id();
        String guessed = UUID.nameUUIDFromBytes(("done " + action).getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .toString();
        ApiClient ebbside = RunningApp.client().signIn(ApiClient.EBBSIDE);
        Land foreign = new Land(ebbside, 1);
        assertThat(ebbside.put(
                                "/api/events/" + guessed,
                                Map.of(
                                        "fieldId", foreign.field,
                                        "happenedOn", "2026-03-01",
                                        "kind", "lime",
                                        "what", "taken",
                                        "version", 0))
                        .status())
                .isEqualTo(200);
        Map<String, Object> body = Map.of(
                "fieldId",
                here.field,
                "kind",
                "keep-covered",
                "inputs",
                Map.of(),
                "state",
                "done",
                "doneOn",
                LocalDate.now().minusDays(3).toString(),
                "version",
                0);
        Answer done = advisor.put("/api/actions/" + action, body);
        assertThat(done.status()).as("%s", done).isEqualTo(200);
        assertThat(Land.rows(here.face(), "events")).hasSize(1);
        assertThat(advisor.put("/api/actions/" + action, changed(body, "state", "agreed", "version", 1))
                        .status())
                .isEqualTo(200);
        assertThat(Land.rows(here.face(), "events")).isEmpty();
    }

    @Test
    void aRepeatedRemovalIsAnsweredAsTheFirst() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        String event = here.event(LocalDate.now().minusDays(5), "lime", List.of());
        String draft = id();
        advisor.put(
                "/api/drafts/" + draft,
                Map.of("visitId", visit, "stopId", stop, "method", "ph", "content", Map.of(), "version", 0));
        String recorded = id();
        advisor.put("/api/measurements/" + recorded, ph(here, stop, visit));
        for (String path : List.of("/api/events/" + event, "/api/drafts/" + draft, "/api/drafts/" + recorded)) {
            for (int i = 0; i < 2; i++) {
                assertThat(advisor.send("DELETE", path, null, "application/json")
                                .status())
                        .as(path)
                        .isEqualTo(204);
            }
        }
        assertThat(advisor.send("DELETE", "/api/events/" + id(), null, "application/json")
                        .status())
                .isEqualTo(404);
        // what one practice took away is not known to another
        assertThat(RunningApp.client()
                        .signIn(ApiClient.EBBSIDE)
                        .send("DELETE", "/api/events/" + event, null, "application/json")
                        .status())
                .isEqualTo(404);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1989-12-31T23:00:00Z", "2200-01-01T00:00:00Z", "+999999999-12-31T23:59:59Z"})
    void aTestIsTakenAtAMomentThatCanBe(String moment) {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        refused(advisor.put("/api/measurements/" + id(), changed(ph(here, stop, visit), "takenAt", moment)), "takenAt");
        Answer photo = advisor.sendBytes(
                "PUT",
                "/api/photos/" + id() + "?visit=" + visit + "&stop=" + stop + "&takenAt=" + moment.replace("+", "%2B"),
                SomePicture.jpeg(20, 20),
                "image/jpeg");
        refused(photo, "takenAt");
    }

    @Test
    void aCorrectionNeedsItsReason() {
        String stop = here.stops.get(0);
        String visit = here.visit(LocalDate.now());
        String first = id();
        advisor.put("/api/measurements/" + first, ph(here, stop, visit));
        Map<String, Object> correction = changed(ph(here, stop, visit), "supersedes", first);
        refused(advisor.put("/api/measurements/" + id(), correction), "reason");
        refused(advisor.put("/api/measurements/" + id(), changed(correction, "reason", "  ")), "reason");
        assertThat(advisor.put("/api/measurements/" + id(), changed(correction, "reason", "wrong scale"))
                        .status())
                .isEqualTo(200);
    }
}
