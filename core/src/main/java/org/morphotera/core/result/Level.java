package org.morphotera.core.result;

import org.morphotera.core.soil.Coded;

/** The word for a standing. */
public enum Level implements Coded {
    FAILING,
    STRAINED,
    SERVICEABLE,
    ROBUST;

    /** robust from 0.75, serviceable from 0.5, strained from 0.25, failing below. */
    public static Level of(double standing) {
        if (standing >= 0.75) {
            return ROBUST;
        }
        if (standing >= 0.5) {
            return SERVICEABLE;
        }
        return standing >= 0.25 ? STRAINED : FAILING;
    }
}
