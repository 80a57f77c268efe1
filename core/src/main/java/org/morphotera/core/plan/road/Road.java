package org.morphotera.core.plan.road;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Constraint;

/**
 * What is done about a limit over years, in sentences.
 *
 * @param steps in the order in which they begin
 * @param outlook what to expect of it, and what not
 * @param until when it has come to its end; {@code null} where it has none
 * @param warning what would show that it goes wrong; {@code null} where nothing does
 */
public record Road(
        Constraint constraint,
        String title,
        List<Step> steps,
        String outlook,
        @Nullable String until,
        @Nullable String warning) {

    /**
     * @param years such as {@code year 1} or {@code years 1 to 3}
     * @param only under which condition; {@code null} for always
     * @param test by which it is seen whether to go on; {@code null} where there is none
     */
    public record Step(
            String years,
            String what,
            @Nullable String only,
            @Nullable String test) {}
}
