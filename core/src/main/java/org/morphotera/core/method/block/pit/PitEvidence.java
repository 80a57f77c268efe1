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
        List<Sighting> seen = new ArrayList<>();
        PitLayer hard = PitLayer.of(readings.horizons());
        if (readings.standingWaterMm() != null) {
            seen.add(Sighting.of("standing-water", isWet(readings)));
        }
        if (hard != null) {
            seen.add(Sighting.of("pit-layer", hard.state()));
            if (hard.bottomMm() != null) {
                seen.add(Sighting.of("layer-bottom", hard.bottomMm())); // no finding of its own: loosening asks for it
            }
        }
        return seen;
    }

    /**
     * Water within the reach of roots. Deep water is no wetness, and water under a dry layer that roots don't pass stands
     * below what the crop lives in: the layer is the matter there.
     */
    private static boolean isWet(Pit.Readings readings) {
        double water = readings.standingWaterMm();
        return water > 0
                && water <= WET_TO_MM
                && readings.horizons().stream()
                        .noneMatch(each -> each.bottomMm() <= water
                                && each.moisture() == Pit.Moisture.DRY
                                && each.roots() == Pit.RootAmount.NONE);
    }

    private static final double WET_TO_MM = 600;
}
