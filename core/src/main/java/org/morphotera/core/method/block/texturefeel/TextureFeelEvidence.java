package org.morphotera.core.method.block.texturefeel;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What {@link TextureFeel} shows. */
final class TextureFeelEvidence implements Evidence<TextureFeel.Readings> {

    @Override
    public String kind(TextureFeel.Readings readings, Envelope envelope) {
        return readings.key() == null ? null : readings.key().code();
    }

    @Override
    public List<Sighting> sightings(TextureFeel.Readings readings, Envelope envelope, DepthLayer layer) {
        return new SightingList(envelope)
                .state("texture-group", envelope.classes().get("textureGroup"))
                .list();
    }
}
