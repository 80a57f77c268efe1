package org.morphotera.core.method.water.slump;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Slump} shows. */
final class SlumpEvidence implements Evidence<Slump.Readings> {

    @Override
    public List<Sighting> sightings(Slump.Readings readings, Envelope envelope, DepthLayer layer) {
        return DepthLayer.isSubsoil(layer)
                ? List.of()
                : new SightingList(envelope).standing("slump", "slump").list();
    }
}
