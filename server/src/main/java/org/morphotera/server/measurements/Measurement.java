package org.morphotera.server.measurements;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.result.Envelope;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.Sensible;

/**
 * One test as it was read, with the context it was evaluated in and what came of it.
 *
 * @param supersedes the measurement that this one corrects
 * @param supersededBy the measurement that corrects this one
 * @param note what was remarked at the test
 * @param coreVersion of the build whose rules made the evaluation
 * @param benchmarks hash of the benchmark files that judged it; {@code null} on the oldest records
 */
public record Measurement(
        UUID id,
        UUID fieldId,
        UUID visitId,
        UUID stopId,
        String method,
        @Nullable Double depthTopMm,
        @Nullable Double depthBottomMm,
        Map<String, Object> readings,
        Map<String, Object> context,
        Envelope evaluation,
        String coreVersion,
        @Nullable String benchmarks,
        Instant takenAt,
        String person,
        @Nullable UUID supersedes,
        @Nullable UUID supersededBy,
        @Nullable String reason,
        @Nullable String note,
        Instant recordedAt) {

    /** What a client sends. */
    @Schema(name = "MeasurementWrite")
    public record Write(
            @NotNull(message = "needs a visit") UUID visitId,
            @NotNull(message = "needs a stop") UUID stopId,

            @NotBlank(message = "needs a method") @Size(max = 40)
            String method,

            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            @NotNull(message = "needs readings") Map<String, Object> readings,

            @NotNull(message = "needs the moment it was taken") @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant takenAt,

            @Nullable UUID supersedes,
            @Nullable @Size(max = 400) String reason,
            @Nullable @Size(max = 400) String note,
            @Valid FromPhoto.@Nullable Write photo) {}

    /**
     * A measurement with all that it corrected and that corrected it, newest first.
     *
     * @param photo what a picture proposed of it; {@code null} when it was read otherwise
     */
    public record History(
            Measurement measurement,
            String stop,
            String field,
            List<Measurement> versions,
            @Nullable FromPhoto photo) {}
}
