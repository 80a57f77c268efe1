package org.morphotera.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** Whatever was acknowledged is there after the server was killed the moment it answered. */
@Tag("long")
class DurabilityIT {

    private static final int KILLS = Integer.getInteger("morphotera.kills", 9);
    private static final int FIRST_KILLS = Integer.getInteger("morphotera.first-kills", 4);

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

    /** Kills at any moment of a start leave a folder that the next start makes whole. */
    @Test
    void aFirstStartSurvivesKills() {
        Random random = new Random(11);
        String[] account = {
            "--morphotera.first-account.email=" + ApiClient.TIDEMARK,
            "--morphotera.first-account.keep-password=true",
            "--morphotera.first-account.password=" + ApiClient.PASSWORD
        };
        for (int round = 0; round < Math.max(1, FIRST_KILLS / 4); round++) {
            try (ServerProcess server = ServerProcess.unstarted(account)) {
                for (int i = 0; i < 4; i++) {
                    server.startAndKill(400 + random.nextInt(5000));
                }
                server.start();
                assertThat(server.client().get("/api/fields").status()).isEqualTo(200);
            }
        }
    }

    @Test
    void anUpgradeSurvivesKills() throws SQLException {
        Random random = new Random(12);
        for (int round = 0; round < Math.max(1, FIRST_KILLS / 4); round++) {
            try (ServerProcess server = ServerProcess.unstarted(
                    "--morphotera.first-account.email=" + ApiClient.TIDEMARK,
                    "--morphotera.first-account.keep-password=true",
                    "--morphotera.first-account.password=" + ApiClient.PASSWORD)) {
                String url = "jdbc:h2:file:" + server.data()
                        + ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH";
                Flyway.configure()
                        .dataSource(url, "morphotera", "")
                        .locations("filesystem:../server/src/main/resources/db/migration")
                        .target("2")
                        .load()
                        .migrate();
                try (Connection connection = DriverManager.getConnection(url, "morphotera", "")) {
                    connection
                            .createStatement()
                            .execute("insert into practice (id, name, created_at) select random_uuid(), "
                                    + "repeat('Dyke ', 20) || \"X\", current_timestamp from system_range(1, 20000)");
                }
                for (int i = 0; i < 4; i++) {
                    server.startAndKill(1200 + random.nextInt(2500));
                }
                server.start();
                assertThat(server.client().get("/api/test-sets").status()).isEqualTo(200);
                server.stop();
                try (Connection connection = DriverManager.getConnection(url, "morphotera", "");
                        ResultSet count = connection
                                .createStatement()
                                .executeQuery("select count(*) from practice where name like 'Dyke%'")) {
                    count.next();
                    assertThat(count.getInt(1)).isEqualTo(20_000);
                }
            }
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
