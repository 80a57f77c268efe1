package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.accounts.Role;
import org.morphotera.server.accounts.Roles;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** One practice can neither read nor write what is another's, over any path that the API describes. */
@ExtendWith(RunningApp.class)
class PracticesApartTest {

    private static final Set<String> OPEN = Set.of(
            "/api/calculators/{id}",
            "/api/methods/{id}",
            "/api/methods/{id}/evaluate",
            "/api/methods",
            "/api/core-data",
            "/api/session");

    private static final UUID DRAFT = UUID.randomUUID();
    private static final UUID EVENT = UUID.randomUUID();
    private static final UUID TIMER = UUID.randomUUID();
    private static final UUID ACTION = UUID.randomUUID();
    private static final UUID PRODUCT = UUID.randomUUID();
    private static final UUID TEST_SET = UUID.randomUUID();
    private static final UUID PHOTO = UUID.randomUUID();
    private static final UUID RAIN = UUID.randomUUID();
    private static final UUID DAY = UUID.randomUUID();
    private static final UUID MARK = UUID.randomUUID();
    private static final UUID LABORATORY = UUID.randomUUID();
    private static final UUID BAG = UUID.randomUUID();
    private static final UUID DISPATCH = UUID.randomUUID();
    private static final UUID STEP = UUID.randomUUID();
    private static final UUID CALIBRATION = UUID.randomUUID();
    private static final UUID MEMBER = UUID.randomUUID();
    private static final UUID PLACE_PHOTO = UUID.randomUUID();

    @Test
    void noPathLetsThroughToAnotherPractice(ApiClient owner) {
        Map<String, String> ids = ownRows(owner);
        Map<String, Roles.Rule> rules =
                Calls.rules(RunningApp.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class));
        ApiClient other = RunningApp.client().signIn(ApiClient.EBBSIDE);
        assertThat(tryAll(owner, other, ids, call -> true)).hasSizeGreaterThanOrEqualTo(14);
        // nor, in the same practice, to what is not given to a helper, or not a grower's own
        Crew crew = new Crew(owner, RunningApp.port());
        ApiClient helper = crew.join("apart-helper@tidemark.example", Role.HELPER, null);
        List<String> byHelper = tryAll(
                owner, helper, ids, call -> rules.get(call).allows(Role.HELPER) && !call.contains("/api/calibrations"));
        assertThat(byHelper)
                .contains("put /api/measurements/{id}", "put /api/photos/{id}", "get /api/visits/{id}")
                .hasSizeGreaterThanOrEqualTo(14);
        UUID another = UUID.randomUUID();
        Land.ok(owner.put("/api/growers/" + another, Map.of("name", "Another", "version", 0)));
        ApiClient grower = crew.join("apart-grower@tidemark.example", Role.GROWER, another);
        assertThat(tryAll(owner, grower, ids, call -> rules.get(call).allows(Role.GROWER)))
                .contains("get /api/fields/{id}/plan", "get /api/fields/{id}/report.pdf")
                .hasSizeGreaterThanOrEqualTo(7);
        // and everything is as it was
        assertThat(owner.get("/api/visits/" + ids.get("visits")).text()).contains(DRAFT.toString());
        assertThat(owner.get("/api/timers").text()).contains(TIMER.toString());
    }

    /** The calls that were tried with rows out of reach; none was let through. */
    @SuppressWarnings("unchecked")
    private static List<String> tryAll(
            ApiClient owner, ApiClient other, Map<String, String> ids, Predicate<String> asked) {
        Map<String, Map<String, Object>> paths = (Map<String, Map<String, Object>>)
                owner.get("/api/openapi").json().get("paths");
        Map<String, Object> bodies = bodies(ids);
        List<String> tried = new ArrayList<>();
        paths.forEach((path, operations) -> {
            if (OPEN.contains(path) || !path.contains("{") || path.contains("{secret}")) {
                // what opens to a secret is tried where secrets are
                return;
            }
            String kind = path.split("/")[2];
            assertThat(ids).as("a row to try %s with", path).containsKey(kind);
            String url = path.replace("{id}", ids.get(kind))
                            .replace("{step}", STEP.toString())
                            .replace("{member}", MEMBER.toString())
                            .replace("{photo}", PLACE_PHOTO.toString())
                            .replace("{name}", "readings.csv?field=" + ids.get("fields"))
                    + (path.endsWith("photo-before") ? "?method=ph&before=2026-05-01T09:00:00Z" : "")
                    + (path.startsWith("/api/devices") ? "?stop=" + ids.get("stops") : "");
            for (String method : operations.keySet()) {
                if (!asked.test(method + " " + path)) {
                    continue;
                }
                if (path.contains("/photos/{") && method.equals("put")) {
                    byte[] jpeg = SomePicture.jpeg(40, 30);
                    String where = path.startsWith("/api/photos") ? photoOf(ids) : "?place=1&member=" + MEMBER;
                    assertThat(other.sendBytes("PUT", url + where, jpeg, "image/jpeg")
                                    .status())
                            .isEqualTo(404);
                    tried.add(method + " " + path);
                    continue;
                }
                Object body = bodies.get(path);
                if (method.equals("put")) {
                    assertThat(body).as("a body to try %s with", path).isNotNull();
                }
                Answer answer = other.send(
                        method.toUpperCase(java.util.Locale.ROOT),
                        url,
                        body == null ? null : org.morphotera.core.WorkedCase.JSON.writeValueAsString(body),
                        "application/json");
                assertThat(answer.status())
                        .as("%s %s: %s", method, path, answer)
                        .isEqualTo(404);
                tried.add(method + " " + path);
            }
        });
        return tried;
    }

    @Test
    void listsHoldOnlyThePracticesOwn(ApiClient owner) {
        ApiClient other = RunningApp.client().signIn(ApiClient.EBBSIDE);
        assertThat(other.get("/api/fields").list()).hasSize(1);
        assertThat(other.get("/api/growers").list()).hasSize(1);
        assertThat(owner.get("/api/fields").list()).hasSizeGreaterThanOrEqualTo(8);
        assertThat(other.get("/api/timers").text()).contains("\"timers\":[]");
        assertThat(other.get("/api/test-sets").list())
                .allSatisfy(set -> assertThat(set).containsKey("code"));
    }

    @Test
    void nothingIsToBeHadWithoutSigningIn() {
        ApiClient nobody = RunningApp.client();
        assertThat(nobody.get("/api/fields").status()).isEqualTo(401);
        assertThat(nobody.get("/api/timers").type()).startsWith("application/problem+json");
        assertThat(nobody.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "x", "version", 0))
                        .status())
                .isIn(401, 403);
    }

    /** Rows of the first practice, one of each kind that has a path. */
    @SuppressWarnings("unchecked")
    private static Map<String, String> ownRows(ApiClient owner) {
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

    private static String photoOf(Map<String, String> ids) {
        return "?visit=" + ids.get("visits") + "&stop=" + ids.get("stops") + "&takenAt=2026-05-01T09:00:00Z";
    }

    private static Map<String, Object> bodies(Map<String, String> ids) {
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
