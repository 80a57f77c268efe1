package org.morphotera.core.method;

import org.morphotera.core.soil.Coded;

/** Where on the soil face a method works, from the sky down, then what is set going and read off. */
public enum Family implements Coded {
    ABOVE_GROUND,
    SURFACE,
    BLOCK,
    WATER,
    CHEMISTRY,
    LIFE;

    /** The folder of the family's methods. */
    public String folder() {
        return code().replace("-", "");
    }
}
