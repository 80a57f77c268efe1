package org.morphotera.core.method.block.porosity;

import java.util.List;
import java.util.Map;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.SoilProperty;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** Pores seen on the broken face of the block: 0 to 2 in halves. */
public final class Porosity extends ScoredBySight {

    /** Three minutes of work. */
    public Porosity() {
        super("porosity", 3);
    }

    @Override
    public List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).standing("porosity", "porosity").list();
    }

    @Override
    protected double truth(MadeUpSoil soil) {
        return soil.get(SoilProperty.POROSITY);
    }
}
