package org.morphotera.core.ground;

import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;

/** The truth at one place on one day, which simulated tests read with their scatter. */
public interface MadeUpSoil {

    /** The true figure, in the property's unit. */
    double get(SoilProperty property);

    TextureClass texture();

    LandUse landUse();

    /** A crop of the tables, or {@code null}. */
    String crop();

    /** Baked dry on the day: a probe meets more, worms hide, crumbs are weaker, salts stand higher. */
    boolean dry();

    /** No laboratory was asked for exchangeable sodium. */
    default boolean sodiumUnknown() {
        return false;
    }
}
