package org.morphotera.core.method.block.fingerstain;

import java.util.List;
import java.util.Map;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** How dark moist soil stains the fingers: 0 to 2 in halves. */
public final class FingerStain extends ScoredBySight {

    /** Two minutes of work. */
    public FingerStain() {
        super("finger-stain", 2);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return DepthLayer.isSubsoil(layer)
                ? List.of()
                : new SightingList(envelope).figure("finger-stain", "score").list();
    }

    @Override
    protected double truth(MadeUpSoil soil) {
        return soil.get(SoilProperty.ORGANIC) / 2.2;
    }
}
