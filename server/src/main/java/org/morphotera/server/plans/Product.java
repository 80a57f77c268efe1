package org.morphotera.server.plans;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.UUID;

/**
 * Something a practice buys: its strength and price, as inputs of a calculator.
 *
 * @param inputs such as {@code neutralisingPct}, {@code finenessPct}, {@code pricePerT}
 */
public record Product(UUID id, String name, String calculator, Map<String, Object> inputs, int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new product. */
    @Schema(name = "ProductWrite")
    public record Write(
            @NotBlank(message = "needs a name") @Size(max = 200)
            String name,

            @NotBlank(message = "needs a calculator") @Size(max = 40)
            String calculator,

            @NotNull(message = "needs inputs") Map<String, Object> inputs,
            int version) {}
}
