package org.morphotera.server.clocks;

import static org.assertj.core.api.Assertions.assertThat;

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
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** Clocks live on the server: added to, marked, taken back, stopped and let run on, each send as often as it comes. */
@ExtendWith(RunningApp.class)
class ClocksTest {

    private static final LocalDate DAY = LocalDate.of(2026, 4, 10);

    private final ApiClient advisor;
    private Land land;
    private String visit;
    private final String clock = UUID.randomUUID().toString();
    private final Instant start = Instant.parse("2026-04-10T08:00:00Z");

    ClocksTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    @BeforeEach
    void aVisit() {
        land = new Land(advisor, 1);
        visit = land.visit(DAY);
    }

    private Map<String, Object> step(String id, String code, int seconds) {
        return Map.of(
                "id", id, "code", code, "dueAt", start.plusSeconds(seconds).toString(), "toleranceSeconds", 60);
    }

    private Map<String, Object> body(List<Map<String, Object>> steps) {
        return new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                land.stops.get(0),
                "measurementId",
                UUID.randomUUID().toString(),
                "method",
                "crumb-stability",
                "startedAt",
                start.toString(),
                "steps",
                steps));
    }

    private Map<String, Object> mine() {
        return Land.rows(advisor.get("/api/timers").json(), "timers").stream()
                .filter(each -> each.get("id").equals(clock))
                .findFirst()
                .orElse(null);
    }

    @Test
    void stepsAreAddedNeverTwiceAndHaveTheirWords() {
        String first = UUID.randomUUID().toString();
        String second = UUID.randomUUID().toString();
        Map<String, Object> body = body(List.of(step(first, "cloud-10", 600)));
        Land.ok(advisor.put("/api/timers/" + clock, body));
        body.put("steps", List.of(step(first, "cloud-10", 600), step(second, "cloud-30", 1800)));
        Land.ok(advisor.put("/api/timers/" + clock, body));
        Land.ok(advisor.put("/api/timers/" + clock, body));
        assertThat(Land.rows(mine(), "steps"))
                .extracting(each -> each.get("label"))
                .containsExactly("Read the clouds", "Read the clouds again");
        assertThat(mine()).containsEntry("field", "Test polder").containsEntry("stop", "Stop 1");
    }

    @Test
    void aStepIsMarkedWithTheRealTimeAndTakenBack() {
        String step = UUID.randomUUID().toString();
        Land.ok(advisor.put("/api/timers/" + clock, body(List.of(step(step, "stand-60", 60)))));
        String path = "/api/timers/" + clock + "/steps/" + step + "/done";
        String read = start.plusSeconds(83).toString();
        Land.ok(advisor.put(path, Map.of("doneAt", read)));
        assertThat(Land.rows(mine(), "steps").get(0)).containsEntry("doneAt", read);
        Land.ok(advisor.put(path, Map.of()));
        assertThat(Land.rows(mine(), "steps").get(0)).doesNotContainKey("doneAt");
    }

    @Test
    void aStepOfAnotherClockIsNotFound() {
        String step = UUID.randomUUID().toString();
        Land.ok(advisor.put("/api/timers/" + clock, body(List.of(step(step, "stand-60", 60)))));
        String other = UUID.randomUUID().toString();
        Land.ok(advisor.put("/api/timers/" + other, body(List.of())));
        Map<String, Object> done = Map.of("doneAt", start.toString());
        assertThat(advisor.put("/api/timers/" + other + "/steps/" + step + "/done", done)
                        .status())
                .isEqualTo(404);
        assertThat(advisor.put("/api/timers/" + clock + "/steps/" + UUID.randomUUID() + "/done", done)
                        .status())
                .isEqualTo(404);
        assertThat(advisor.put("/api/timers/" + UUID.randomUUID() + "/stopped", Map.of("stoppedAt", start.toString()))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aStoppedClockIsGoneFromTheListAndRunsOnWhenThatIsTakenBack() {
        Land.ok(advisor.put(
                "/api/timers/" + clock, body(List.of(step(UUID.randomUUID().toString(), "stand-60", 60)))));
        Land.ok(advisor.put("/api/timers/" + clock + "/stopped", Map.of("stoppedAt", start.toString())));
        assertThat(mine()).isNull();
        Land.ok(advisor.put("/api/timers/" + clock + "/stopped", Map.of()));
        assertThat(mine()).isNotNull();
    }

    @Test
    void theServersTimeComesWithTheList() {
        Instant now =
                Instant.parse(advisor.get("/api/timers").json().get("serverNow").toString());
        assertThat(ChronoUnit.SECONDS.between(now, Instant.now())).isBetween(-5L, 5L);
    }

    @Test
    void aClockNeedsItsVisitStopAndSoundSteps() {
        Map<String, Object> elsewhere = body(List.of());
        elsewhere.put("stopId", new Land(advisor, 1).stops.get(0));
        assertThat(advisor.put("/api/timers/" + clock, elsewhere).status()).isIn(404, 422);
        Map<String, Object> negative = body(List.of(Map.of(
                "id",
                UUID.randomUUID().toString(),
                "code",
                "stand-60",
                "dueAt",
                start.toString(),
                "toleranceSeconds",
                -1)));
        Answer refused = advisor.put("/api/timers/" + clock, negative);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("steps[0].toleranceSeconds");
        Map<String, Object> timeless = body(List.of());
        timeless.remove("startedAt");
        assertThat(advisor.put("/api/timers/" + clock, timeless).text()).contains("Needs its start.");
    }
}
