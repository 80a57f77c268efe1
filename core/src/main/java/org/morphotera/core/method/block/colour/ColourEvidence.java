package org.morphotera.core.method.block.colour;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/** What {@link Colour} shows. */
final class ColourEvidence implements Evidence<Colour.Readings> {

    @Override
    public Source source(Colour.Readings readings) {
        return Source.KIT;
    }

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Colour.Readings readings, Envelope envelope, DepthLayer layer) {
        Colour.Notation sample = readings.sample();
        if (layer == null || Boolean.FALSE.equals(readings.moist()) || sample == null || !sample.whole()) {
            return List.of(); // a dry soil is paler than it lies in the ground
        }
        return List.of(GroundMark.colour(layer, ColourDifference.shown(sample).hex()));
    }

    @Override
    public List<Sighting> sightings(Colour.Readings readings, Envelope envelope, DepthLayer layer) {
        return DepthLayer.isSubsoil(layer)
                ? List.of() // paler by nature
                : new SightingList(envelope).figure("colour", "valueDifference").list();
    }
}
