package org.morphotera.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Readings on their way to a measurement of the same id, kept at every change however incomplete.
 *
 * @param content whatever the capture page needs to go on: readings so far, when its clock started, how far it is
 */
public record Draft(
        UUID id,
        UUID visitId,
        UUID stopId,
        String method,
        @Nullable Double depthTopMm,
        @Nullable Double depthBottomMm,
        Map<String, Object> content,
        @Nullable UUID supersedes,
        Instant updatedAt,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new draft. */
    @Schema(name = "DraftWrite")
    public record Write(
            @NotNull(message = "needs a visit") UUID visitId,
            @NotNull(message = "needs a stop") UUID stopId,

            @NotBlank(message = "needs a method") @Size(max = 40)
            String method,

            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            @NotNull(message = "needs its content") Map<String, Object> content,
            @Nullable UUID supersedes,
            int version) {}
}
