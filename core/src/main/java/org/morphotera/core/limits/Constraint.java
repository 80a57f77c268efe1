package org.morphotera.core.limits;

import org.morphotera.core.soil.Coded;

/** What can hold a soil back. Each is present or absent, whatever the others are. */
public enum Constraint implements Coded {
    ACIDITY,
    SUBSURFACE_ACIDITY,
    FREE_LIME,
    SALINITY,
    SODICITY,
    COMPACTION_LAYER,
    WEAK_AGGREGATION,
    WATERLOGGING,
    OVER_RAPID_DRAINAGE,
    LOW_BIOLOGY,
    SHORT_NITROGEN,
    SHORT_PHOSPHORUS,
    SHORT_POTASSIUM,
    SHORT_MAGNESIUM,
    NITROGEN_LOCKED_UP,
    NITROGEN_MASKING,
    EROSION_RISK
}
