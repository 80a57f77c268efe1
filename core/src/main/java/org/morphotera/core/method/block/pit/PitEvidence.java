package org.morphotera.core.method.block.pit;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Pit} shows. */
final class PitEvidence implements Evidence<Pit.Readings> {

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Pit.Readings readings, Envelope envelope, DepthLayer layer) {
        List<GroundMark> marks = new ArrayList<>();
        if (readings.standingWaterMm() != null) {
            marks.add(GroundMark.water(readings.standingWaterMm()));
        }
        for (Pit.Horizon horizon : readings.horizons() == null ? List.<Pit.Horizon>of() : readings.horizons()) {
            if (horizon.topMm() != null && horizon.bottomMm() != null) {
                DepthLayer own = new DepthLayer(horizon.topMm(), horizon.bottomMm());
                add(marks, GroundMark.Kind.STONES, own, horizon.stonesPct());
                add(marks, GroundMark.Kind.MOTTLES, own, horizon.rustPct());
            }
        }
        return marks;
    }

    private static void add(List<GroundMark> marks, GroundMark.Kind kind, DepthLayer layer, Object pct) {
        if (pct instanceof Number share && share.doubleValue() > 0) {
            marks.add(GroundMark.of(kind, layer, share.doubleValue() / 100));
        }
    }

    @Override
    public List<Sighting> sightings(Pit.Readings readings, Envelope envelope, DepthLayer layer) {
        return readings.standingWaterMm() != null
                ? List.of(Sighting.of("standing-water", readings.standingWaterMm() > 0))
                : List.of(); // not looked for
    }
}
