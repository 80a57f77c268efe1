package org.morphotera.core.method.block.smell;

import java.util.List;
import java.util.Map;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What the fresh block smells of: 0 to 2 in halves. */
public final class Smell extends ScoredBySight {

    /** A minute of work. */
    public Smell() {
        super("smell", 1);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).figure("smell", "score").list();
    }

    @Override
    protected double truth(MadeUpSoil soil) {
        return soil.get(SoilProperty.SMELL);
    }
}
