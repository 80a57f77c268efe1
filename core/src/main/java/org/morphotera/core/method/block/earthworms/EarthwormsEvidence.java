package org.morphotera.core.method.block.earthworms;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Earthworms} shows. */
final class EarthwormsEvidence implements Evidence<Earthworms.Readings> {

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Earthworms.Readings readings, Envelope envelope, DepthLayer layer) {
        Envelope.Figure worms = envelope.values().get("per200Block");
        return layer == null || worms == null
                ? List.of()
                : List.of(GroundMark.of(GroundMark.Kind.WORMS, layer, worms.value()));
    }

    @Override
    public List<Sighting> sightings(Earthworms.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .standing("worms", "earthworms")
                .figure("juveniles", "juvenilePct")
                .figure("worm-count", "perM2") // no finding of its own: none at all at many stops is one
                .list();
    }
}
