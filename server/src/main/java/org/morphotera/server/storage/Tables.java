package org.morphotera.server.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationState;
import org.h2.api.ErrorCode;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Brings a data file to the tables of this version. Changes of tables are not atomic in the file database, so they are
 * made in a file beside it, which takes its place only when it is whole: a kill at any moment leaves the old file or the
 * new one.
 */
final class Tables {

    private static final Logger LOG = LoggerFactory.getLogger(Tables.class);
    private static final String SCRIPTS = "classpath:db/migration";
    /** For the changes themselves and what follows. */
    private static final long ROOM = 32L << 20;

    private final DataFile file;
    private final String options;
    private final String user;
    private final String password;

    /** @param options of the JDBC address, from its first semicolon on */
    Tables(DataFile file, String options, String user, String password) {
        this.file = file;
        this.options = options;
        this.user = user;
        this.password = password;
    }

    /** @throws StorageException where the file can't be used, with the way back */
    void prepare() {
        file.makeFolder();
        DataFile next = file.beside("next");
        try {
            next.delete();
            if (!file.exists()) {
                begin(next);
                return;
            }
            file.ownerOnly();
            // a damaged file takes no writes: they would only bury what can still be read
            new DataCheck(file, options, user, password).run();
            if (pending()) {
                upgrade(next);
            }
        } catch (IOException e) {
            throw new StorageException(
                    "The data file " + file.path() + " can't be prepared (" + e.getMessage() + ").",
                    "See that the disk has room and that the server may write to the folder.",
                    e);
        }
    }

    private void begin(DataFile next) throws IOException {
        Files.createFile(next.path());
        next.ownerOnly();
        migrate(next);
        next.replace(file);
    }

    private void upgrade(DataFile next) throws IOException {
        if (file.room() < file.size() + ROOM) {
            throw new StorageException(
                    "There is no room to bring " + file.path() + " to this version: its copy needs "
                            + ((file.size() + ROOM) >> 20) + " MB.",
                    "Make room on its disk and start again; the file is as it was.");
        }
        LOG.info("bringing {} to this version, in a copy beside it", file.path());
        file.copyTo(next);
        migrate(next);
        next.replace(file);
    }

    private boolean pending() {
        // opened without a trace on the disk: nothing is written by looking
        Flyway flyway = flyway(file, ";ACCESS_MODE_DATA=r");
        try (Connection probe = DriverManager.getConnection(url(file, ";ACCESS_MODE_DATA=r"), user, password)) {
            probe.createStatement().execute("select count(*) from person");
        } catch (SQLException e) {
            throw told(e);
        }
        for (MigrationInfo each : flyway.info().all()) {
            if (each.getState() == MigrationState.FUTURE_SUCCESS) {
                throw new StorageException(
                        "The data file " + file.path() + " was written by a newer version of Morphotera.",
                        "Start that version, or put back a backup made by this one.");
            }
        }
        return flyway.info().pending().length > 0;
    }

    private void migrate(DataFile next) {
        try (Connection held = DriverManager.getConnection(url(next, ""), user, password)) {
            flyway(next, "").migrate();
            held.createStatement().execute("checkpoint sync");
        } catch (SQLException e) {
            throw told(e);
        }
    }

    private Flyway flyway(DataFile of, String more) {
        return Flyway.configure()
                .dataSource(url(of, more), user, password)
                .locations(SCRIPTS)
                .load();
    }

    private String url(DataFile of, String more) {
        return "jdbc:h2:file:" + of.name() + options + more;
    }

    private StorageException told(SQLException e) {
        return e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1 ? file.inUse(e) : file.damaged(e);
    }
}
