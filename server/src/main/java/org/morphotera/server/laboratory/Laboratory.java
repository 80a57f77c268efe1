package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.laboratory.LabTest;
import org.morphotera.core.method.chemistry.labresult.LabResult;
import org.morphotera.server.fields.OneOf;

/**
 * Whom bags are sent to.
 *
 * @param simulated answers by itself after a while, from a made-up soil: to try it out
 * @param prices by test, in whatever currency the practice counts in
 * @param reading how its files of results are read; absent until the first was
 */
record Laboratory(
        UUID id,
        String name,
        @Nullable String contact,
        boolean simulated,
        Map<String, Double> prices,
        @Nullable ResultForm reading,
        int version) {

    /**
     * Which columns of a file of results are what.
     *
     * @param code the column that names the bag
     */
    record ResultForm(
            @NotNull(message = "needs the column of the bags") @Size(max = 200)
            String code,

            @NotNull(message = "needs columns") @Size(min = 1, max = 60, message = "needs 1 to 60 columns")
            List<@NotNull(message = "is empty") @Valid Column> columns) {}

    /**
     * @param name of the column in the file
     * @param analyte what its figures are
     * @param unit in which they stand; empty for the usual one
     */
    @Schema(name = "ResultColumn")
    record Column(
            @NotNull(message = "needs a name") @Size(max = 200)
            String name,

            @NotNull(message = "needs an analyte") @OneOf(LabResult.Analyte.class)
            String analyte,

            @NotNull(message = "needs a unit, if only an empty one") @Size(max = 20)
            String unit) {}

    /** A price of a test. */
    record Price(
            @NotNull(message = "needs a test") @OneOf(LabTest.class)
            String test,

            @DecimalMin(value = "0", message = "can't be negative")
            @DecimalMax(value = "100000", message = "is too high")
            double price) {}

    /** What a client sends; {@code version} is the one it saw, 0 for a new one. */
    @Schema(name = "LaboratoryWrite")
    record Write(
            @NotBlank(message = "needs a name") @Size(max = 200)
            String name,

            @Nullable @Size(max = 400) String contact,
            boolean simulated,

            @NotNull(message = "needs prices, if only none") @Size(max = 20)
            List<@NotNull(message = "is empty") @Valid Price> prices,

            int version) {}
}
