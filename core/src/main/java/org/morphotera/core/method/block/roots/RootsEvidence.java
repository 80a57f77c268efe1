package org.morphotera.core.method.block.roots;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Roots} shows. */
final class RootsEvidence implements Evidence<Roots.Readings> {

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Roots.Readings readings, Envelope envelope, DepthLayer layer) {
        return readings.eightyPctDepthMm() != null
                ? List.of(GroundMark.roots(readings.eightyPctDepthMm(), "rooting"))
                : List.of();
    }

    @Override
    public List<Sighting> sightings(Roots.Readings readings, Envelope envelope, DepthLayer layer) {
        SightingList seen = new SightingList(envelope)
                .state("root-barrier", envelope.classes().get("barrier"))
                .flag("bent-roots", readings.bent());
        return Boolean.TRUE.equals(readings.legume())
                ? seen.state(
                                "nodules",
                                readings.nodules() == null
                                        ? null
                                        : readings.nodules().code())
                        .list()
                : seen.list();
    }
}
