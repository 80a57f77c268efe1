package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.ApiClient.Answer;

/** A made-up field with stops, on which visits are made through the API. */
public final class Land {

    public final String grower;
    public final String field;
    public final List<String> stops = new ArrayList<>();

    private final ApiClient advisor;

    /** @param more entries of the field beyond name, grower and use */
    public Land(ApiClient advisor, int stopCount, Map<String, Object> more) {
        this.advisor = advisor;
        this.grower = UUID.randomUUID().toString();
        this.field = UUID.randomUUID().toString();
        ok(advisor.put("/api/growers/" + grower, Map.of("name", "Sallow Bank", "version", 0)));
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "growerId", grower, "name", "Test polder", "landUse", "arable", "purpose", "field", "version", 0));
        body.putAll(more);
        ok(advisor.put("/api/fields/" + field, body));
        for (int i = 1; i <= stopCount; i++) {
            String stop = UUID.randomUUID().toString();
            stops.add(stop);
            ok(advisor.put(
                    "/api/stops/" + stop, Map.of("fieldId", field, "label", "Stop " + i, "position", i, "version", 0)));
        }
    }

    private Land(Land of, ApiClient advisor) {
        this.advisor = advisor;
        this.grower = of.grower;
        this.field = of.field;
        stops.addAll(of.stops);
    }

    /** The same field, through somebody else. */
    public Land as(ApiClient other) {
        return new Land(this, other);
    }

    public Land(ApiClient advisor, int stopCount) {
        this(advisor, stopCount, Map.of());
    }

    public static Answer ok(Answer answer) {
        assertThat(answer.status()).as(answer.text()).isBetween(200, 299);
        return answer;
    }

    public String visit(LocalDate on) {
        return visit(on, "moist", 2);
    }

    public String visit(LocalDate on, String moisture, int daysSinceRain) {
        String visit = UUID.randomUUID().toString();
        ok(advisor.put(
                "/api/visits/" + visit,
                Map.of(
                        "fieldId", field,
                        "visitedOn", on.toString(),
                        "soilMoisture", moisture,
                        "daysSinceRain", daysSinceRain,
                        "version", 0)));
        return visit;
    }

    /** Records a test at a stop; the answer is the server's. */
    public Answer record(String visit, int stop, String method, Map<String, Object> readings, LocalDate on) {
        return record(visit, stop, method, readings, on, Map.of());
    }

    public Answer record(
            String visit,
            int stop,
            String method,
            Map<String, Object> readings,
            LocalDate on,
            Map<String, Object> more) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "visitId", visit,
                "stopId", stops.get(stop),
                "method", method,
                "readings", readings,
                "takenAt", on + "T10:00:00Z"));
        body.putAll(more);
        return advisor.put("/api/measurements/" + UUID.randomUUID(), body);
    }

    public void ph(String visit, int stop, double ph, LocalDate on) {
        ph(visit, stop, "meter-1to1", ph, on);
    }

    public void ph(String visit, int stop, String kind, double ph, LocalDate on) {
        Map<String, Object> layer = Map.of("topMm", 0, "bottomMm", 150, "value", ph);
        ok(record(
                visit,
                stop,
                "ph",
                Map.of("kind", kind, "layers", List.of(layer)),
                on,
                Map.of("depthTopMm", 0, "depthBottomMm", 150)));
    }

    /** Something done to the land, at some of the stops or, with an empty list, at all. */
    public String event(LocalDate on, String kind, List<String> at) {
        String event = UUID.randomUUID().toString();
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "fieldId", field, "happenedOn", on.toString(), "kind", kind, "what", "done for a test", "version", 0));
        if (!at.isEmpty()) {
            body.put("stopIds", at);
        }
        ok(advisor.put("/api/events/" + event, body));
        return event;
    }

    public Map<String, Object> face() {
        return advisor.get("/api/fields/" + field).json();
    }

    public Map<String, Object> change(String query) {
        return advisor.get("/api/fields/" + field + "/change" + query).json();
    }

    @SuppressWarnings("unchecked")
    public static List<Map<String, Object>> rows(Map<String, Object> tree, String name) {
        return (List<Map<String, Object>>) tree.get(name);
    }

    @SuppressWarnings("unchecked")
    public static Map<String, Object> part(Map<String, Object> tree, String name) {
        return (Map<String, Object>) tree.get(name);
    }

    public static double number(Map<String, Object> tree, String name) {
        return ((Number) tree.get(name)).doubleValue();
    }
}
