package org.morphotera.server.fields;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Sensible;

/**
 * Something done to a field.
 *
 * @param cost in the practice's own currency
 * @param stopIds the stops it was done at; {@code null} for the whole field
 */
public record ManagementEvent(
        UUID id,
        UUID fieldId,
        LocalDate happenedOn,
        String kind,
        String what,
        @Nullable String rate,
        @Nullable Double cost,
        @Nullable List<UUID> stopIds,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new event. */
    @Schema(name = "ManagementEventWrite")
    public record Write(
            @NotNull(message = "needs a field") UUID fieldId,

            @NotNull(message = "needs a date") @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate happenedOn,

            @NotBlank(message = "needs a kind") @Size(max = 40)
            String kind,

            @NotBlank(message = "needs a description") @Size(max = 400)
            String what,

            @Nullable @Size(max = 100) String rate,

            @Nullable @PositiveOrZero(message = "can't be negative")
            Double cost,

            @Nullable @Size(max = 100) List<@NotNull(message = "must be a stop") UUID> stopIds,
            int version) {}
}
