package org.morphotera.server.testsets;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Tests that belong together on a walk.
 *
 * @param id of a practice's own set; {@code null} for one that ships
 * @param code of one that ships; {@code null} for an own one
 * @param methods ids in the order of the work
 */
public record TestSet(@Nullable UUID id, @Nullable String code, String name, List<String> methods, int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new set. */
    @Schema(name = "TestSetWrite")
    public record Write(
            @NotBlank(message = "needs a name") @Size(max = 100)
            String name,

            @NotEmpty(message = "needs at least one test") @Size(max = 60)
            List<@NotNull(message = "must be a test") @Size(max = 40) String> methods,

            int version) {}
}
