package org.morphotera.core.limits;

import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.Sighting;

/**
 * What was seen at a stop on a visit.
 *
 * @param stop {@code null} for what holds for the whole field, such as what was dug in
 * @param visit {@code null} with the stop
 * @param order of two of one finding at one stop the later has the greater
 */
public record StopSighting(@Nullable String stop, @Nullable String visit, long order, Sighting seen) {

    /** What holds for the whole field. */
    public static StopSighting ofField(Sighting seen) {
        return new StopSighting(null, null, 0, seen);
    }
}
