package org.morphotera.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Where the tests keep their data: in files, or, with {@code -Dmorphotera.test-database=postgres}, on a PostgreSQL server
 * of their own, begun with the first test and ended with the last. A data file becomes a database of that server.
 */
public final class TestDatabase {

    private static final boolean POSTGRES = "postgres".equals(System.getProperty("morphotera.test-database"));
    private static final String DATA = "--morphotera.data=";
    private static final Map<String, String> DATABASES = new HashMap<>();
    private static Cluster cluster;

    private TestDatabase() {}

    public static boolean isPostgres() {
        return POSTGRES;
    }

    /** The options, with the address of the database where the tests run on the server and none is given. */
    public static List<String> options(List<String> given) {
        List<String> all = new ArrayList<>(given);
        if (POSTGRES && given.stream().noneMatch(option -> option.startsWith("--spring.datasource.url="))) {
            String data = given.stream()
                    .filter(option -> option.startsWith(DATA))
                    .map(option -> option.substring(DATA.length()))
                    .findFirst()
                    .orElseThrow();
            all.add("--spring.datasource.url=" + address(data));
            all.add("--spring.datasource.username=" + Cluster.USER);
        }
        return all;
    }

    /** Address of the database that stands for a data file; it is made when it is not there. */
    public static synchronized String address(String data) {
        return DATABASES.computeIfAbsent(data, each -> {
            String name = "t" + DATABASES.size();
            execute("create database " + name);
            return cluster().address(name);
        });
    }

    /** What lies on the disk at this moment, as the data of another file: what a kill would leave. */
    public static void copy(JdbcTemplate jdbc, Path from, Path to) {
        if (POSTGRES) {
            cluster().dump(address(from.toString()), address(to.toString()));
            // a minute later: the server that wrote is not heard of any more
            execute(to.toString(), "delete from server");
            return;
        }
        Path zip = to.resolveSibling("copy.zip");
        jdbc.execute("backup to '" + zip + "'");
        org.h2.tools.Restore.execute(zip.toString(), to.getParent().toString(), null);
    }

    /**
     * Puts a trigger on the measurements.
     *
     * @param when as {@code after insert}
     * @param ofFile what it does in a data file
     * @param ofServer the same, as statements of the server's language
     */
    public static void trigger(
            JdbcTemplate jdbc, String name, String when, Class<? extends org.h2.api.Trigger> ofFile, String ofServer) {
        String call = "call '" + ofFile.getName() + "'";
        if (POSTGRES) {
            jdbc.execute("create function " + name + "() returns trigger language plpgsql as $$ begin " + ofServer
                    + " end $$");
            call = "execute function " + name + "()";
        }
        jdbc.execute("create trigger " + name + " " + when + " on measurement for each row " + call);
    }

    public static void dropTrigger(JdbcTemplate jdbc, String name) {
        jdbc.execute("drop trigger " + name + (POSTGRES ? " on measurement" : ""));
    }

    private static void execute(String sql) {
        run(cluster().address("postgres"), sql);
    }

    private static void execute(String data, String sql) {
        run(address(data), sql);
    }

    private static void run(String address, String sql) {
        try (Connection connection = DriverManager.getConnection(address, Cluster.USER, "")) {
            connection.createStatement().execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static synchronized Cluster cluster() {
        if (cluster == null) {
            try {
                cluster = new Cluster();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return cluster;
    }

    /** A private server on the loopback, of the programs that Debian's package brings. */
    private static final class Cluster {

        static final String USER = "morphotera";

        private final Path folder = Files.createTempDirectory("morphotera-postgres");
        private final int port;

        Cluster() throws IOException {
            try (ServerSocket free = new ServerSocket(0)) {
                port = free.getLocalPort();
            }
            String data = folder.resolve("data").toString();
            if (isRoot()) {
                // the server refuses to run as root
                run("chown", "postgres", folder.toString());
            }
            run("initdb", "-D", data, "-U", USER, "-E", "UTF8", "--locale=C.UTF-8", "-A", "trust", "--no-sync");
            Runtime.getRuntime().addShutdownHook(new Thread(this::stop));
            run(
                    "pg_ctl",
                    "-D",
                    data,
                    "-w",
                    "-l",
                    folder.resolve("log").toString(),
                    "-o",
                    "-h 127.0.0.1 -p " + port + " -k " + folder + " -c fsync=off -c max_connections=300",
                    "start");
        }

        String address(String database) {
            return "jdbc:postgresql://127.0.0.1:" + port + "/" + database;
        }

        /** Copies all of a database as it is at one moment, while others write. */
        void dump(String from, String to) {
            try {
                String file = folder.resolve("dump").toString();
                run("pg_dump", "-Fc", "-f", file, "-d", plain(from));
                run("pg_restore", "-d", plain(to), file);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private static String plain(String address) {
            return address.replace("jdbc:postgresql://", "postgresql://" + USER + "@");
        }

        private void stop() {
            try {
                run("pg_ctl", "-D", folder.resolve("data").toString(), "-m", "immediate", "stop");
                run("rm", "-rf", folder.toString());
            } catch (IOException | RuntimeException e) {
                System.err.println("the tests' PostgreSQL server was not ended: " + e);
            }
        }

        private static boolean isRoot() {
            return "root".equals(System.getProperty("user.name"));
        }

        private static void run(String program, String... arguments) throws IOException {
            List<String> command = new ArrayList<>();
            if (isRoot() && !program.equals("chown") && !program.equals("rm")) {
                command.addAll(List.of("runuser", "-u", "postgres", "--"));
            }
            command.add(installed(program));
            command.addAll(List.of(arguments));
            Path said = Files.createTempFile("postgres", ".txt");
            Process process = new ProcessBuilder(command)
                    .directory(Path.of("/").toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            try {
                if (process.waitFor() != 0) {
                    throw new IOException(command + " failed: " + Files.readString(said));
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException(e);
            } finally {
                Files.delete(said);
            }
        }

        /** Debian keeps the programs of each version apart; elsewhere they are on the path. */
        private static String installed(String program) throws IOException {
            Path versions = Path.of("/usr/lib/postgresql");
            if (!Files.isDirectory(versions)) {
                return program;
            }
            try (Stream<Path> all = Files.list(versions)) {
                return all.map(version -> version.resolve("bin").resolve(program))
                        .filter(Files::isExecutable)
                        .max(Comparator.naturalOrder())
                        .map(Path::toString)
                        .orElse(program);
            }
        }
    }
}
