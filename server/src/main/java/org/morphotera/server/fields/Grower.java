package org.morphotera.server.fields;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Whoever works the land and gets the report. */
public record Grower(UUID id, String name, @Nullable String contact, int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new grower. */
    @Schema(name = "GrowerWrite")
    public record Write(
            @NotBlank(message = "needs a name") @Size(max = 200)
            String name,

            @Nullable @Size(max = 400) String contact,
            int version) {}
}
