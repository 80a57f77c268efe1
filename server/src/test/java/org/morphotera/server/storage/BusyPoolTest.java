package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.OwnApp;

/** A server whose connections are all in use is busy: its database is not taken for broken, and is left as it is. */
@Tag("data-file")
class BusyPoolTest {

    private static final int CONNECTIONS = 3;

    @TempDir
    private Path folder;

    @Test
    void noFreeConnectionIsNoBrokenDisk() throws Exception {
        try (OwnApp app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"),
                "--spring.datasource.hikari.maximum-pool-size=" + CONNECTIONS,
                "--spring.datasource.hikari.connection-timeout=500")) {
            ApiClient client = app.client();
            Map<String, Object> grower = Map.of("name", "Dyke End", "version", 0);
            assertThat(client.put("/api/growers/" + UUID.randomUUID(), grower).status())
                    .isEqualTo(200);
            Store store = app.bean(Store.class);
            List<Connection> held = new ArrayList<>();
            Connections pool = app.bean(Connections.class);
            for (int i = 0; i < CONNECTIONS; i++) {
                held.add(pool.getConnection());
            }
            // something uncommitted of whoever holds one: a database that is closed and opened again would lose it
            held.get(0).setAutoCommit(false);
            held.get(0).createStatement().executeUpdate("update practice set name = 'Held'");
            Answer refused = client.put("/api/growers/" + UUID.randomUUID(), grower);
            assertThat(refused.status()).isEqualTo(503);
            assertThat(refused.text()).contains("more to do at this moment").doesNotContain("disk");
            // also where somebody suspects it meanwhile
            store.suspect();
            Thread.sleep(2500);
            assertThat(store.state()).isEqualTo(StoreState.OPEN);
            held.get(0).commit();
            for (Connection each : held) {
                each.close();
            }
            assertThat(client.put("/api/growers/" + UUID.randomUUID(), grower).status())
                    .isEqualTo(200);
            assertThat(client.get("/api/practice").text()).contains("Held");
        }
    }
}
