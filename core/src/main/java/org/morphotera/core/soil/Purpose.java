package org.morphotera.core.soil;

/** What a stop's drainage is judged for. */
public enum Purpose implements Coded {
    FIELD,
    PLANTING_BED,
    RAIN_GARDEN
}
