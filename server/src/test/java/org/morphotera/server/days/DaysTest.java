package org.morphotera.server.days;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** Good days, rain of one's own, places, days of work and the year, as a client sees them. */
@ExtendWith(RunningApp.class)
class DaysTest {

    private static final String SQUARE = "{\"type\":\"Polygon\",\"coordinates\":[[[3.4,53.8],[3.404,53.8],"
            + "[3.404,53.802],[3.4,53.802],[3.4,53.8]]]}";

    private final ApiClient advisor;

    DaysTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private Land land(Map<String, Object> more) {
        return new Land(advisor, 2, more);
    }

    private List<Map<String, Object>> days(String field) {
        return Land.rows(advisor.get("/api/fields/" + field + "/days").json(), "days");
    }

    @Test
    void theComingDaysOfAFieldCarryChancesAndWhatSpoilsThem() {
        Land land = land(Map.of("boundary", SQUARE, "textureClass", "silt-loam"));
        Map<String, Object> view =
                advisor.get("/api/fields/" + land.field + "/days").json();
        assertThat(view).containsEntry("placed", true).containsEntry("textureKnown", true);
        assertThat((Double) view.get("capacityMm")).isCloseTo(60, within(1e-9));
        List<Map<String, Object>> days = Land.rows(view, "days");
        assertThat(days).hasSize(14);
        assertThat(days.get(0)).containsEntry("date", LocalDate.now().toString());
        for (Map<String, Object> day : days) {
            double chance = ((Number) day.get("chance")).doubleValue();
            assertThat(chance * 20).isCloseTo(Math.rint(chance * 20), within(1e-9));
            Map<?, ?> groups = (Map<?, ?>) day.get("groups");
            assertThat(chance).isLessThanOrEqualTo(((Number) groups.get("probe")).doubleValue());
            assertThat(chance == 1).isEqualTo(Land.rows(day, "against").isEmpty());
        }
        assertThat(advisor.get("/api/fields/" + land.field + "/days").text())
                .isEqualTo(advisor.get("/api/fields/" + land.field + "/days").text());
        Answer refused = advisor.get("/api/fields/" + land.field + "/days?groups=moonlight");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("groups[0]");
    }

    @Test
    void aFieldWithoutPlaceOrTextureSaysSo() {
        Land land = land(Map.of());
        assertThat(advisor.get("/api/fields/" + land.field + "/days").json())
                .containsEntry("placed", false)
                .containsEntry("textureKnown", false);
    }

    @Test
    void rainOfOnesOwnGaugeWins() {
        Land land = land(Map.of("boundary", SQUARE, "textureClass", "sand"));
        LocalDate today = LocalDate.now();
        for (int back = 1; back <= 60; back++) {
            Land.ok(advisor.put("/api/rain/" + id(), rain(land.field, today.minusDays(back), 0)));
        }
        Map<String, Object> dry = now(land.field);
        assertThat(dry).doesNotContainKey("daysSinceRain");
        String wetId = id();
        Land.ok(advisor.put("/api/rain/" + wetId, rain(land.field, today, 22)));
        assertThat(days(land.field).get(0))
                .satisfies(day ->
                        assertThat(((Number) day.get("rainMm")).doubleValue()).isEqualTo(22));
        assertThat(days(land.field).get(0).toString()).contains("RAIN_TOO_RECENT");
        Answer twice = advisor.put("/api/rain/" + id(), rain(land.field, today, 3));
        assertThat(twice.status()).as("one reading a day").isEqualTo(409);
        assertThat(advisor.delete("/api/rain/" + wetId).status()).isEqualTo(204);
        assertThat(advisor.put("/api/rain/" + id(), rain(land.field, today, -1)).text())
                .contains("rainMm");
    }

