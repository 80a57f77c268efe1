package org.morphotera.server.photos;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A photo without its content.
 *
 * @param method the test it belongs to, or {@code null}
 * @param depthMm the depth it shows, or {@code null}
 */
public record Photo(
        UUID id,
        UUID visitId,
        UUID stopId,
        String stop,
        @Nullable String method,
        @Nullable Double depthMm,
        @Nullable String note,
        Instant takenAt) {}
