package org.morphotera.server.fields;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Purpose;
import org.morphotera.core.soil.TextureClass;

/**
 * One piece of land under one management.
 *
 * @param textureClass as known before any test here
 * @param boundary outline as the text of a GeoJSON polygon, or of several, in longitude and latitude
 * @param zones parts of it, as the text of a GeoJSON collection whose features have an {@code id}
 * @param avoid what stops keep off, as the text of a GeoJSON collection whose features may have {@code metres}
 * @param purpose what its drainage is judged for
 */
public record Field(
        UUID id,
        UUID growerId,
        String name,
        String landUse,
        @Nullable String crop,
        @Nullable Double areaHa,
        @Nullable String textureClass,
        String purpose,
        @Nullable String soilNote,
        @Nullable String boundary,
        @Nullable String zones,
        @Nullable String avoid,
        int version) {

    /** What a client sends; {@code version} is the one it saw, 0 for a new field. */
    @Schema(name = "FieldWrite")
    public record Write(
            @NotNull(message = "needs a grower") UUID growerId,

            @NotBlank(message = "needs a name") @Size(max = 200)
            String name,

            @NotNull @OneOf(LandUse.class) String landUse,
            @Nullable @Size(max = 60) String crop,

            @Nullable @PositiveOrZero(message = "can't be negative")
            Double areaHa,

            @Nullable @OneOf(TextureClass.class) String textureClass,
            @NotNull @OneOf(Purpose.class) String purpose,
            @Nullable @Size(max = 400) String soilNote,
            @Nullable @Size(max = 400_000) String boundary,
            @Nullable @Size(max = 400_000) String zones,
            @Nullable @Size(max = 100_000) String avoid,
            int version) {}
}
