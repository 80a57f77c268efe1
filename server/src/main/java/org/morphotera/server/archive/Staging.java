package org.morphotera.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;

/**
 * A database of its own beside the data, in which an archive is laid out before anything of the practice is touched:
 * at the tables that the archive was made with, then brought to today's by the same migrations as a data file. What
 * does not fit together is found here.
 */
final class Staging implements AutoCloseable {

    /** Nothing of it must outlive a cut of the power, so what nothing refers to any more is written over at once. */
    private static final String OPTIONS =
            ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;COMPRESS=TRUE;TRACE_LEVEL_FILE=0;RETENTION_TIME=0";

    private static final String SCRIPTS = "classpath:db/migration";

    private final Path folder;
    private final String url;
    private final Connection connection;

    private Staging(Path folder, String url, Connection connection) {
        this.folder = folder;
        this.url = url;
        this.connection = connection;
    }

    static Staging open(Path parent, int schema) throws IOException, SQLException {
        Files.createDirectories(parent);
        Path folder = Files.createTempDirectory(parent, "staging-");
        String url = "jdbc:h2:file:" + folder.resolve("archive").toAbsolutePath() + OPTIONS;
        Connection connection = DriverManager.getConnection(url, "staging", "");
        Staging staging = new Staging(folder, url, connection);
        staging.migrate(schema);
        connection.setAutoCommit(false);
        return staging;
    }

    Connection connection() {
        return connection;
    }

    /** Brings the tables to a version; rows that are there come along. */
    void migrate(int schema) throws SQLException {
        if (!connection.getAutoCommit()) {
            connection.commit();
        }
        Flyway.configure()
                .dataSource(url, "staging", "")
                .locations(SCRIPTS)
                .target(MigrationVersion.fromVersion(String.valueOf(schema)))
                .load()
                .migrate();
    }

    @Override
    public void close() throws SQLException, IOException {
        connection.close();
        try (Stream<Path> files = Files.walk(folder)) {
            List<Path> all = files.sorted(Comparator.reverseOrder()).toList();
            for (Path each : all) {
                Files.deleteIfExists(each);
            }
        }
    }
}
