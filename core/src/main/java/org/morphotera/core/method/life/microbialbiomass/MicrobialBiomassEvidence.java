package org.morphotera.core.method.life.microbialbiomass;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link MicrobialBiomass} shows. */
final class MicrobialBiomassEvidence implements Evidence<MicrobialBiomass.Readings> {

    @Override
    public List<Sighting> sightings(MicrobialBiomass.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .standing("biomass", "microbial-biomass")
                .list();
    }
}
