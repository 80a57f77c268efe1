package org.morphotera.core.score;

import org.morphotera.core.soil.Coded;

/** How much of something is seen at a stop: rills, white crust. */
public enum Seen implements Coded {
    NONE,
    SOME,
    MANY
}
