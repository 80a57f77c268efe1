package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.accounts.role.Role;

/** A row of every kind that has a path, and a body for every path that takes one. */
public final class EveryKind {

    public static final UUID DRAFT = UUID.randomUUID();
    public static final UUID EVENT = UUID.randomUUID();
    public static final UUID TIMER = UUID.randomUUID();
    public static final UUID ACTION = UUID.randomUUID();
    public static final UUID PRODUCT = UUID.randomUUID();
    public static final UUID TEST_SET = UUID.randomUUID();
    public static final UUID PHOTO = UUID.randomUUID();
    public static final UUID RAIN = UUID.randomUUID();
    public static final UUID DAY = UUID.randomUUID();
    public static final UUID MARK = UUID.randomUUID();
    public static final UUID LABORATORY = UUID.randomUUID();
    public static final UUID BAG = UUID.randomUUID();
    public static final UUID DISPATCH = UUID.randomUUID();
    public static final UUID STEP = UUID.randomUUID();
    public static final UUID CALIBRATION = UUID.randomUUID();
    public static final UUID MEMBER = UUID.randomUUID();
    public static final UUID PLACE_PHOTO = UUID.randomUUID();

    private EveryKind() {}

    /** Rows of the first practice, one of each kind that has a path. */
    @SuppressWarnings("unchecked")
    public static Map<String, String> ownRows(ApiClient owner) {
        Map<String, String> ids = new LinkedHashMap<>();
        String field = owner.get("/api/fields").list().get(0).get("id").toString();
        Map<String, Object> face = owner.get("/api/fields/" + field).json();
        String visit = ((List<Map<String, Object>>) face.get("visits"))
                .get(0)
                .get("id")
                .toString();
        String stop =
                ((List<Map<String, Object>>) face.get("stops")).get(0).get("id").toString();
        Map<String, Object> view = owner.get("/api/visits/" + visit).json();
        ids.put("fields", field);
        ids.put("growers", ((Map<String, Object>) face.get("grower")).get("id").toString());
        ids.put("stops", stop);
        ids.put("visits", visit);
        ids.put(
                "measurements",
                ((List<Map<String, Object>>) view.get("measurements"))
                        .get(0)
                        .get("id")
                        .toString());
        ids.put("drafts", DRAFT.toString());
        ids.put("events", EVENT.toString());
        ids.put("timers", TIMER.toString());
        ids.put("photos", PHOTO.toString());
        ids.put("observations", UUID.randomUUID().toString());
        ids.put("actions", ACTION.toString());
        ids.put("products", PRODUCT.toString());
        ids.put("test-sets", TEST_SET.toString());
        ids.put("fixes", UUID.randomUUID().toString());
        ids.put("rain", RAIN.toString());
        ids.put("day-plans", DAY.toString());
        ids.put("day-marks", MARK.toString());
        ids.put("laboratories", LABORATORY.toString());
        ids.put("bags", BAG.toString());
        ids.put("dispatches", DISPATCH.toString());
        ids.put("jobs", owner.post("/api/archives", Map.of()).json().get("id").toString());
        ids.put(
                "calendar-addresses",
                owner.post("/api/calendar-addresses", Map.of("name", "mine"))
                        .json()
                        .get("id")
                        .toString());
        ids.put("calibrations", CALIBRATION.toString());
        ids.put("people", Crew.idOf(owner).toString());
        ids.put(
                "invitations",
                new Crew(owner, RunningApp.port())
                        .invite("apart@tidemark.example", Role.ADVISOR, null)
                        .get("id")
                        .toString());
        ids.put("sessions", owner.get("/api/sessions").list().get(0).get("id").toString());
        Map<String, Object> session =
                Map.of("title", "Ours", "tests", List.of("porosity"), "places", 2, "people", 2, "version", 0);
        Object code =
                owner.put("/api/calibrations/" + CALIBRATION, session).json().get("code");
        Land.ok(owner.post("/api/calibration-members", Map.of("code", code, "member", MEMBER, "name", "A")));
        assertThat(owner.sendBytes(
                                "PUT",
                                "/api/calibrations/" + CALIBRATION + "/photos/" + PLACE_PHOTO + "?place=1&member="
                                        + MEMBER,
                                SomePicture.jpeg(20, 20),
                                "image/jpeg")
                        .status())
                .isEqualTo(200);
        // a file is made of a field
        ids.put("exports", "");
        // an instrument is nobody's; the stop that it is put in is
        ids.put("devices", "ph-meter");
        byte[] jpeg = SomePicture.jpeg(20, 20);
        assertThat(owner.sendBytes("PUT", "/api/photos/" + PHOTO + photoOf(ids), jpeg, "image/jpeg")
                        .status())
                .isEqualTo(200);
        Map<String, Object> bodies = bodies(ids);
        assertThat(owner.put("/api/drafts/" + DRAFT, bodies.get("/api/drafts/{id}"))
                        .status())
                .isEqualTo(200);
        assertThat(owner.put("/api/events/" + EVENT, bodies.get("/api/events/{id}"))
                        .status())
                .isEqualTo(200);
        assertThat(owner.put("/api/actions/" + ACTION, bodies.get("/api/actions/{id}"))
                        .status())
                .isEqualTo(200);
        assertThat(owner.put(
                                "/api/products/" + PRODUCT,
                                Map.of("name", "Lime", "calculator", "lime", "inputs", Map.of(), "version", 0))
                        .status())
                .isEqualTo(200);
        assertThat(owner.put("/api/timers/" + TIMER, bodies.get("/api/timers/{id}"))
                        .status())
                .isEqualTo(200);
        assertThat(owner.put(
                                "/api/laboratories/" + LABORATORY,
                                Map.of("name", "Loamworks", "simulated", true, "prices", List.of(), "version", 0))
                        .status())
                .isEqualTo(200);
        for (String path : List.of("rain", "day-plans", "day-marks", "bags", "dispatches")) {
            Answer kept = owner.put("/api/" + path + "/" + ids.get(path), bodies.get("/api/" + path + "/{id}"));
            assertThat(kept.status()).as("%s", kept).isEqualTo(200);
        }
        return ids;
    }

