package org.morphotera.core.method.life.respiration;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Respiration} shows. */
final class RespirationEvidence implements Evidence<Respiration.Readings> {

    @Override
    public List<Sighting> sightings(Respiration.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).standing("respiration", "respiration").list();
    }
}
