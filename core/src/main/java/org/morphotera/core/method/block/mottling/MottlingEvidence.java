package org.morphotera.core.method.block.mottling;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Mottling} shows. */
final class MottlingEvidence implements Evidence<Mottling.Readings> {

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Mottling.Readings readings, Envelope envelope, DepthLayer layer) {
        if (layer == null) {
            return List.of();
        }
        double share = share(readings.rustPct()) + share(readings.blackPct());
        if (share == 0 && readings.score() != null) {
            share = (2 - readings.score()) / 2 * Mottling.COMMON_UNDER_PCT / 100;
        }
        return List.of(GroundMark.of(GroundMark.Kind.MOTTLES, layer, share));
    }

    @Override
    public List<Sighting> sightings(Mottling.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .figure("mottling", "score")
                .number("grey", readings.greyPct())
                .list();
    }

    private static double share(Double pct) {
        return pct == null ? 0 : pct / 100;
    }
}
