package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.OwnApp;

/** A copy made while the server runs and writes is whole, and starts as a server of its own. */
@Tag("data-file")
class BackupTest {

    @TempDir
    private Path folder;

    private final ByteArrayOutputStream said = new ByteArrayOutputStream();

    private int tool(String... arguments) {
        return new StorageTool(new PrintStream(said, true, StandardCharsets.UTF_8)).command(arguments);
    }

    @Test
    void aRunningServerIsCopiedWhileItWritesAndTheCopyStarts() throws Exception {
        String data = folder.resolve("data").toString();
        Path backups = folder.resolve("backups");
        AtomicInteger before = new AtomicInteger();
        try (OwnApp app = OwnApp.start("--morphotera.data=" + data)) {
            ApiClient client = app.client();
            AtomicBoolean going = new AtomicBoolean(true);
            AtomicInteger written = new AtomicInteger();
            Thread writer = new Thread(() -> {
                while (going.get()) {
                    client.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "Dyke End", "version", 0));
                    written.incrementAndGet();
                }
            });
            writer.start();
            while (written.get() < 40) {
                Thread.sleep(20);
            }
            before.set(written.get());
            assertThat(tool("backup", data, backups.toString())).as("%s", said).isZero();
            going.set(false);
            writer.join();
            assertThat(client.get("/api/growers").list()).hasSize(written.get());
        }
        assertThat(said.toString(StandardCharsets.UTF_8)).contains("Wrote", "is sound");
        Path copy;
        try (Stream<Path> files = Files.list(backups)) {
            copy = files.findFirst().orElseThrow();
        }
        String name = copy.toString().replace(".mv.db", "");
        try (OwnApp app = OwnApp.start("--morphotera.data=" + name)) {
            assertThat(app.client().get("/api/growers").list()).hasSizeGreaterThanOrEqualTo(before.get());
        }
    }
}
