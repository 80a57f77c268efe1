package org.morphotera.core.plan;

import java.util.List;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.calculator.DrainSpacing;
import org.morphotera.core.plan.order.ActionKind;

/**
 * Water that stands is led off the surface first. Pipes lie in the ground for decades: they are spoken of only where the
 * permeability is known above and below them and they may lie far enough apart, and never in a garden.
 */
final class WetGround {

    /** The code by which drains are held that only one permeability speaks for. */
    static final String ONE_PERMEABILITY = "second-permeability";

    private static final double DRAIN_DEPTH_M = 0.9;
    private static final double WATER_TABLE_M = 0.5;
    private static final double TIGHT_FLOOR_M = 2.4;
    private static final double DISCHARGE_MM_DAY = 7;

    private final Drafts plan;
    private final FieldFacts facts;
    private final Limits.Belief belief;

    WetGround(Drafts plan, FieldFacts facts, Limits.Belief belief) {
        this.plan = plan;
        this.facts = facts;
        this.belief = belief;
    }

    /** Where water stands. */
    void standing() {
        if (facts.garden()) {
            plan.add(ActionKind.SURFACE_OUTLETS, belief, List.of("garden-beds"));
            plan.hold(ActionKind.DRAIN, belief, "garden-drain");
            return;
        }
        plan.add(ActionKind.SURFACE_OUTLETS, belief, List.of("surface-first"));
        pipes();
    }

    /** A way out for salt that is washed down. */
    void outlet() {
        if (facts.garden()) {
            plan.hold(ActionKind.DRAIN, belief, "garden-drain");
        } else {
            pipes();
        }
    }

    private void pipes() {
        Double hole = facts.permeability().hole();
        Double below = facts.permeability().below();
        // a ring in the subsoil speaks for what lies above it too, where no hole was dug; a hole alone does not for
        // below
        Double above = hole == null ? below : hole;
        Drafts.Inputs in = new Drafts.Inputs()
                .put("permeabilityAboveMmH", above, hole == null ? "ring-below" : "straight-down")
                .put("permeabilityBelowMmH", below, "ring-below")
                .put("drainDepthM", DRAIN_DEPTH_M, "default")
                .put("waterTableDepthM", WATER_TABLE_M, "default")
                .put("impermeableDepthM", TIGHT_FLOOR_M, "default")
                .put("dischargeMmDay", DISCHARGE_MM_DAY, "default");
        plan.add(ActionKind.DRAIN, belief, in, List.of("drain-first", "licensed"), refused(above, below));
    }

    private static String refused(Double above, Double below) {
        if (above != null && !isWorthIt(above, below == null ? above : below)) {
            return "too-tight";
        }
        return below == null ? ONE_PERMEABILITY : null;
    }

    /** Closer than this, m, parallel drains are not worth their digging. */
    private static final double CLOSEST_DRAINS_M = 8;

    private static boolean isWorthIt(double above, double below) {
        return above > 0
                && below > 0
                && DrainSpacing.usualM(above, below, DRAIN_DEPTH_M, WATER_TABLE_M, TIGHT_FLOOR_M, DISCHARGE_MM_DAY)
                        >= CLOSEST_DRAINS_M;
    }
}
