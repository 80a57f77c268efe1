package org.morphotera.server.year;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Something that is due.
 *
 * @param until last day on which it still does, where there is a window
 * @param what in words
 */
@Schema(name = "YearEntry")
public record DueEntry(
        UUID id,
        String kind,
        LocalDate on,
        @Nullable LocalDate until,
        boolean overdue,
        UUID fieldId,
        String field,
        String what) {}
