package org.morphotera.core.method.surface.soiltemperature;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link SoilTemperature} shows. */
final class SoilTemperatureEvidence implements Evidence<SoilTemperature.Readings> {

    @Override
    public List<Sighting> sightings(SoilTemperature.Readings readings, Envelope envelope, DepthLayer layer) {
        return List.of(); // context for others: speaks of no constraint by itself
    }
}
