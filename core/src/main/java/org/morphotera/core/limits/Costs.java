package org.morphotera.core.limits;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a constraint costs where it is present: by the crop's own curve where there is one, else by a working table. */
final class Costs {

    /** Of a conductivity that was read: as far below and above it as two laboratories lie apart. */
    private static final double LOW_ECE = 0.8;

    private static final double HIGH_ECE = 1.25;

    private Costs() {}

    static EvidenceTables.@Nullable Loss of(
            Constraint constraint, Map<String, Found> here, CropNeeds crop, EvidenceTables tables) {
        EvidenceTables.Loss usual = tables.loss(constraint);
        Found ece = here.get("ece");
        if (constraint != Constraint.SALINITY || usual == null || ece == null || ece.figure() == null) {
            return usual;
        }
        return new EvidenceTables.Loss(
                crop.saltLossPct(LOW_ECE * ece.figure()),
                crop.saltLossPct(ece.figure()),
                crop.saltLossPct(HIGH_ECE * ece.figure()),
                usual.source());
    }
}
