package org.morphotera.core.method.block;

import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Range;

/** A score of 0, 0.5, 1, 1.5 or 2. */
public final class HalfScore {

    public static final Range RANGE = Range.between(0, 2);

    private HalfScore() {}

    /** Adds a fault for a score that is no multiple of a half; {@code null} is none. */
    public static void check(String field, Double score, Faults faults) {
        if (score != null && score * 2 != Math.rint(score * 2)) {
            faults.add(field, "NOT_HALVES");
        }
    }
}
