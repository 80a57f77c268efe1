package org.morphotera.server.weather;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.UUID;
import org.morphotera.server.web.Sensible;

/** Rain as read in a gauge at a field, mm of one day. */
public record RainReading(UUID id, UUID fieldId, LocalDate fellOn, double rainMm, int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new reading. */
    @Schema(name = "RainReadingWrite")
    public record Write(
            @NotNull(message = "needs a field") UUID fieldId,

            @NotNull(message = "needs a day") @Sensible LocalDate fellOn,

            @NotNull(message = "needs the rain")
            @DecimalMin(value = "0", message = "can't be negative")
            @DecimalMax(value = "500", message = "is more than falls in a day")
            Double rainMm,

            int version) {}
}
