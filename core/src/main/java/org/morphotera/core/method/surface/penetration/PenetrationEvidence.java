package org.morphotera.core.method.surface.penetration;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Penetration} shows. */
final class PenetrationEvidence implements Evidence<Penetration.Readings> {

    @Override
    public String kind(Penetration.Readings readings, Envelope envelope) {
        return readings.instrument() == null ? null : readings.instrument().code();
    }

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Penetration.Readings readings, Envelope envelope, DepthLayer layer) {
        Envelope.Figure limit = envelope.values().get("limitDepthMm");
        return limit == null ? List.of() : List.of(GroundMark.pan(limit.value(), "compaction"));
    }

    @Override
    public List<Sighting> sightings(Penetration.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .figure("probe-depth", "countedDepthMm")
                .list();
    }
}
