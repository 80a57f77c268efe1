package org.morphotera.training.ground;

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

    /** pH can only be read off the chips of a colour kit. */
    default boolean kitOnly() {
        return false;
    }

    /** There is no rain water at hand, so that crumbs go into tap water. */
    default boolean tapWater() {
        return false;
    }

    /** No laboratory was asked for exchangeable sodium. */
    default boolean sodiumUnknown() {
        return false;
    }
}
