package org.morphotera.server.measurements;

import java.time.Instant;
import java.util.UUID;

/** A draft as its row: content as JSON text. */
public record StoredDraft(
        UUID id,
        UUID visitId,
        UUID stopId,
        String method,
        Double depthTopMm,
        Double depthBottomMm,
        String content,
        UUID supersedes,
        Instant updatedAt,
        int version) {

    /** The same content, whenever and in which version it was sent. */
    boolean sameContent(StoredDraft other) {
        return withMoment(other.updatedAt, other.version).equals(other);
    }

    StoredDraft withMoment(Instant at, int newVersion) {
        return new StoredDraft(
                id, visitId, stopId, method, depthTopMm, depthBottomMm, content, supersedes, at, newVersion);
    }
}
