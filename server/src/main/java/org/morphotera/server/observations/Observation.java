package org.morphotera.server.observations;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.score.Seen;
import org.morphotera.server.fields.OneOf;

/**
 * What is seen beside the tests at a stop on a visit: context and findings, not methods.
 *
 * @param cropVigour 0 to 2 in halves
 * @param rills none, some or many; {@code whiteCrust} likewise
 */
public record Observation(
        UUID id,
        UUID visitId,
        UUID stopId,
        @Nullable Double cropVigour,
        @Nullable Double slopePct,
        @Nullable String rills,
        @Nullable String whiteCrust,
        @Nullable Boolean standingWater,
        @Nullable String note,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new observation. */
    @Schema(name = "ObservationWrite")
    public record Write(
            @NotNull(message = "needs a visit") UUID visitId,
            @NotNull(message = "needs a stop") UUID stopId,

            @Nullable
            @DecimalMin(value = "0", message = "goes from 0 to 2")
            @DecimalMax(value = "2", message = "goes from 0 to 2")
            Double cropVigour,

            @Nullable
            @DecimalMin(value = "0", message = "goes from 0 to 100 %")
            @DecimalMax(value = "100", message = "goes from 0 to 100 %")
            Double slopePct,

            @Nullable @OneOf(Seen.class) String rills,
            @Nullable @OneOf(Seen.class) String whiteCrust,
            @Nullable Boolean standingWater,
            @Nullable @Size(max = 400) String note,
            int version) {}
}
