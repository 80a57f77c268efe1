package org.morphotera.core.method.chemistry.fizz;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Fizz} shows. */
final class FizzEvidence implements Evidence<Fizz.Readings> {

    @Override
    public String kind(Fizz.Readings readings, Envelope envelope) {
        return readings.acid() == null ? null : readings.acid().code();
    }

    @Override
    public List<Sighting> sightings(Fizz.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .state(
                        DepthLayer.isSubsoil(layer) ? "fizz-sub" : "fizz",
                        envelope.classes().get("carbonate"))
                .list();
    }
}
