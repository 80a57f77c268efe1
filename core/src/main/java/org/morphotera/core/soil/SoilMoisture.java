package org.morphotera.core.soil;

/** Moisture of the soil at the time of a reading, judged by hand. */
public enum SoilMoisture implements Coded {
    DRY,
    MOIST,
    WET
}
