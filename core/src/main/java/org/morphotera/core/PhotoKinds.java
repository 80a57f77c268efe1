package org.morphotera.core;

import java.util.List;
import org.morphotera.core.method.aboveground.groundcover.CoverPhoto;
import org.morphotera.core.method.block.colour.ColourPhoto;
import org.morphotera.core.method.block.texturejar.JarPhoto;
import org.morphotera.core.method.water.crumbstability.CrumbsPhoto;
import org.morphotera.core.photo.PhotoReadings;

/** The one list of all readings from pictures. */
public final class PhotoKinds {

    private PhotoKinds() {}

    /** All of them. */
    public static PhotoReadings all() {
        return new PhotoReadings(List.of(new CoverPhoto(), new JarPhoto(), new ColourPhoto(), new CrumbsPhoto()));
    }
}
