package org.morphotera.server.jobs;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.web.NotFoundException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;
import org.springframework.web.ErrorResponseException;

/** Files sent for long work: straight to the disk, as large as is allowed and as there is room for, one of a practice at a time. */
@Component
public class Uploads {

    private static final Duration LONGEST = Duration.ofHours(2);
    private static final int PIECE = 1 << 16;

    private final WorkFolder folder;
    private final long largest;
    private final long reserve;
    private final java.util.Set<UUID> sending = ConcurrentHashMap.newKeySet();

    Uploads(
            WorkFolder folder,
            @Value("${morphotera.largest-upload}") DataSize largest,
            @Value("${morphotera.reserve}") DataSize reserve) {
        this.folder = folder;
        this.largest = largest.toBytes();
        this.reserve = reserve.toBytes();
    }

    /** @throws NotFoundException when they sent nothing of that id, or it was used */
    public Path require(Advisor who, UUID id) {
        Path file = folder.sent(who.practiceId(), who.id(), id);
        return NotFoundException.require(Files.isRegularFile(file) ? file : null, "file");
    }

    /** A name for what is read from a stream. */
    UUID take(Advisor who, InputStream in) throws IOException {
        UUID practice = who.practiceId();
        if (!sending.add(practice)) {
            throw refused(HttpStatus.TOO_MANY_REQUESTS, "Another file is still being sent. Finish that first.");
        }
        UUID id = UUID.randomUUID();
        Path file = folder.sent(practice, who.id(), id);
        boolean whole = false;
        try (OutputStream out = Files.newOutputStream(file)) {
            copy(in, out);
            whole = true;
            return id;
        } finally {
            sending.remove(practice);
            if (!whole) {
                Files.deleteIfExists(file);
            }
        }
    }

    private void copy(InputStream in, OutputStream out) throws IOException {
        long until = System.nanoTime() + LONGEST.toNanos();
        long size = 0;
        byte[] piece = new byte[PIECE];
        for (int read = in.read(piece); read >= 0; read = in.read(piece)) {
            size += read;
            if (size > largest) {
                throw refused(
                        HttpStatus.CONTENT_TOO_LARGE, "At most " + (largest >> 20) + " MB. Send the file in parts.");
            }
            if (System.nanoTime() > until) {
                throw refused(HttpStatus.REQUEST_TIMEOUT, "The file took too long to arrive. Send it again.");
            }
            if (folder.path().toFile().getUsableSpace() < reserve + piece.length) {
                throw refused(HttpStatus.INSUFFICIENT_STORAGE, "The disk is full. Make room and send the file again.");
            }
            out.write(piece, 0, read);
        }
    }

    private static ErrorResponseException refused(HttpStatus status, String detail) {
        ErrorResponseException refused = new ErrorResponseException(status);
        refused.setDetail(detail);
        return refused;
    }
}
