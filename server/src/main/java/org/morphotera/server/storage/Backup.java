package org.morphotera.server.storage;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * A copy of the data file as of one moment, while the server runs. Whoever may write to the data's folder asks for it by
 * a file beside the data that names where it shall go, and is answered by another.
 */
@Component
class Backup {

    private static final Logger LOG = LoggerFactory.getLogger(Backup.class);

    static final String DONE = "done";

    static Path request(DataFile file) {
        return Path.of(file.name() + ".backup-to");
    }

    static Path answer(DataFile file) {
        return Path.of(file.name() + ".backup-answer");
    }

    /** Makes the copy that is asked for, if one is. */
    void answerRequest(DataFile file, DataSource source) {
        Path request = request(file);
        if (!Files.exists(request)) {
            return;
        }
        String said;
        try {
            Path target =
                    Path.of(Files.readString(request, StandardCharsets.UTF_8).strip());
            Files.delete(request);
            try (Connection connection = source.getConnection()) {
                write(connection, new DataFile(target));
            }
            LOG.info("wrote a backup to {}", target);
            said = DONE;
        } catch (IOException | SQLException | RuntimeException e) {
            LOG.warn("a backup failed", e);
            said = e.getMessage();
        }
        try {
            Path part = Path.of(answer(file) + ".part");
            Files.writeString(part, String.valueOf(said), StandardCharsets.UTF_8);
            Files.move(part, answer(file), StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            LOG.warn("a backup could not be answered for", e);
        }
    }

    /** Writes the database as of now into a data file, which gets its name once it is whole. */
    static void write(Connection connection, DataFile target) throws IOException, SQLException {
        Path zip = Path.of(target.name() + ".zip.part");
        DataFile part = target.beside("part");
        try (PreparedStatement backup = connection.prepareStatement("backup to ?")) {
            backup.setString(1, zip.toString());
            backup.execute();
            try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
                unpack(in, part);
            }
            part.ownerOnly();
            part.replace(target);
        } finally {
            Files.deleteIfExists(zip);
            part.delete();
        }
    }

    private static void unpack(ZipInputStream in, DataFile part) throws IOException {
        for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
            if (entry.getName().endsWith(".mv.db")) {
                Files.copy(in, part.path(), StandardCopyOption.REPLACE_EXISTING);
                return;
            }
        }
        throw new IOException("the backup holds no data file");
    }
}
