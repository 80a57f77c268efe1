package org.morphotera.core.method.aboveground.leafcolour;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link LeafColour} shows. */
final class LeafColourEvidence implements Evidence<LeafColour.Readings> {

    @Override
    public List<Sighting> sightings(LeafColour.Readings readings, Envelope envelope, DepthLayer layer) {
        return List.of(); // context for others: speaks of no constraint by itself
    }
}
