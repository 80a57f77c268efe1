package org.morphotera.server.archive;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.UUID;
import javax.sql.DataSource;
import org.morphotera.server.accounts.people.AccountReader;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Archives of practices as files. */
@Component
class Archives {

    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss", Locale.ROOT);

    private final ArchiveWriter writer;
    private final AccountReader accounts;
    private final Clock clock;
    private final JdbcTemplate jdbc;
    private final DataSource source;
    private final JsonMapper json;

    Archives(
            ArchiveWriter writer,
            AccountReader accounts,
            Clock clock,
            JdbcTemplate jdbc,
            DataSource source,
            JsonMapper json) {
        this.jdbc = jdbc;
        this.source = source;
        this.json = json;
        this.writer = writer;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A file name that says whose it is and of which day. */
    String name(UUID practice, LocalDate day) {
        return plain(accounts.practiceName(practice)) + "-" + day + ".zip";
    }

    /** As {@link #name}, with the time of day. */
    String nameNow(UUID practice) {
        return plain(accounts.practiceName(practice)) + "-"
                + LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC).format(MOMENT) + ".zip";
    }

    private void readBack(Path part) throws IOException, DamagedArchiveException {
        try (ArchiveReader archive = ArchiveReader.open(part, json, Schema.current(jdbc));
                Connection tables = source.getConnection()) {
            archive.readBack(tables);
        } catch (DamagedArchiveException e) {
            throw new DamagedArchiveException(
                    e.place(),
                    "It was made and could not be read back, so it was thrown away: "
                            + e.getMessage().replace("Take another archive.", "Correct that and make it again."),
                    e);
        } catch (SQLException e) {
            throw new IOException("it could not be read back", e);
        }
    }

    private static String plain(String name) {
        String plain =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return plain.isEmpty() ? "practice" : plain;
    }

    /**
     * Writes an archive into a file, which gets its name once it was read back as it would be restored.
     *
     * @throws DamagedArchiveException naming what could not be restored; there is no file then
     */
    void write(UUID practice, Path file, Restore.Progress progress) throws IOException, DamagedArchiveException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        long rows = writer.rows(practice);
        long[] done = {0};
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part), 1 << 16)) {
                if (Files.getFileStore(part).supportsFileAttributeView("posix")) {
                    Files.setPosixFilePermissions(part, PosixFilePermissions.fromString("rw-------"));
                }
                writer.write(practice, out, more -> progress.at(done[0] += more, Math.max(rows, done[0])));
            }
            readBack(part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
