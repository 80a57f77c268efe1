package org.morphotera.server.drafts;

import java.time.Instant;
import java.util.UUID;
import org.morphotera.server.measurements.StoredForm;

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

    /** As it leaves the server. */
    public Draft draft(StoredForm form) {
        return new Draft(
                id,
                visitId,
                stopId,
                method,
                depthTopMm,
                depthBottomMm,
                form.tree(content),
                supersedes,
                updatedAt,
                version);
    }

    StoredDraft withMoment(Instant at, int newVersion) {
        return new StoredDraft(
                id, visitId, stopId, method, depthTopMm, depthBottomMm, content, supersedes, at, newVersion);
    }
}
