package org.morphotera.core.method.aboveground.surfacelife;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link SurfaceLife} shows. */
final class SurfaceLifeEvidence implements Evidence<SurfaceLife.Readings> {

    @Override
    public List<Sighting> sightings(SurfaceLife.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .standing("surface-life", "surface-life")
                .list();
    }
}
