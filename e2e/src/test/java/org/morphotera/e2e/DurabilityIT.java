package org.morphotera.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** Whatever was acknowledged is there after the server was killed the moment it answered. */
class DurabilityIT {

    private static final int KILLS = Integer.getInteger("morphotera.kills", 20);

    @Test
    @SuppressWarnings("unchecked")
    void nothingAcknowledgedIsMissingAfterKills() {
        List<String> acknowledged = new ArrayList<>();
        List<String> clocks = new ArrayList<>();
        try (ServerProcess server = ServerProcess.demo()) {
            for (int i = 0; i < KILLS; i++) {
                ApiClient client = server.client();
                String field = client.get("/api/fields").list().get(0).get("id").toString();
                Map<String, Object> face = client.get("/api/fields/" + field).json();
                Object visit =
                        ((List<Map<String, Object>>) face.get("visits")).get(0).get("id");
                Object stop =
                        ((List<Map<String, Object>>) face.get("stops")).get(0).get("id");
                String timer = UUID.randomUUID().toString();
                String measurement = UUID.randomUUID().toString();
                assertThat(client.put("/api/timers/" + timer, clock(visit, stop))
                                .status())
                        .isEqualTo(200);
                int status = client.put("/api/measurements/" + measurement, feel(visit, stop))
                        .status();
                server.kill();
                assertThat(status).isEqualTo(200);
                acknowledged.add(measurement);
                clocks.add(timer);
                server.start();
            }
            ApiClient client = server.client();
            assertThat(acknowledged)
                    .hasSize(KILLS)
                    .allSatisfy(id -> assertThat(
                                    client.get("/api/measurements/" + id).status())
                            .isEqualTo(200));
            String running = client.get("/api/timers").text();
            assertThat(clocks).allSatisfy(id -> assertThat(running).contains(id));
        }
    }

    private static Map<String, Object> clock(Object visit, Object stop) {
        return Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "measurementId",
                UUID.randomUUID(),
                "method",
                "crumb-stability",
                "startedAt",
                Instant.now().toString(),
                "steps",
                List.of(Map.of(
                        "id",
                        UUID.randomUUID(),
                        "code",
                        "cloud-10",
                        "dueAt",
                        Instant.now().plusSeconds(600).toString(),
                        "toleranceSeconds",
                        60)));
    }

    private static Map<String, Object> feel(Object visit, Object stop) {
        return Map.of(
                "visitId",
                visit,
                "stopId",
                stop,
                "method",
                "texture-feel",
                "depthTopMm",
                0,
                "depthBottomMm",
                200,
                "readings",
                Map.of("key", "ribbon", "formsBall", false),
                "takenAt",
                Instant.now().toString());
    }
}
