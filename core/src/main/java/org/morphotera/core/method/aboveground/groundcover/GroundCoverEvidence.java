package org.morphotera.core.method.aboveground.groundcover;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link GroundCover} shows. */
final class GroundCoverEvidence implements Evidence<GroundCover.Readings> {

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(GroundCover.Readings readings, Envelope envelope, DepthLayer layer) {
        Envelope.Figure cover = envelope.values().get("coverPct");
        return cover == null ? List.of() : List.of(GroundMark.cover(cover.value() / 100));
    }

    @Override
    public List<Sighting> sightings(GroundCover.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope).figure("cover", "coverPct").list();
    }
}
