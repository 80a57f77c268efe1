package org.morphotera.core.judgement;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

/** By how much an amount of lime should raise pH: the table by which the amount is worked out, read backwards. */
final class LimeRise {

    /** Standard deviation of the rise as a share of it. */
    static final double UNCERTAIN = 0.5;

    private LimeRise() {}

    /** @param limeTHa calcium carbonate, t/ha, over the depth that is usual for the land use */
    static double of(double limeTHa, FigureScore.Place place, Benchmarks benchmarks) {
        TextureGroup group = place.textureGroup() == null ? TextureGroup.MEDIUM : place.textureGroup();
        String column = place.landUse() == LandUse.PASTURE ? "pasture" : "others";
        return limeTHa / benchmarks.table("plan.lime-factor").at(group.code(), column);
    }
}
