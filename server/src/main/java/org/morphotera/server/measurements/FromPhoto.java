package org.morphotera.server.measurements;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;

/**
 * What a picture proposed of a measurement.
 *
 * @param kind of the reading from pictures
 * @param proposed readings as the picture gave them
 * @param asProposed how many of its points, lines, chips or crumbs were recorded as they stood, of {@code of}
 */
@Schema(name = "FromPhoto")
public record FromPhoto(String kind, Map<String, Object> proposed, int asProposed, int of) {

    /** What a client sends. */
    @Schema(name = "FromPhotoWrite")
    public record Write(
            @NotNull(message = "needs a kind") @Size(max = 20)
            String kind,

            @NotNull(message = "needs what was proposed") Map<String, Object> proposed) {}

    /**
     * How often pictures were right: the newest of a kind.
     *
     * @param method the field method
     * @param photos how many are counted
     * @param asProposed how many of all their points, lines, chips or crumbs were recorded as they stood, of {@code of}
     */
    @Schema(name = "PhotoAgreement")
    public record Agreement(String kind, String method, int photos, long asProposed, long of) {}
}
