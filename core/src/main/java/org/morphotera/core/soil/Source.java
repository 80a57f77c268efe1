package org.morphotera.core.soil;

/** Where a figure comes from, best first: of one property of one layer the best speaks alone. */
public enum Source implements Coded {
    LABORATORY,
    /** An instrument of the field that gives a figure, and all that is counted, measured or scored by its own key. */
    METER,
    /** A kit of colours, or a colour held against chips. */
    KIT
}
