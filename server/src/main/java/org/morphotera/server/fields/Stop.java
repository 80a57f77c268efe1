package org.morphotera.server.fields;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.score.StopRole;
import org.morphotera.server.web.Sensible;

/**
 * A place in a field where tests are made, again and again.
 *
 * @param position order in which stops are walked
 * @param role what it stands for: a code of {@link StopRole}
 * @param endLongitude where a stop that is a line ends; {@code null} of a point
 * @param retiredOn from this day on it is walked no more; what was read there stays
 * @param areaSharePct how much of the field its patch makes up, where it stands for one
 */
public record Stop(
        UUID id,
        UUID fieldId,
        String label,
        @Nullable String note,
        @Nullable Double longitude,
        @Nullable Double latitude,
        int position,
        String role,
        @Nullable Double areaSharePct,
        @Nullable Double endLongitude,
        @Nullable Double endLatitude,
        @Nullable LocalDate retiredOn,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new stop. */
    @Schema(name = "StopWrite")
    public record Write(
            @NotNull(message = "needs a field") UUID fieldId,

            @NotBlank(message = "needs a label") @Size(max = 100)
            String label,

            @Nullable @Size(max = 400) String note,
            @Nullable @DecimalMin("-180") @DecimalMax("180") Double longitude,
            @Nullable @DecimalMin("-90") @DecimalMax("90") Double latitude,
            int position,
            @Nullable @OneOf(StopRole.class) String role,
            @Nullable @DecimalMin("0") @DecimalMax("100") Double areaSharePct,
            @Nullable @DecimalMin("-180") @DecimalMax("180") Double endLongitude,
            @Nullable @DecimalMin("-90") @DecimalMax("90") Double endLatitude,
            @Nullable @Sensible LocalDate retiredOn,
            int version) {}
}
