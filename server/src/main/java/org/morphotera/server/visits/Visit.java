package org.morphotera.server.visits;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.server.fields.OneOf;
import org.morphotera.server.web.Sensible;

/**
 * One day at one field, with the conditions that its figures depend on.
 *
 * @param carbonAdded whether straw, wood or compost came in last autumn, where no event of the field says so
 * @param tests ids of the tests chosen for the walk, joined by commas in the order of the work; {@code null} for all
 */
public record Visit(
        UUID id,
        UUID fieldId,
        UUID personId,
        String person,
        LocalDate visitedOn,
        @Nullable String soilMoisture,
        @Nullable Integer daysSinceRain,
        @Nullable Double soilTempC,
        @Nullable String lastManagement,
        @Nullable Boolean carbonAdded,
        @Nullable String note,
        @Nullable String tests,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new visit. */
    @Schema(name = "VisitWrite")
    public record Write(
            @NotNull(message = "needs a field") UUID fieldId,

            @NotNull(message = "needs a date") @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate visitedOn,

            @Nullable @OneOf(SoilMoisture.class) String soilMoisture,

            @Nullable @Min(value = 0, message = "can't be negative") @Max(value = 10_000, message = "is too long ago")
            Integer daysSinceRain,

            @Nullable
            @DecimalMin(value = "-20", message = "must be between -20 and 70 °C")
            @DecimalMax(value = "70", message = "must be between -20 and 70 °C")
            Double soilTempC,

            @Nullable @Size(max = 400) String lastManagement,
            @Nullable Boolean carbonAdded,
            @Nullable @Size(max = 2000) String note,
            @Nullable @Size(max = 2000) String tests,
            int version) {}
}
