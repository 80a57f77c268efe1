package org.morphotera.core.method.block.porosity;

import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;

/** Pores seen on the broken face of the block: 0 to 2 in halves. */
public final class Porosity extends ScoredBySight {

    /** Three minutes of work. */
    public Porosity() {
        super("porosity", 3);
    }

    @Override
    public Evidence<Readings> evidence() {
        return (readings, envelope, layer) ->
                new SightingList(envelope).standing("porosity", "porosity").list();
    }
}
