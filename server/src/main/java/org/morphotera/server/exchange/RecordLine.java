package org.morphotera.server.exchange;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * One reading or figure with all that says where, when and how it came about.
 *
 * @param what {@code reading} as it was taken, {@code figure} or {@code class} that follows, or {@code standing}
 * @param name of the reading by its path, of the figure, class or indicator
 * @param value number, word or flag
 */
record RecordLine(
        String field,
        String grower,
        String stop,
        LocalDate visitedOn,
        Instant takenAt,
        String test,
        UUID measurement,
        @Nullable Double depthTopMm,
        @Nullable Double depthBottomMm,
        String what,
        String name,
        Object value,
        String unit) {

    static final String READING = "reading";

    /** The head of every table of such lines. */
    static final List<String> COLUMNS = List.of(
            "field",
            "grower",
            "stop",
            "visited_on",
            "taken_at",
            "test",
            "measurement",
            "depth_top_mm",
            "depth_bottom_mm",
            "what",
            "name",
            "value",
            "unit");

    /** In the order of {@link #COLUMNS}, empty where there is nothing. */
    Object[] cells() {
        return new Object[] {
            field,
            grower,
            stop,
            visitedOn,
            takenAt,
            test,
            measurement,
            depthTopMm == null ? "" : Figures.text(depthTopMm),
            depthBottomMm == null ? "" : Figures.text(depthBottomMm),
            what,
            name,
            Figures.text(value),
            unit
        };
    }
}
