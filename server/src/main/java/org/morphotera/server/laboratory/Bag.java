package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Sensible;

/**
 * A composite in its bag.
 *
 * @param code what stands on its label, given by the server
 * @param stops where its cores are from, in words
 * @param stopIds where its cores are from; its figures count at the first
 * @param until when it should be at the laboratory
 * @param state {@code here}, {@code sent} or {@code answered}
 */
record Bag(
        UUID id,
        String code,
        UUID fieldId,
        String field,
        UUID visitId,
        List<UUID> stopIds,
        String stops,
        double depthTopMm,
        double depthBottomMm,
        Instant takenAt,
        String sampler,
        List<String> tests,
        @Nullable Integer cores,
        @Nullable String note,
        Instant until,
        boolean cool,
        @Nullable UUID dispatchId,
        @Nullable UUID measurementId,
        String state,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new bag. */
    @Schema(name = "BagWrite")
    record Write(
            @NotNull(message = "needs a visit") UUID visitId,

            @NotNull(message = "needs stops") @Size(min = 1, max = 40, message = "needs 1 to 40 stops")
            List<@NotNull(message = "names no stop") UUID> stopIds,

            @DecimalMin(value = "0", message = "can't be above the ground")
            @DecimalMax(value = "5000", message = "must be at most 5000 mm")
            double depthTopMm,

            @DecimalMin(value = "1", message = "must be at least 1 mm")
            @DecimalMax(value = "5000", message = "must be at most 5000 mm")
            double depthBottomMm,

            @NotNull(message = "needs the moment it was taken") @Sensible
            Instant takenAt,

            @NotBlank(message = "needs a name") @Size(max = 200)
            String sampler,

            @NotNull(message = "needs tests") @Size(min = 1, max = 20, message = "needs 1 to 20 tests")
            List<@NotNull(message = "names no test") @Size(max = 40) String> tests,

            @Nullable @Min(value = 1, message = "must be at least 1") @Max(value = 500, message = "must be at most 500")
            Integer cores,

            @Nullable @Size(max = 400) String note,
            int version) {}
}
