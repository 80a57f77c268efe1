package org.morphotera.server.jobs;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Work that takes long.
 *
 * @param state {@code running}, {@code done}, {@code refused} (its input can't be used; the result says why) or
 *     {@code failed}
 * @param done of {@code total}, in whatever it counts; 0 of 0 while that is not known
 * @param result what came of it; {@code errors} where it was refused, {@code detail} where it failed
 * @param file whether it made a file to fetch
 */
public record Job(
        UUID id,
        String kind,
        String state,
        long done,
        long total,
        @Nullable Map<String, Object> result,
        Instant startedAt,
        @Nullable Instant endedAt,
        boolean file) {}