    public static String photoOf(Map<String, String> ids) {
        return "?visit=" + ids.get("visits") + "&stop=" + ids.get("stops") + "&takenAt=2026-05-01T09:00:00Z";
    }

    public static Map<String, Object> bodies(Map<String, String> ids) {
        Map<String, Object> test = new LinkedHashMap<>();
        test.put("visitId", ids.get("visits"));
        test.put("stopId", ids.get("stops"));
        test.put("method", "texture-feel");
        Map<String, Object> draft = new LinkedHashMap<>(test);
        draft.put("content", Map.of("readings", Map.of()));
        draft.put("version", 0);
        Map<String, Object> measurement = new LinkedHashMap<>(test);
        measurement.put("readings", Map.of("key", "ribbon", "formsBall", false));
        measurement.put("takenAt", "2026-05-01T09:00:00Z");
        Map<String, Object> timer = new LinkedHashMap<>(test);
        timer.put("measurementId", DRAFT);
        timer.put("startedAt", "2026-05-01T09:00:00Z");
        timer.put(
                "steps",
                List.of(Map.of("id", STEP, "code", "look", "dueAt", "2026-05-01T09:10:00Z", "toleranceSeconds", 60)));
        Map<String, Object> bodies = new LinkedHashMap<>();
        bodies.put(
                "/api/calibrations/{id}",
                Map.of("title", "Taken over", "tests", List.of("porosity"), "places", 2, "people", 2, "version", 1));
        bodies.put("/api/calibrations/{id}/closed", Map.of());
        bodies.put(
                "/api/calibrations/{id}/scores/{member}",
                Map.of("scores", List.of(Map.of("place", 1, "test", "porosity", "score", 1))));
        bodies.put("/api/growers/{id}", Map.of("name", "Taken over", "version", 1));
        bodies.put(
                "/api/fields/{id}",
                Map.of(
                        "growerId",
                        ids.get("growers"),
                        "name",
                        "Taken over",
                        "landUse",
                        "arable",
                        "purpose",
                        "field",
                        "version",
                        1));
        bodies.put(
                "/api/stops/{id}",
                Map.of("fieldId", ids.get("fields"), "label", "Taken over", "position", 1, "version", 1));
        bodies.put(
                "/api/events/{id}",
                Map.of(
                        "fieldId",
                        ids.get("fields"),
                        "happenedOn",
                        "2026-05-01",
                        "kind",
                        "lime",
                        "what",
                        "Lime",
                        "version",
                        0));
        bodies.put(
                "/api/actions/{id}",
                Map.of(
                        "fieldId",
                        ids.get("fields"),
                        "kind",
                        "keep-covered",
                        "inputs",
                        Map.of(),
                        "state",
                        "agreed",
                        "version",
                        0));
        bodies.put(
                "/api/products/{id}",
                Map.of("name", "Taken over", "calculator", "lime", "inputs", Map.of(), "version", 1));
        bodies.put("/api/test-sets/{id}", Map.of("name", "Taken over", "methods", List.of("ph"), "version", 1));
        bodies.put(
                "/api/observations/{id}",
                Map.of("visitId", ids.get("visits"), "stopId", ids.get("stops"), "cropVigour", 1, "version", 0));
        bodies.put("/api/visits/{id}", Map.of("fieldId", ids.get("fields"), "visitedOn", "2026-05-01", "version", 1));
        bodies.put("/api/visits/{id}/helpers", Map.of("helpers", List.of()));
        bodies.put("/api/people/{id}", Map.of("name", "Taken over", "role", "OWNER", "version", 1));
        bodies.put("/api/drafts/{id}", draft);
        bodies.put("/api/measurements/{id}", measurement);
        bodies.put("/api/timers/{id}", timer);
        bodies.put("/api/timers/{id}/stopped", Map.of("stoppedAt", "2026-05-01T09:20:00Z"));
        bodies.put("/api/timers/{id}/steps/{step}/done", Map.of("doneAt", "2026-05-01T09:11:00Z"));
        bodies.put(
                "/api/fixes/{id}",
                Map.of(
                        "visitId",
                        ids.get("visits"),
                        "stopId",
                        ids.get("stops"),
                        "longitude",
                        3.4,
                        "latitude",
                        53.8,
                        "accuracyM",
                        4,
                        "takenAt",
                        "2026-05-01T09:00:00Z"));
        bodies.put(
                "/api/rain/{id}",
                Map.of("fieldId", ids.get("fields"), "fellOn", "2026-05-01", "rainMm", 12.5, "version", 0));
        bodies.put(
                "/api/day-plans/{id}",
                Map.of(
                        "plannedOn",
                        "2026-05-01",
                        "startsAt",
                        "08:30",
                        "people",
                        List.of("A", "B"),
                        "fields",
                        List.of(Map.of(
                                "fieldId",
                                ids.get("fields"),
                                "stopIds",
                                List.of(ids.get("stops")),
                                "methods",
                                List.of("ph"))),
                        "version",
                        0));
        bodies.put(
                "/api/laboratories/{id}",
                Map.of("name", "Loamworks", "simulated", true, "prices", List.of(), "version", 1));
        bodies.put("/api/laboratories/{id}/results", Map.of("text", "Bag,pH\n", "store", false));
        bodies.put(
                "/api/bags/{id}",
                Map.of(
                        "visitId",
                        ids.get("visits"),
                        "stopIds",
                        List.of(ids.get("stops")),
                        "depthTopMm",
                        0,
                        "depthBottomMm",
                        200,
                        "takenAt",
                        "2026-05-01T09:00:00Z",
                        "sampler",
                        "A",
                        "tests",
                        List.of("ph"),
                        "version",
                        0));
        bodies.put(
                "/api/dispatches/{id}",
                Map.of(
                        "laboratoryId",
                        LABORATORY,
                        "sentAt",
                        "2026-05-01T12:00:00Z",
                        "bagIds",
                        List.of(BAG),
                        "version",
                        0));
        bodies.put(
                "/api/day-marks/{id}",
                Map.of(
                        "planId",
                        DAY,
                        "stopId",
                        ids.get("stops"),
                        "method",
                        "ph",
                        "step",
                        0,
                        "person",
                        1,
                        "begunAt",
                        "2026-05-01T08:31:00Z",
                        "version",
                        0));
        return bodies;
    }
}
