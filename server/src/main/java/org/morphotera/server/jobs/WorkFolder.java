package org.morphotera.server.jobs;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where files lie that were sent for long work or made by it: beside the data, for the server's owner only. */
@Component
public class WorkFolder {

    private final Path root;

    WorkFolder(@Value("${morphotera.work}") String root) {
        this.root = Path.of(root).toAbsolutePath();
    }

    /** The folder itself, made where it is not there yet. */
    public Path path() {
        return made(root);
    }

    /** A file of a practice's, by the id it goes by; whether it is there or not. */
    public Path file(UUID practice, UUID id) {
        return made(path().resolve(practice.toString())).resolve(id.toString());
    }

    /** A file that somebody sent: only they name it, and no file that work made goes by such a name. */
    Path sent(UUID practice, UUID person, UUID id) {
        return made(path().resolve(practice.toString())).resolve("sent-" + person + "-" + id);
    }

    private static Path made(Path folder) {
        try {
            if (!Files.isDirectory(folder)) {
                Files.createDirectories(folder);
                if (Files.getFileStore(folder).supportsFileAttributeView("posix")) {
                    Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
                }
            }
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
