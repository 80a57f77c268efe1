package org.morphotera.server.visits;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.UUID;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.Sensible;

/**
 * Where somebody stood for a stop on a visit, as their device told it.
 *
 * @param accuracyM radius within which the place truly lies with two chances in three, m
 */
public record Fix(
        UUID id, UUID visitId, UUID stopId, double longitude, double latitude, double accuracyM, Instant takenAt) {

    /** What a client sends; nothing of it is changed later. */
    @Schema(name = "FixWrite")
    public record Write(
            @NotNull(message = "needs a visit") UUID visitId,
            @NotNull(message = "needs a stop") UUID stopId,

            @NotNull(message = "needs a longitude") @DecimalMin("-180") @DecimalMax("180")
            Double longitude,

            @NotNull(message = "needs a latitude") @DecimalMin("-90") @DecimalMax("90")
            Double latitude,

            @NotNull(message = "needs its accuracy") @DecimalMin("0") @DecimalMax("100000")
            Double accuracyM,

            @NotNull(message = "needs a moment") @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant takenAt) {}
}
