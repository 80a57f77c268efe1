package org.morphotera.server.days;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Sensible;

/**
 * A day of work as it is meant to be; the order of its steps is worked out wherever it is shown.
 *
 * @param startsAt time of the day at which the crew stands in the first field, such as 08:30
 * @param people names of who goes, one to four
 * @param fields in the order in which they are driven to
 * @param walkMetresPerMinute how fast the crew walks over a field
 */
public record PlannedDay(
        UUID id,
        LocalDate plannedOn,
        String startsAt,
        double walkMetresPerMinute,
        List<String> people,
        List<FieldWork> fields,
        int version) {

    /**
     * The work at one field.
     *
     * @param visitId the visit that its tests belong to, once it is begun
     * @param driveMin minutes of driving to get there from the field before
     */
    public record FieldWork(
            @NotNull(message = "needs a field") UUID fieldId,
            @Nullable UUID visitId,

            @Nullable
            @DecimalMin(value = "0", message = "can't be negative")
            @DecimalMax(value = "600", message = "is longer than a day's drive")
            Double driveMin,

            @NotNull(message = "needs stops") @Size(min = 1, max = 40, message = "needs 1 to 40 stops")
            List<@NotNull(message = "names no stop") UUID> stopIds,

            @NotNull(message = "needs tests") @Size(min = 1, max = 40, message = "needs 1 to 40 tests")
            List<@NotNull(message = "names no test") @Size(max = 40) String> methods) {}

    /** What a client sends; {@code version} is the one it saw, 0 for a new day. */
    @Schema(name = "PlannedDayWrite")
    public record Write(
            @NotNull(message = "needs a day") @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate plannedOn,

            @NotNull(message = "needs a start")
            @Pattern(regexp = "([01][0-9]|2[0-3]):[0-5][0-9]", message = "must be a time such as 08:30")
            String startsAt,

            @Nullable
            @DecimalMin(value = "1", message = "must be at least 1 m a minute")
            @DecimalMax(value = "1000", message = "must be at most 1000 m a minute")
            Double walkMetresPerMinute,

            @NotNull(message = "needs people") @Size(min = 1, max = 4, message = "needs one to four people")
            List<@NotNull(message = "names nobody") @NotBlank(message = "needs a name") @Size(max = 100) String> people,

            @NotNull(message = "needs fields") @Size(min = 1, max = 12, message = "needs 1 to 12 fields")
            List<@NotNull(message = "names no field") @Valid FieldWork> fields,

            int version) {}
}
