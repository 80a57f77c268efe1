package org.morphotera.e2e;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.morphotera.server.ApiClient;

/**
 * The real application as its own process, with a data folder of its own, that can be stopped, killed and started again:
 * as {@code bin/demo} starts it, with the archive of classes that was made for it.
 */
final class ServerProcess implements AutoCloseable {

    private static final Path DEMO_FOLDER =
            Path.of("../demo/target").toAbsolutePath().normalize();
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    private final Path folder;
    private final int port;
    private final List<String> options;
    private Process process;

    private static final List<String> DEMO = List.of("--spring.profiles.active=demo");

    /** A data file with the demo data, made once for all. */
    private static Path template;

    /** Starts with the demo data in a folder of its own. */
    static synchronized ServerProcess demo() {
        try {
            if (template == null) {
                template = madeToday() ? DEMO_FOLDER.resolve("data/morphotera.mv.db") : anew();
            }
            ServerProcess copy = new ServerProcess(DEMO, false);
            Files.copy(template, copy.dataFile());
            copy.start();
            return copy;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Whether the data file that was made with the application is of today: its dates count from the day. */
    private static boolean madeToday() throws IOException {
        Path madeOn = DEMO_FOLDER.resolve("data/made-on");
        return Files.exists(madeOn)
                && Files.readString(madeOn).strip().equals(LocalDate.now().toString());
    }

    private static Path anew() {
        ServerProcess first = new ServerProcess(DEMO);
        first.stop();
        return first.dataFile();
    }

    private Path dataFile() {
        return folder.resolve("data.mv.db");
    }

    /** Not started yet, on an empty folder. */
    static ServerProcess unstarted(String... options) {
        return new ServerProcess(List.of(options), false);
    }

    private ServerProcess(List<String> options) {
        this(options, true);
    }

    private ServerProcess(List<String> options, boolean started) {
        this.options = options;
        try (ServerSocket free = new ServerSocket(0)) {
            this.port = free.getLocalPort();
            this.folder = Files.createTempDirectory("morphotera-e2e");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        if (started) {
            start();
        }
    }

    /** The data file, without its ending. */
    Path data() {
        return folder.resolve("data");
    }

    /** Starts it and kills it after a while, wherever it is by then. */
    void startAndKill(long afterMs) {
        try {
            launch(Duration.ZERO);
            Thread.sleep(afterMs);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        kill();
    }

    String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    ApiClient client() {
        return new ApiClient(port).signIn(ApiClient.TIDEMARK);
    }

    /** Signed in nowhere. */
    ApiClient nobody() {
        return new ApiClient(port);
    }

    void start() {
        start(Duration.ZERO);
    }

    /** Starts with a clock that runs ahead of the machine's. */
    void start(Duration ahead) {
        try {
            launch(ahead);
            awaitUp();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private void launch(Duration ahead) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-XX:SharedArchiveFile=" + DEMO_FOLDER.resolve("app.jsa"),
                "-Xshare:auto",
                "-Xlog:cds=off",
                "-cp",
                classPath(),
                "org.morphotera.server.MorphoteraApplication",
                "--server.port=" + port,
                "--morphotera.learn-nightly=false",
                "--morphotera.data=" + folder.resolve("data")));
        command.addAll(options);
        command.add("--morphotera.clock-ahead=" + ahead);
        process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("server.log").toFile())
                .start();
    }

    /** The server's part always in the same order, which the archive of classes asks for; the page behind it. */
    private static String classPath() throws IOException {
        try (Stream<Path> libraries = Files.list(DEMO_FOLDER.resolve("lib"));
                Stream<Path> page = Files.list(Path.of("../web/target"))) {
            List<String> jars = new ArrayList<>(
                    List.of(DEMO_FOLDER.resolve("morphotera-demo.jar").toString()));
            libraries.map(Path::toString).sorted().forEach(jars::add);
            page.filter(file -> file.getFileName().toString().matches("morphotera-web-.*\\.jar"))
                    .map(file -> file.toAbsolutePath().normalize().toString())
                    .forEach(jars::add);
            return String.join(File.pathSeparator, jars);
        }
    }

    private void awaitUp() throws IOException, InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest health =
                HttpRequest.newBuilder(URI.create(url("/actuator/health"))).build();
        Instant until = Instant.now().plus(PATIENCE);
        while (Instant.now().isBefore(until) && process.isAlive()) {
            try {
                if (http.send(health, HttpResponse.BodyHandlers.ofString()).statusCode() == 200) {
                    return;
                }
            } catch (IOException e) {
                // not listening yet
            }
            Thread.sleep(150);
        }
        throw new IllegalStateException("did not start: " + Files.readString(folder.resolve("server.log")));
    }

    /** Ends it as a failing battery would. */
    void kill() {
        end(true);
    }

    void stop() {
        end(false);
    }

    private void end(boolean hard) {
        if (hard) {
            process.destroyForcibly();
        } else {
            process.destroy();
        }
        try {
            if (!process.waitFor(40, TimeUnit.SECONDS)) {
                throw new IllegalStateException("did not stop");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        kill();
    }
}
