package org.morphotera.training;

import org.morphotera.core.soil.Coded;

/** How hard a round is. */
public enum Difficulty implements Coded {
    /** One strong limit, a good day, good instruments. */
    CLEAR,
    /** No limit, one or two of any strength, on the days that come. */
    USUAL,
    /** Weak limits, a bad day, and only what was left in the bag. */
    HARD
}
