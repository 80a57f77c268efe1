package org.morphotera.core.method.water.crumbstability;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link CrumbStability} shows. */
final class CrumbStabilityEvidence implements Evidence<CrumbStability.Readings> {

    @Override
    public String kind(CrumbStability.Readings readings, Envelope envelope) {
        return readings.water() == null ? null : readings.water().code();
    }

    @Override
    public List<Sighting> sightings(CrumbStability.Readings readings, Envelope envelope, DepthLayer layer) {
        boolean subsoil = DepthLayer.isSubsoil(layer);
        SightingList seen = new SightingList(envelope);
        if (!hides("dispersion", envelope)) {
            seen.standing(subsoil ? "dispersion-sub" : "dispersion-top", "dispersion");
        }
        return subsoil ? seen.list() : seen.standing("slaking", "slaking").list();
    }

    /** The salts of tap water hold clay together: dispersion is judged as not measured. */
    @Override
    public boolean hides(String indicator, Envelope envelope) {
        return indicator.equals("dispersion") && envelope.hasNote("TAP_WATER");
    }
}
