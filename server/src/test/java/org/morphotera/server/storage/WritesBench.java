package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.OwnApp;

/** How many writes a second are acknowledged once they are on the disk, and how the data file grows with them. */
@EnabledIfSystemProperty(named = "morphotera.bench", matches = "true")
class WritesBench {

    private static final int GROWTH_WRITES = 5000;
    private static final int STOPS = 20;

    @TempDir
    private Path folder;

    private static void write(ApiClient client, String visit, List<String> stops, AtomicInteger left) {
        while (left.decrementAndGet() >= 0) {
            Map<String, Object> layer = Map.of("topMm", 0, "bottomMm", 150, "value", 4 + left.get() % 40 / 10.0);
            int status = client.put(
                            "/api/measurements/" + UUID.randomUUID(),
                            Map.of(
                                    "visitId",
                                    visit,
                                    "stopId",
                                    stops.get(Math.abs(left.get()) % stops.size()),
                                    "method",
                                    "ph",
                                    "depthTopMm",
                                    0,
                                    "depthBottomMm",
                                    150,
                                    "readings",
                                    Map.of("kind", "meter-1to1", "layers", List.of(layer)),
                                    "takenAt",
                                    Instant.now().toString()))
                    .status();
            assertThat(status).isEqualTo(200);
        }
    }

    /** The smallest write there is: how far the disk lets it come. */
    private static void writeName(ApiClient client, AtomicInteger left) {
        while (left.decrementAndGet() >= 0) {
            int status = client.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "Dyke End", "version", 0))
                    .status();
            assertThat(status).isEqualTo(200);
        }
    }

    private static double perSecond(OwnApp app, String visit, List<String> stops, int clients, int writes)
            throws InterruptedException {
        AtomicInteger left = new AtomicInteger(writes);
        List<ApiClient> all = new ArrayList<>();
        for (int i = 0; i < clients; i++) {
            all.add(app.client());
        }
        long start = System.nanoTime();
        List<Thread> threads = all.stream()
                .map(client -> new Thread(() -> {
                    if (visit == null) {
                        writeName(client, left);
                    } else {
                        write(client, visit, stops, left);
                    }
                }))
                .toList();
        threads.forEach(Thread::start);
        for (Thread thread : threads) {
            thread.join();
        }
        return writes / ((System.nanoTime() - start) / 1e9);
    }

    @Test
    void writesAreAcknowledgedQuicklyAndTheFileStaysInProportion() throws Exception {
        Path data = folder.resolve("data");
        Path file = folder.resolve("data.mv.db");
        long most = 0;
        long rested;
        try (OwnApp app = OwnApp.start("--morphotera.data=" + data)) {
            ApiClient client = app.client();
            String grower = UUID.randomUUID().toString();
            String field = UUID.randomUUID().toString();
            List<String> stops = new ArrayList<>();
            String visit = UUID.randomUUID().toString();
            client.put("/api/growers/" + grower, Map.of("name", "Dyke End", "version", 0));
            client.put(
                    "/api/fields/" + field,
                    Map.of(
                            "growerId", grower,
                            "name", "Far Polder",
                            "landUse", "arable",
                            "purpose", "field",
                            "version", 0));
            for (int i = 1; i <= STOPS; i++) {
                String stop = UUID.randomUUID().toString();
                stops.add(stop);
                client.put(
                        "/api/stops/" + stop,
                        Map.of("fieldId", field, "label", "Stop " + i, "position", i, "version", 0));
            }
            client.put(
                    "/api/visits/" + visit,
                    Map.of("fieldId", field, "visitedOn", LocalDate.now().toString(), "version", 0));
            // the first are slow while the program warms up
            perSecond(app, visit, stops, 4, 1000);
            for (int clients : new int[] {1, 4, 16}) {
                System.out.printf(
                        Locale.ROOT,
                        "acknowledged writes with %d clients: %.0f tests or %.0f names a second%n",
                        clients,
                        perSecond(app, visit, stops, clients, 300 + 100 * clients),
                        perSecond(app, null, stops, clients, 300 + 100 * clients));
            }
            for (int part = 0; part < 10; part++) {
                perSecond(app, visit, stops, 4, GROWTH_WRITES / 10);
                most = Math.max(most, Files.size(file));
            }
            Thread.sleep(10_000);
            rested = Files.size(file);
            System.out.printf(
                    Locale.ROOT,
                    "file after %d writes: at most %.1f MB, %.1f MB ten seconds later%n",
                    GROWTH_WRITES,
                    most / 1e6,
                    rested / 1e6);
        }
        long stopped = Files.size(file);
        StorageTool.run("compact", data.toString());
        long compacted = Files.size(file);
        System.out.printf(
                Locale.ROOT, "file after the stop: %.1f MB, compacted: %.1f MB%n", stopped / 1e6, compacted / 1e6);
        assertThat(rested).as("bytes ten seconds later").isLessThan(3 * compacted);
        assertThat(stopped).as("bytes after the stop").isLessThan(compacted * 3 / 2);
    }
}
