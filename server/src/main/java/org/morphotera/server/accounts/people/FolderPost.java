package org.morphotera.server.accounts.people;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Puts each letter into a folder as a file, for its owner only. */
@Component
class FolderPost implements Post {

    private static final Logger LOG = LoggerFactory.getLogger(FolderPost.class);
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss-SSS").withZone(ZoneOffset.UTC);

    private final Path folder;
    private final Clock clock;

    FolderPost(@Value("${morphotera.post}") Path folder, Clock clock) {
        this.folder = folder;
        this.clock = clock;
    }

    @Override
    public void send(String address, String subject, String text) {
        try {
            if (!Files.isDirectory(folder)) {
                Files.createDirectories(folder);
                ownerOnly(folder, "rwx------");
            }
            Path letter = Files.createTempFile(folder, STAMP.format(clock.instant()) + "-", ".txt");
            ownerOnly(letter, "rw-------");
            Files.writeString(
                    letter, "To: " + address + "\nSubject: " + subject + "\n\n" + text + "\n", StandardCharsets.UTF_8);
        } catch (IOException e) {
            // the address stands on the page too
            LOG.warn("a letter could not be written: {}", e.getMessage());
        }
    }

    private static void ownerOnly(Path path, String rights) throws IOException {
        if (Files.getFileStore(path).supportsFileAttributeView("posix")) {
            Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(rights));
        }
    }
}
