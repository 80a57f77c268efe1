package org.morphotera.core.method.chemistry.nutrientkit;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/** What {@link NutrientKit} shows. */
final class NutrientKitEvidence implements Evidence<NutrientKit.Readings> {

    @Override
    public Source source(NutrientKit.Readings readings) {
        return Source.KIT;
    }

    @Override
    public List<Sighting> sightings(NutrientKit.Readings readings, Envelope envelope, DepthLayer layer) {
        return DepthLayer.isSubsoil(layer)
                ? List.of()
                : new SightingList(envelope)
                        .figure("kit-nitrogen", "n")
                        .figure("kit-phosphorus", "p")
                        .figure("kit-potassium", "k")
                        .list();
    }
}
