package org.morphotera.core.block;

import org.morphotera.core.method.Faults;
import org.morphotera.core.method.Range;

/** A score of 0, 0.5, 1, 1.5 or 2. */
final class HalfScore {

    static final Range RANGE = Range.between(0, 2);

    private HalfScore() {}

    static void check(String field, Double score, Faults faults) {
        if (score != null && score * 2 != Math.rint(score * 2)) {
            faults.add(field, "NOT_HALVES");
        }
    }
}
