package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Sensible;

/**
 * Bags sent together.
 *
 * @param total what the laboratory's prices come to; absent where one is not known
 * @param answer whether the laboratory has an answer to fetch; only of a simulated one
 * @param answerAt when it will have, if it has not
 */
record Dispatch(
        UUID id,
        UUID laboratoryId,
        String laboratory,
        Instant sentAt,
        @Nullable String note,
        List<UUID> bagIds,
        @Nullable Double total,
        boolean answer,
        @Nullable Instant answerAt,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new one. */
    @Schema(name = "DispatchWrite")
    record Write(
            @NotNull(message = "needs a laboratory") UUID laboratoryId,

            @NotNull(message = "needs the moment it was sent") @Sensible
            Instant sentAt,

            @Nullable @Size(max = 400) String note,

            @NotNull(message = "needs bags") @Size(min = 1, max = 200, message = "needs 1 to 200 bags")
            List<@NotNull(message = "names no bag") UUID> bagIds,

            int version) {}
}
