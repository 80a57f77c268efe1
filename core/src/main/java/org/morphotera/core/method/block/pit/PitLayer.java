package org.morphotera.core.method.block.pit;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A hard layer in the wall of a pit: a horizon within the reach of looseners that is stronger than the one above it and
 * that roots pass in smaller number.
 *
 * @param state none, firm or hard
 * @param bottomMm of the layer; {@code null} where there is none
 */
record PitLayer(String state, @Nullable Double bottomMm) {

    private static final double SHALLOWEST_MM = 80;
    private static final double DEEPEST_MM = 600;
    private static final double HARD_KPA = 2000;
    private static final double FIRM_KPA = 1500;
    private static final double HARD_STRUCTURE = 4.5;
    private static final double FIRM_STRUCTURE = 3.5;

    /** @return {@code null} where nobody scored structure or pushed a probe into the wall */
    static @Nullable PitLayer of(@Nullable List<Pit.Horizon> horizons) {
        if (horizons == null || horizons.stream().allMatch(each -> each.kPa() == null && each.structure() == null)) {
            return null;
        }
        PitLayer firm = null;
        for (int i = 1; i < horizons.size(); i++) {
            Pit.Horizon above = horizons.get(i - 1);
            Pit.Horizon here = horizons.get(i);
            if (here.topMm() < SHALLOWEST_MM || here.topMm() > DEEPEST_MM || !isStopped(above, here)) {
                continue;
            }
            if (is(here, HARD_KPA, HARD_STRUCTURE) && !is(above, HARD_KPA, HARD_STRUCTURE)) {
                return new PitLayer("hard", here.bottomMm());
            }
            if (firm == null && is(here, FIRM_KPA, FIRM_STRUCTURE) && !is(above, FIRM_KPA, FIRM_STRUCTURE)) {
                firm = new PitLayer("firm", here.bottomMm());
            }
        }
        return firm == null ? new PitLayer("none", null) : firm;
    }

    private static boolean is(Pit.Horizon horizon, double kPa, double structure) {
        return horizon.kPa() != null && horizon.kPa() >= kPa
                || horizon.structure() != null && horizon.structure() >= structure;
    }

    private static boolean isStopped(Pit.Horizon above, Pit.Horizon here) {
        return here.roots().compareTo(above.roots()) > 0;
    }
}
