package org.morphotera.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.jar.JarFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;

/** The one jar that is run for real. */
class ProductionJarIT {

    private static final Path JAR = Path.of("../app/target/morphotera-app.jar");
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    @Test
    void holdsNothingOfTheDemo() throws IOException {
        try (JarFile jar = new JarFile(JAR.toFile())) {
            List<String> names = jar.stream().map(entry -> entry.getName()).toList();
            assertThat(names).anyMatch(name -> name.contains("morphotera-server"));
            assertThat(names).noneMatch(name -> name.contains("demo") || name.contains("testkit"));
        }
    }

    @Test
    void startsWithPageAndDescriptionAndAnAccount(@TempDir Path folder) throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Process server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-jar",
                        JAR.toString(),
                        "--server.port=" + port,
                        "--morphotera.data=" + folder.resolve("data"),
                        "--morphotera.first-account.email=owner@field.example",
                        "--morphotera.first-account.password=" + ApiClient.PASSWORD,
                        "--morphotera.first-account.keep-password=true")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile())
                .start();
        try {
            ApiClient client = new ApiClient(port);
            Instant until = Instant.now().plus(PATIENCE);
            while (!ready(client)) {
                assertThat(server.isAlive() && Instant.now().isBefore(until))
                        .as(Files.readString(folder.resolve("log")))
                        .isTrue();
                Thread.sleep(200);
            }
            assertThat(client.get("/").text()).contains("<div id=\"root\">");
            assertThat(client.get("/api/openapi").json()).containsKey("paths");
            client.signIn("owner@field.example");
            assertThat(client.get("/api/fields").text()).isEqualTo("[]");
        } finally {
            server.destroy();
            server.waitFor();
        }
    }

    private static boolean ready(ApiClient client) {
        try {
            return client.get("/actuator/health").status() == 200;
        } catch (RuntimeException e) {
            return false;
        }
    }
}
