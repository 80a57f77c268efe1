package org.morphotera.core.method.chemistry.salinity;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link Salinity} shows. */
final class SalinityEvidence implements Evidence<Salinity.Readings> {

    /** Extract at which hardly anything grows, dS/m: the ground is drawn full of salt. */
    private static final double HARDLY_ANYTHING_GROWS = 16;

    @Override
    public String kind(Salinity.Readings readings, Envelope envelope) {
        return readings.mode() == null ? null : readings.mode().code();
    }

    @Override
    public boolean marksGround() {
        return true;
    }

    @Override
    public List<GroundMark> marks(Salinity.Readings readings, Envelope envelope, DepthLayer layer) {
        Envelope.Figure extract = envelope.values().get("ece");
        return layer == null || extract == null
                ? List.of()
                : List.of(GroundMark.of(
                        GroundMark.Kind.SALT, layer, Math.min(1, extract.value() / HARDLY_ANYTHING_GROWS)));
    }

    @Override
    public List<Sighting> sightings(Salinity.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .figure(DepthLayer.isSubsoil(layer) ? "ece-sub" : "ece", "ece")
                .list();
    }
}
