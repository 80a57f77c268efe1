package org.morphotera.core.method.aboveground.plantsap;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link PlantSap} shows. */
final class PlantSapEvidence implements Evidence<PlantSap.Readings> {

    @Override
    public List<Sighting> sightings(PlantSap.Readings readings, Envelope envelope, DepthLayer layer) {
        return List.of(); // context for others: speaks of no constraint by itself
    }
}