    private static Map<String, Object> rain(String field, LocalDate day, double mm) {
        return Map.of("fieldId", field, "fellOn", day.toString(), "rainMm", mm, "version", 0);
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> now(String field) {
        return (Map<String, Object>)
                advisor.get("/api/fields/" + field + "/days").json().get("now");
    }

    @Test
    void aRoundIsGoodOnlyWhereEveryFieldIs() {
        Land one = land(Map.of("boundary", SQUARE, "textureClass", "clay"));
        Land other = land(Map.of("boundary", SQUARE, "textureClass", "sand"));
        String both = one.field + "," + other.field;
        Map<String, Object> round =
                advisor.get("/api/good-days?groups=water-in&fields=" + both).json();
        List<Map<String, Object>> days = Land.rows(round, "days");
        for (Map<String, Object> day : days) {
            double least = ((Map<?, ?>) day.get("fields"))
                    .values().stream()
                            .mapToDouble(chance -> ((Number) chance).doubleValue())
                            .min()
                            .orElseThrow();
            assertThat(((Number) day.get("chance")).doubleValue()).isLessThanOrEqualTo(least);
        }
        List<?> best = (List<?>) round.get("best");
        assertThat(best).hasSizeLessThanOrEqualTo(3);
        double bestChance = days.stream()
                .filter(day -> day.get("date").equals(best.get(0)))
                .mapToDouble(day -> ((Number) day.get("chance")).doubleValue())
                .sum();
        assertThat(days)
                .allSatisfy(day ->
                        assertThat(((Number) day.get("chance")).doubleValue()).isLessThanOrEqualTo(bestChance));
        assertThat(advisor.get("/api/good-days?fields=" + id()).status()).isEqualTo(404);
    }

    @Test
    void aStopMayBeALineAndRetiresWithItsHistory() {
        Land land = land(Map.of());
        String stop = land.stops.get(0);
        Map<String, Object> body =
                new LinkedHashMap<>(Map.of("fieldId", land.field, "label", "Transect", "position", 1, "version", 1));
        body.put("longitude", 3.4);
        body.put("latitude", 53.8);
        body.put("endLongitude", 3.401);
        assertThat(advisor.put("/api/stops/" + stop, body).text()).contains("endLongitude");
        body.put("endLatitude", 53.8);
        Land.ok(advisor.put("/api/stops/" + stop, body));
        String before = land.visit(LocalDate.now().minusDays(3));
        String after = land.visit(LocalDate.now());
        body.put("version", 2);
        body.put("retiredOn", LocalDate.now().minusDays(1).toString());
        Land.ok(advisor.put("/api/stops/" + stop, body));
        assertThat(Land.rows(advisor.get("/api/visits/" + before).json(), "stops"))
                .hasSize(2);
        assertThat(Land.rows(advisor.get("/api/visits/" + after).json(), "stops"))
                .extracting(each -> each.get("id"))
                .containsExactly(land.stops.get(1));
        body.put("version", 3);
        body.remove("latitude");
        body.remove("endLatitude");
        body.remove("endLongitude");
        assertThat(advisor.put("/api/stops/" + stop, body).text()).contains("HALF_A_PLACE");
    }

    @Test
    void whereSomebodyStoodIsKeptWithItsAccuracyAndStays() {
        Land land = land(Map.of());
        String visit = land.visit(LocalDate.now());
        String fix = id();
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                land.stops.get(0),
                "longitude",
                3.41,
                "latitude",
                53.82,
                "accuracyM",
                4.5,
                "takenAt",
                "2026-05-01T09:00:00Z"));
        Land.ok(advisor.put("/api/fixes/" + fix, body));
        Land.ok(advisor.put("/api/fixes/" + fix, body));
        assertThat(Land.rows(advisor.get("/api/visits/" + visit).json(), "fixes"))
                .singleElement()
                .satisfies(kept -> assertThat(kept).containsEntry("accuracyM", 4.5));
        body.put("longitude", 3.5);
        assertThat(advisor.put("/api/fixes/" + fix, body).status()).isEqualTo(422);
    }

    @Test
    void aDayOfWorkIsKeptWithItsMarks() {
        Land land = land(Map.of());
        String day = id();
        Map<String, Object> work =
                Map.of("fieldId", land.field, "stopIds", land.stops, "methods", List.of("ph", "slump"));
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "plannedOn",
                LocalDate.now().plusDays(2).toString(),
                "startsAt",
                "08:30",
                "people",
                List.of("Isla", "Bram"),
                "fields",
                List.of(work),
                "version",
                0));
        Land.ok(advisor.put("/api/day-plans/" + day, body));
        Map<String, Object> mark = new LinkedHashMap<>(Map.of(
                "planId",
                day,
                "stopId",
                land.stops.get(1),
                "method",
                "slump",
                "step",
                0,
                "person",
                1,
                "begunAt",
                "2026-05-01T08:31:00Z",
                "version",
                0));
        String markId = id();
        Land.ok(advisor.put("/api/day-marks/" + markId, mark));
        mark.put("endedAt", "2026-05-01T08:33:30Z");
        mark.put("version", 1);
        Land.ok(advisor.put("/api/day-marks/" + markId, mark));
        Map<String, Object> view = advisor.get("/api/day-plans/" + day).json();
        assertThat(Land.rows(view, "marks"))
                .singleElement()
                .satisfies(kept -> assertThat(kept).containsEntry("endedAt", "2026-05-01T08:33:30Z"));
        assertThat(Land.rows(Land.rows(view, "fields").get(0), "stops")).hasSize(2);
        assertThat(advisor.get("/api/day-plans?from=" + LocalDate.now()).text()).contains(day);
        assertThat(advisor.get("/api/day-plans?from=" + LocalDate.now().plusDays(3))
                        .text())
                .doesNotContain(day);

        mark.put("person", 2);
        mark.put("version", 2);
        assertThat(advisor.put("/api/day-marks/" + markId, mark).text()).contains("person");
        body.put("people", List.of());
        assertThat(advisor.put("/api/day-plans/" + id(), body).text()).contains("people");
        body.put("people", List.of("Isla"));
        body.put("startsAt", "8:30");
        assertThat(advisor.put("/api/day-plans/" + id(), body).text()).contains("startsAt");
        assertThat(advisor.delete("/api/day-marks/" + markId).status()).isEqualTo(204);
        assertThat(advisor.delete("/api/day-plans/" + day).status()).isEqualTo(204);
        assertThat(advisor.get("/api/day-plans/" + day).status()).isEqualTo(404);
    }

    @Test
    void theYearNamesWhatIsDueAndWhy() {
        Land land = land(Map.of());
        LocalDate longAgo = LocalDate.now().minusDays(400);
        String visit = land.visit(longAgo);
        land.record(
                visit, 0, "salinity", Map.of("mode", "1to5", "readings", List.of(1.9), "compensated", true), longAgo);
        String action = id();
        Land.ok(advisor.put(
                "/api/actions/" + action,
                Map.of(
                        "fieldId",
                        land.field,
                        "kind",
                        "keep-covered",
                        "inputs",
                        Map.of(),
                        "state",
                        "agreed",
                        "dueFrom",
                        LocalDate.now().plusDays(20).toString(),
                        "dueTo",
                        LocalDate.now().plusDays(40).toString(),
                        "version",
                        0)));
        List<Map<String, Object>> own = new ArrayList<>();
        for (int i = 0; i < 50 && own.size() < 2; i++) {
            own.clear();
            advisor.get("/api/year").list().stream()
                    .filter(each -> each.get("fieldId").equals(land.field))
                    .forEach(own::add);
        }
        assertThat(own)
                .anySatisfy(entry -> assertThat(entry)
                        .containsEntry("kind", "action")
                        .containsEntry("overdue", false)
                        .containsEntry("id", action));
        List<Object> days = advisor.get("/api/year").list().stream()
                .map(entry -> entry.get("on"))
                .toList();
        assertThat(days).isSorted();
    }

    @Test
    void placesAreWorkedOutForAnybodyAndLargeOutlinesAreTaken() {
        ApiClient nobody = RunningApp.client();
        List<Object> ring = new ArrayList<>();
        for (int i = 0; i < 12_000; i++) {
            double angle = 2 * Math.PI * i / 12_000;
            ring.add(List.of(3.4 + 0.003 * Math.cos(angle), 53.8 + 0.002 * Math.sin(angle)));
        }
        ring.add(ring.get(0));
        Answer answer = nobody.post(
                "/api/calculators/stop-placement",
                Map.of(
                        "inputs",
                        Map.of("boundary", Map.of("type", "Polygon", "coordinates", List.of(ring)), "count", 12)));
        assertThat(answer.status()).as("%s", answer).isEqualTo(200);
        assertThat(Land.rows(series(answer), "stops")).hasSize(12);
        for (String id : List.of("day-plan", "sampling-windows")) {
            for (WorkedCase worked : WorkedCase.of(id)) {
                assertThat(worked.misses(nobody.post("/api/calculators/" + id, worked.body())
                                .json()))
                        .as(worked.toString())
                        .isEmpty();
            }
        }
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> series(Answer answer) {
        return (Map<String, Object>) answer.json().get("series");
    }
}
