package org.morphotera.core.method.block.fingerstain;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.core.soil.DepthLayer;

/** How dark moist soil stains the fingers: 0 to 2 in halves. */
public final class FingerStain extends ScoredBySight {

    /** Two minutes of work. */
    public FingerStain() {
        super("finger-stain", 2);
    }

    @Override
    public Evidence<Readings> evidence() {
        return (readings, envelope, layer) -> DepthLayer.isSubsoil(layer)
                ? List.of()
                : new SightingList(envelope).figure("finger-stain", "score").list();
    }
}
