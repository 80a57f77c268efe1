package org.morphotera.server.archive;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.UUID;
import org.morphotera.server.accounts.people.AccountReader;
import org.springframework.stereotype.Component;

/** Archives of practices as files. */
@Component
class Archives {

    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss", Locale.ROOT);

    private final ArchiveWriter writer;
    private final AccountReader accounts;
    private final Clock clock;

    Archives(ArchiveWriter writer, AccountReader accounts, Clock clock) {
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

    private static String plain(String name) {
        String plain =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return plain.isEmpty() ? "practice" : plain;
    }

    /** Writes an archive into a file, which gets its name once it is whole. */
    void write(UUID practice, Path file, Restore.Progress progress) throws IOException {
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
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
