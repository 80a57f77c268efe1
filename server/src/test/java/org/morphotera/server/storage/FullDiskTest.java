package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.OwnApp;

/** A disk without room takes no writes, says so, and is used again once there is room. */
@Tag("long")
@Tag("data-file")
class FullDiskTest {

    private static final String OPTIONS = ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;"
            + "COMPRESS=TRUE;DB_CLOSE_ON_EXIT=FALSE";

    @TempDir
    private Path folder;

    private static Answer write(ApiClient client) {
        return client.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "Dyke End", "version", 0));
    }

    @Test
    void belowTheReserveWritesAreRefusedAndReadsGoOn() {
        try (OwnApp app =
                OwnApp.start("--morphotera.data=" + folder.resolve("data"), "--morphotera.reserve=1000000000MB")) {
            ApiClient nobody = new ApiClient(app.port());
            assertThat(nobody.get("/api/session").status()).isEqualTo(200);
            Answer refused = nobody.send("POST", "/api/session", "email=a", "application/x-www-form-urlencoded");
            assertThat(refused.status()).isEqualTo(507);
            assertThat(refused.type()).startsWith("application/problem+json");
            assertThat(refused.text()).contains("disk of the server is full", "Free at least");
            Answer health = nobody.get("/actuator/health");
            assertThat(health.status()).isEqualTo(503);
            assertThat(health.text()).contains("\"writes\":false", "\"reads\":true", "\"state\":\"full\"");
            // what stores nothing is answered
            assertThat(nobody.send(
                                    "POST",
                                    "/api/methods/hole-drainage/evaluate",
                                    "{\"readings\": {}}",
                                    "application/json")
                            .status())
                    .isEqualTo(422);
        }
    }

    @Test
    void aStoreThatAFailedWriteClosedIsOpenedAgainWithAllThatWasAcknowledged() throws InterruptedException {
        CutDisk.install();
        try (OwnApp app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"),
                "--spring.datasource.url=jdbc:h2:cut:" + folder.resolve("data") + OPTIONS)) {
            ApiClient client = app.client();
            assertThat(write(client).status()).isEqualTo(200);
            CutDisk.full(true);
            Answer refused = write(client);
            assertThat(refused.status()).isIn(503, 507);
            assertThat(refused.type()).startsWith("application/problem+json");
            assertThat(refused.text()).contains("nothing was stored");
            Answer signIn = new ApiClient(app.port())
                    .send("POST", "/api/session", "email=a&password=b", "application/x-www-form-urlencoded");
            assertThat(signIn.status()).as("%s", signIn).isIn(403, 503, 507);
            assertThat(signIn.text()).doesNotContain("belong together");
            assertThat(await(client, "\"writes\":false")).isTrue();
            CutDisk.full(false);
            assertThat(await(client, "\"writes\":true")).isTrue();
            assertThat(write(client).status()).isEqualTo(200);
            assertThat(client.get("/api/growers").list()).hasSize(2);
        }
    }

    private static boolean await(ApiClient client, String said) throws InterruptedException {
        for (int i = 0; i < 100; i++) {
            if (client.get("/actuator/health").text().contains(said)) {
                return true;
            }
            Thread.sleep(100);
        }
        return false;
    }
}
