package org.morphotera.server.fields;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** Growers, fields, stops and what was done: each fault at its entry, no write over somebody else's. */
@ExtendWith(RunningApp.class)
class FieldsTest {

    private static final LocalDate DAY = LocalDate.of(2026, 4, 10);

    private final ApiClient advisor;

    FieldsTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static Arguments fault(String path, String entry, Object value) {
        return Arguments.of(path, entry, value);
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                fault("fields", "name", ""),
                fault("fields", "name", "x".repeat(201)),
                fault("fields", "landUse", "moor"),
                fault("fields", "purpose", "septic"),
                fault("fields", "textureClass", "mud"),
                fault("fields", "areaHa", -1),
                fault("fields", "crop", "y".repeat(61)),
                fault("growers", "name", " "),
                fault("growers", "contact", "z".repeat(401)),
                fault("stops", "label", ""),
                fault("stops", "longitude", 181),
                fault("stops", "latitude", -90.5),
                fault("events", "kind", ""),
                fault("events", "what", " "),
                fault("events", "cost", -3),
                fault("visits", "soilMoisture", "soggy"),
                fault("visits", "daysSinceRain", -1),
                fault("visits", "soilTempC", 71));
    }

    private Map<String, Object> sound(String path, Land land) {
        Map<String, Map<String, Object>> bodies = Map.of(
                "growers", Map.of("name", "Sallow Bank", "version", 0),
                "fields",
                        Map.of(
                                "growerId", land.grower,
                                "name", "Another",
                                "landUse", "pasture",
                                "purpose", "field",
                                "version", 0),
                "stops", Map.of("fieldId", land.field, "label", "Stop 9", "position", 9, "version", 0),
                "events",
                        Map.of(
                                "fieldId",
                                land.field,
                                "happenedOn",
                                DAY.toString(),
                                "kind",
                                "lime",
                                "what",
                                "two tonnes",
                                "version",
                                0),
                "visits", Map.of("fieldId", land.field, "visitedOn", DAY.toString(), "version", 0));
        return new LinkedHashMap<>(bodies.get(path));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void aFaultIsNamedAtItsEntryAndNothingIsStored(String path, String entry, Object value) {
        Land land = new Land(advisor, 1);
        String id = UUID.randomUUID().toString();
        Map<String, Object> body = sound(path, land);
        body.put(entry, value);
        Answer refused = advisor.put("/api/" + path + "/" + id, body);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.type()).startsWith("application/problem+json");
        assertThat(Land.rows(refused.json(), "errors"))
                .extracting(each -> each.get("field"))
                .contains(entry);
        // the same id is still free
        assertThat(advisor.put("/api/" + path + "/" + id, sound(path, land)).status())
                .isEqualTo(200);
    }

    static Stream<String> kinds() {
        return Stream.of("growers", "fields", "stops", "events", "visits");
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aWriteThatIsRepeatedIsTheSameAndOneOverANewerIsNot(String path) {
        Land land = new Land(advisor, 1);
        String url = "/api/" + path + "/" + UUID.randomUUID();
        Map<String, Object> first = sound(path, land);
        assertThat(advisor.put(url, first).json()).containsEntry("version", 1);
        assertThat(advisor.put(url, first).json()).containsEntry("version", 1);
        String text = path.equals("stops") ? "label" : path.equals("events") ? "what" : "name";
        String entry = path.equals("visits") ? "note" : text;
        Map<String, Object> mine = new LinkedHashMap<>(first);
        mine.put(entry, "mine");
        mine.put("version", 1);
        assertThat(advisor.put(url, mine).json()).containsEntry("version", 2).containsEntry(entry, "mine");
        Map<String, Object> theirs = new LinkedHashMap<>(first);
        theirs.put(entry, "theirs");
        theirs.put("version", 1);
        Answer stale = advisor.put(url, theirs);
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.text()).contains("mine").contains("theirs");
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aChangeOfWhatIsNotThereIsNotFound(String path) {
        Map<String, Object> body = sound(path, new Land(advisor, 1));
        body.put("version", 4);
        assertThat(advisor.put("/api/" + path + "/" + UUID.randomUUID(), body).status())
                .isEqualTo(404);
    }

    @Test
    void whatBelongsNowhereIsNotFound() {
        Land land = new Land(advisor, 1);
        for (String path : List.of("stops", "events", "visits")) {
            Map<String, Object> body = sound(path, land);
            body.put("fieldId", UUID.randomUUID().toString());
            assertThat(advisor.put("/api/" + path + "/" + UUID.randomUUID(), body)
                            .status())
                    .as(path)
                    .isEqualTo(404);
        }
        Map<String, Object> field = sound("fields", land);
        field.put("growerId", UUID.randomUUID().toString());
        assertThat(advisor.put("/api/fields/" + UUID.randomUUID(), field).status())
                .isEqualTo(404);
    }

    @Test
    void anEventIsTakenAwayOnce() {
        Land land = new Land(advisor, 1);
        String event = land.event(DAY, "lime", List.of());
        assertThat(Land.rows(land.face(), "events")).hasSize(1);
        assertThat(advisor.send("DELETE", "/api/events/" + event, null, "application/json")
                        .status())
                .isEqualTo(204);
        assertThat(Land.rows(land.face(), "events")).isEmpty();
        assertThat(advisor.send("DELETE", "/api/events/" + event, null, "application/json")
                        .status())
                .isEqualTo(204);
        assertThat(advisor.send("DELETE", "/api/events/" + java.util.UUID.randomUUID(), null, "application/json")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void anOutlineIsAPolygonOrRefused() {
        Land land = new Land(advisor, 1);
        Map<String, Object> body = sound("fields", land);
        body.put("boundary", "{\"type\":\"Point\",\"coordinates\":[4,52]}");
        assertThat(advisor.put("/api/fields/" + UUID.randomUUID(), body).status())
                .isEqualTo(422);
        body.put("boundary", "not even JSON");
        assertThat(advisor.put("/api/fields/" + UUID.randomUUID(), body).status())
                .isEqualTo(422);
        body.put("boundary", "{\"type\":\"Polygon\",\"coordinates\":[[[4,52],[4.01,52],[4.01,52.01],[4,52]]]}");
        assertThat(advisor.put("/api/fields/" + UUID.randomUUID(), body).status())
                .isEqualTo(200);
    }

    @Test
    void aRenamedGrowerShowsOnTheStripsOfItsFields() {
        Land land = new Land(advisor, 1, Map.of("name", "Strip " + UUID.randomUUID()));
        String name = Land.part(land.face(), "field").get("name").toString();
        String find = "/api/fields?find=" + name.replace(" ", "%20");
        assertThat(advisor.get(find).text()).contains("Sallow Bank");
        Land.ok(advisor.put("/api/growers/" + land.grower, Map.of("name", "Reed Holme", "version", 1)));
        assertThat(advisor.get(find).text()).contains("Reed Holme").doesNotContain("Sallow Bank");
    }

    @Test
    void theTextureOfAFieldIsWhatMostStopsShowOnEveryPage() {
        Land land = new Land(advisor, 3, Map.of("textureClass", "sand"));
        assertThat(land.face()).containsEntry("textureClass", "sand");
        String visit = land.visit(DAY);
        Map<String, Object> loam =
                Map.of("key", "ribbon", "formsBall", true, "formsRibbon", true, "ribbonMm", 20, "feel", "neither");
        Map<String, Object> clay =
                Map.of("key", "ribbon", "formsBall", true, "formsRibbon", true, "ribbonMm", 60, "feel", "neither");
        Map<String, Object> topsoil = Map.of("depthTopMm", 0, "depthBottomMm", 150);
        Land.ok(land.record(visit, 0, "texture-feel", loam, DAY, topsoil));
        Land.ok(land.record(visit, 1, "texture-feel", loam, DAY, topsoil));
        // the newest reading is another: it does not outvote the two
        Land.ok(land.record(visit, 2, "texture-feel", clay, DAY, topsoil));
        assertThat(land.face()).containsEntry("textureClass", "loam");
        String compared = advisor.get("/api/compare?field=" + land.field + "&otherField=" + land.field)
                .text();
        assertThat(compared).contains("\"texture\":\"loam\"").doesNotContain("\"texture\":\"clay\"");
        assertThat(advisor.get("/api/fields?find=Test%20polder").text()).contains("\"textureClass\":\"loam\"");
    }

    @Test
    void whatWasReadAboveTheGroundStandsAboveItAndAllElseBelow() {
        Land land = new Land(advisor, 1);
        String visit = land.visit(DAY);
        land.ph(visit, 0, 6.4, DAY);
        Land.ok(land.record(
                visit, 0, "ground-cover", Map.of("livingPct", 60, "litterPct", 20, "stonePct", 5, "barePct", 15), DAY));
        Map<String, Object> face = land.face();
        List<Map<String, Object>> findings = Land.rows(face, "findings");
        List<Map<String, Object>> bands = Land.rows(Land.part(face, "layout"), "bands");
        for (int i = 0; i < bands.size(); i++) {
            boolean above = i == 0;
            ((List<?>) bands.get(i).get("shown"))
                    .forEach(index -> assertThat(findings.get((Integer) index).containsKey("depthTopMm"))
                            .isNotEqualTo(above));
        }
        assertThat((List<?>) bands.get(0).get("shown")).hasSize(1);
        assertThat(Land.number(Land.part(face, "layout"), "deepestMm")).isEqualTo(400);
    }
}
