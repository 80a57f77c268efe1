package org.morphotera.core.method.block.fingerstain;

import java.util.List;
import java.util.Map;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.core.result.Envelope;

/** How dark moist soil stains the fingers: 0 to 2 in halves. */
public final class FingerStain extends ScoredBySight {

    /** Two minutes of work. */
    public FingerStain() {
        super("finger-stain", 2);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, Double topMm) {
        return List.of(); // context for others: speaks of no constraint by itself
    }

    @Override
    protected double truth(MadeUpSoil soil) {
        return soil.get(SoilProperty.ORGANIC) / 2.2;
    }
}
