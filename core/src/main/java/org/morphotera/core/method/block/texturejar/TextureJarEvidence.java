package org.morphotera.core.method.block.texturejar;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.TextureClass;

/** What {@link TextureJar} shows. */
final class TextureJarEvidence implements Evidence<TextureJar.Readings> {

    @Override
    public String kind(TextureJar.Readings readings, Envelope envelope) {
        return readings.marks() == null ? null : readings.marks().code();
    }

    @Override
    public List<Sighting> sightings(TextureJar.Readings readings, Envelope envelope, DepthLayer layer) {
        return TextureJar.textureClass(envelope) instanceof String code
                ? List.of(Sighting.of(
                        "texture-group",
                        Coded.find(TextureClass.values(), code).group().code()))
                : List.of();
    }
}
