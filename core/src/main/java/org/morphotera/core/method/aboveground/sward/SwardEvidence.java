package org.morphotera.core.method.aboveground.sward;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Sward} shows. */
final class SwardEvidence implements Evidence<Sward.Readings> {

    @Override
    public List<Sighting> sightings(Sward.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).standing("sward", "sward").list();
    }
}
