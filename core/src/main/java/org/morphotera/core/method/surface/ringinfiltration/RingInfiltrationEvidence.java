package org.morphotera.core.method.surface.ringinfiltration;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link RingInfiltration} shows. */
final class RingInfiltrationEvidence implements Evidence<RingInfiltration.Readings> {

    /** A first run on dry soil and a wetted one are two figures. */
    @Override
    public String kind(RingInfiltration.Readings readings, Envelope envelope) {
        return envelope.hasNote("DRY_FIRST_RUN") ? "dry-run" : "wetted";
    }

    @Override
    public boolean kindsNeverCompare() {
        return true;
    }

    @Override
    public List<Sighting> sightings(RingInfiltration.Readings readings, Envelope envelope, DepthLayer layer) {
        boolean below = readings.depthLevel() == RingInfiltration.DepthLevel.AT_200;
        return new SightingList(envelope)
                .figure(below ? "infiltration-at-200" : "infiltration", "rate")
                .list();
    }
}
