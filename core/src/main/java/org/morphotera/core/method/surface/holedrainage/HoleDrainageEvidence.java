package org.morphotera.core.method.surface.holedrainage;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link HoleDrainage} shows. */
final class HoleDrainageEvidence implements Evidence<HoleDrainage.Readings> {

    @Override
    public String kind(HoleDrainage.Readings readings, Envelope envelope) {
        return readings.mode() == null ? null : readings.mode().code();
    }

    @Override
    public List<Sighting> sightings(HoleDrainage.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .figure("drain-out", "fieldPermeability")
                .figure("straight-down", "fieldPermeability")
                .flag("never-emptied", envelope.values().containsKey("rateAtMost"))
                .list();
    }
}
