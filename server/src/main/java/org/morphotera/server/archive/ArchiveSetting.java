package org.morphotera.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Whether a practice's archive is made by itself at night.
 *
 * @param folder its name among the server's archives
 * @param keep how many of the newest are kept
 * @param path of the folder on the server, for whoever looks after it
 * @param lastSaid what came of the last one
 */
record ArchiveSetting(
        boolean nightly,
        String folder,
        int keep,
        String path,
        @Nullable Instant lastAt,
        @Nullable String lastSaid,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for the first. */
    @Schema(name = "ArchiveSettingWrite")
    record Write(
            boolean nightly,

            @NotNull(message = "needs a name")
            @Size(max = 60)
            @Pattern(regexp = "[A-Za-z0-9][A-Za-z0-9_-]*", message = "may hold letters, digits, - and _ only")
            String folder,

            @Min(value = 1, message = "must be at least 1") @Max(value = 365, message = "must be at most 365")
            int keep,

            int version) {}
}
