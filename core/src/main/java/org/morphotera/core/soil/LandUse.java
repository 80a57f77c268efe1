package org.morphotera.core.soil;

/** What the land is used for; benchmarks differ by it. */
public enum LandUse implements Coded {
    ARABLE,
    PASTURE,
    ORCHARD,
    VEGETABLE,
    TURF,
    LANDSCAPE
}
