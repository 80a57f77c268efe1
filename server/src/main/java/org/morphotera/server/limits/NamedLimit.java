package org.morphotera.server.limits;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A limit that is named of the field or of a part of it, in sentences.
 *
 * @param sentence without its stop
 * @param extent at how many stops; {@code null} where no stops are told apart
 * @param cost of the yield; {@code null} where it is little
 * @param because the strongest findings for it, with their figures
 * @param confirmation what to have confirmed before money is spent
 */
public record NamedLimit(
        String label,
        String sentence,
        @Nullable String extent,
        @Nullable String cost,
        List<String> because,
        String confirmation) {}
