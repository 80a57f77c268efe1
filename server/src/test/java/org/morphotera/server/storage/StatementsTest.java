package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;

/** How often the calls that are made most ask the database, once their session is known. */
@Tag("data-file")
class StatementsTest {

    private static OwnApp app;
    private static ApiClient owner;
    private static Land land;
    private static String visit;
    private static final LocalDate TODAY = LocalDate.now();

    @BeforeAll
    static void start(@TempDir Path folder) {
        app = OwnApp.start("--morphotera.data=" + folder.resolve("data"), "--spring.profiles.active=count-statements");
        owner = app.client();
        land = new Land(owner, 5);
        for (int stop = 0; stop < 5; stop++) {
            Land.ok(owner.put(
                    "/api/stops/" + land.stops.get(stop),
                    Map.of(
                            "fieldId",
                            land.field,
                            "label",
                            "Stop " + (stop + 1),
                            "position",
                            stop + 1,
                            "latitude",
                            52.1 + stop / 1000.0,
                            "longitude",
                            5.6,
                            "version",
                            1)));
        }
        land.event(TODAY.minusDays(40), "compost", List.of());
        visit = land.visit(TODAY);
        for (int stop = 0; stop < 5; stop++) {
            land.ph(visit, stop, 5.5, TODAY);
        }
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static void asksAtMost(int most, Runnable call) {
        CountedStatements.begin();
        call.run();
        List<String> sent = CountedStatements.sent();
        assertThat(sent).isNotEmpty().hasSizeLessThanOrEqualTo(most);
    }

    @Test
    void aDraft() {
        String path = "/api/drafts/" + UUID.randomUUID();
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                land.stops.get(0),
                "method",
                "smell",
                "content",
                Map.of("readings", Map.of("score", 1)),
                "version",
                0));
        Land.ok(owner.put(path, body));
        body.put("version", 1);
        body.put("content", Map.of("readings", Map.of("score", 2)));
        asksAtMost(4, () -> Land.ok(owner.put(path, body)));
    }

    @Test
    void aMeasurement() {
        asksAtMost(16, () -> Land.ok(land.record(visit, 1, "smell", Map.of("score", 1), TODAY)));
    }

    @Test
    void aFaceThatIsKept() {
        owner.get("/api/fields/" + land.field);
        asksAtMost(3, () -> Land.ok(owner.get("/api/fields/" + land.field)));
    }

    @Test
    void aPlan() {
        // with the judged field that it stands on, which is read once and kept for all pages
        asksAtMost(17, () -> Land.ok(owner.get("/api/fields/" + land.field + "/plan")));
    }

    @Test
    void aVisit() {
        asksAtMost(10, () -> Land.ok(owner.get("/api/visits/" + visit)));
    }
}
