package org.morphotera.core.method.block.structure;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Structure} shows. */
final class StructureEvidence implements Evidence<Structure.Readings> {

    @Override
    public String kind(Structure.Readings readings, Envelope envelope) {
        return readings.key() == null ? null : readings.key().code();
    }

    @Override
    public boolean kindsNeverCompare() {
        return true;
    }

    @Override
    public List<Sighting> sightings(Structure.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).standing("structure", "structure").list();
    }
}
