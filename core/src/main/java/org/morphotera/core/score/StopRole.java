package org.morphotera.core.score;

import java.util.Collection;
import org.morphotera.core.soil.Coded;

/** What a stop stands for, and so whether it speaks for its field. */
public enum StopRole implements Coded {
    /** One of the places that stand for the field. */
    ROUTINE,
    /** In the poor patch. */
    POOR,
    /** In the good patch. */
    GOOD,
    /** What the soil could be: under a hedge, in the margin. Never averaged in. */
    REFERENCE,
    /** In a wheel track. Never averaged in. */
    WHEEL_TRACK,
    /** Of the field, but not treated, to hold the treated against. */
    CONTROL;

    /** The name of the patch that a stop of this role stands for, where it lies in none with a name of its own. */
    public String patch() {
        return this == CONTROL ? "left-alone" : code();
    }

    /** Whether it drifts with the field without being treated: changes there are not the treatment's. */
    public boolean isUntreated() {
        return this == CONTROL || this == REFERENCE;
    }

    /**
     * The role that speaks for a field: routine stops where there are any, else the poor patch, which limits first; where
     * there is neither, {@code null}: every stop speaks.
     */
    public static StopRole leading(Collection<StopRole> roles) {
        return roles.contains(ROUTINE) ? ROUTINE : roles.contains(POOR) ? POOR : null;
    }
}
