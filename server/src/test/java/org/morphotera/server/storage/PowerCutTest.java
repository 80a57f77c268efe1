package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.OwnApp;

/** What was acknowledged is on the disk: whenever the power is cut, and whatever of the later writes arrived. */
@Tag("long")
@Tag("data-file")
class PowerCutTest {

    private static final int CUTS = Integer.getInteger("morphotera.cuts", 12);
    private static final int CLIENTS = 4;
    private static final int WRITES_BETWEEN = 15;
    private static final String OPTIONS =
            ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;COMPRESS=TRUE;DB_CLOSE_ON_EXIT=FALSE"
                    + System.getProperty("more", "");

    @TempDir
    private Path folder;

    @Test
    void nothingAcknowledgedIsMissingAfterTheCut() throws Exception {
        CutDisk.install();
        Queue<String> acknowledged = new ConcurrentLinkedQueue<>();
        AtomicBoolean going = new AtomicBoolean(true);
        List<Set<String>> known = new ArrayList<>();
        try (OwnApp app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"),
                "--spring.datasource.url=jdbc:h2:cut:" + folder.resolve("data") + OPTIONS)) {
            List<Thread> writers = new ArrayList<>();
            for (int i = 0; i < CLIENTS; i++) {
                Thread writer = new Thread(() -> write(app.client(), going, acknowledged));
                writer.start();
                writers.add(writer);
            }
            Random random = new Random(7);
            for (int cut = 0; cut < CUTS; cut++) {
                // by writes, not by time: a slow machine cuts as much as a fast one
                awaitWrites(acknowledged, (cut + 1) * WRITES_BETWEEN, writers);
                Thread.sleep(random.nextInt(200));
                known.add(Set.copyOf(acknowledged));
                CutDisk.cut(folder.resolve("data.mv.db"), random, folder.resolve("cut" + cut + ".mv.db"));
            }
            going.set(false);
            for (Thread writer : writers) {
                writer.join();
            }
        }
        System.out.println("cuts: " + CUTS + ", writes: " + known.get(CUTS - 1).size());
        assertThat(known.get(CUTS - 1).size())
                .as("writes before the last cut")
                .isGreaterThanOrEqualTo(CUTS * WRITES_BETWEEN);
        for (int cut = 0; cut < CUTS; cut++) {
            assertThat(growers(folder.resolve("cut" + cut)))
                    .as("after cut %d", cut)
                    .containsAll(known.get(cut));
        }
    }

    private static void awaitWrites(Queue<String> acknowledged, int count, List<Thread> writers) throws Exception {
        while (acknowledged.size() < count) {
            assertThat(writers).as("writers at work").allMatch(Thread::isAlive);
            Thread.sleep(5);
        }
    }

    private static void write(ApiClient client, AtomicBoolean going, Queue<String> acknowledged) {
        while (going.get()) {
            String id = UUID.randomUUID().toString();
            if (client.put("/api/growers/" + id, Map.of("name", "Dyke End", "version", 0))
                            .status()
                    == 200) {
                acknowledged.add(id);
            }
        }
    }

    private static Set<String> growers(Path data) throws Exception {
        new DataFile(data).requireWhole();
        Set<String> ids = new java.util.HashSet<>();
        try (Connection connection = DriverManager.getConnection("jdbc:h2:file:" + data + OPTIONS, "morphotera", "");
                ResultSet rows = connection.createStatement().executeQuery("select id from grower")) {
            while (rows.next()) {
                ids.add(rows.getString(1));
            }
            // and all the rest can be read
            for (String table : List.of("audit_entry", "spring_session_attributes", "person")) {
                connection
                        .createStatement()
                        .executeQuery("select * from " + table)
                        .next();
            }
        }
        return ids;
    }
}
