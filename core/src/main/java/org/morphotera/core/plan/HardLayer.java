package org.morphotera.core.plan;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.LandUse;

/**
 * A layer is loosened where it was met, just below it, in ground that shatters: not in gardens or under grass, not before
 * sodium and standing water are seen to, and not where the tines of a loosener don't reach or would go too shallow.
 */
final class HardLayer {

    private static final Set<LandUse> GRASS = Set.of(LandUse.PASTURE, LandUse.TURF);

    /** So deep looseners work, mm; 25 to 50 mm below the layer. */
    private static final double SHALLOWEST_MM = 250;

    private static final double DEEPEST_MM = 450;
    private static final double BELOW_MM = 37.5;

    private HardLayer() {}

    static void draft(Drafts plan, FieldFacts facts, Limits.Belief belief) {
        Double bottom = facts.layerBottomMm();
        Drafts.Inputs in = new Drafts.Inputs()
                .put("layerFound", bottom == null ? null : true, "reading")
                .put("layerBottomMm", bottom, "reading");
        // whether it is dry enough is asked of the layer itself, and never taken from the look of the day
        plan.add(
                ActionKind.LOOSEN, belief, in, List.of("roll-a-worm", "wheels-on-lanes"), refused(plan, facts, bottom));
    }

    private static @Nullable String refused(Drafts plan, FieldFacts facts, @Nullable Double bottom) {
        if (facts.garden()) {
            return "garden-fork";
        }
        if (facts.landUse() != null && GRASS.contains(facts.landUse())) {
            return "grass-slit";
        }
        if (bottom == null) {
            return "layer-first";
        }
        if (bottom + BELOW_MM < SHALLOWEST_MM) {
            return "layer-shallow";
        }
        if (bottom + BELOW_MM > DEEPEST_MM) {
            return "layer-deep";
        }
        if (plan.isNamed(Constraint.SODICITY)) {
            return "sodium-before-loosening";
        }
        return plan.isNamed(Constraint.WATERLOGGING) && !facts.drained() ? "after-drain" : null;
    }
}
