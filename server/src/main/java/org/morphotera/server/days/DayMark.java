package org.morphotera.server.days;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.Sensible;

/**
 * A step of a planned day as it went.
 *
 * @param step which of the test's steps, from 0
 * @param person who did it, from 0 in the day's list
 * @param endedAt {@code null} while it goes on
 */
public record DayMark(
        UUID id,
        UUID planId,
        UUID stopId,
        String method,
        int step,
        int person,
        Instant begunAt,
        @Nullable Instant endedAt,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new mark. */
    @Schema(name = "DayMarkWrite")
    public record Write(
            @NotNull(message = "needs a day") UUID planId,
            @NotNull(message = "needs a stop") UUID stopId,

            @NotNull(message = "needs a test") @Size(max = 40)
            String method,

            @Min(value = 0, message = "counts from 0") @Max(value = 7, message = "is no step")
            int step,

            @Min(value = 0, message = "counts from 0") @Max(value = 3, message = "is no person")
            int person,

            @NotNull(message = "needs a moment") @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant begunAt,

            @Nullable @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant endedAt,

            int version) {}
}
