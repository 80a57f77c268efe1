package org.morphotera.core.plan;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.LandUse;

/** One sowing of a mixture for all that limits a field at once, of species that its ground lets grow. */
final class Sowing {

    private static final Set<LandUse> GRASS = Set.of(LandUse.PASTURE, LandUse.TURF);

    private final Drafts plan;
    private final Set<String> aims = new LinkedHashSet<>();
    private final Set<String> rules = new LinkedHashSet<>();
    private Limits.@Nullable Belief surest;

    Sowing(Drafts plan) {
        this.plan = plan;
    }

    /** Notes what the sowing is to answer. */
    void answers(Limits.Belief belief, String aim, String... rulesOfIt) {
        if (surest == null || belief.sure() > surest.sure()) {
            surest = belief;
        }
        aims.add(aim);
        rules.addAll(List.of(rulesOfIt));
    }

    /** The sowing; none where nothing asks for one. */
    void draft(FieldFacts facts) {
        if (surest == null) {
            return;
        }
        boolean grass = facts.landUse() != null && GRASS.contains(facts.landUse());
        if (facts.landUse() == LandUse.ORCHARD) {
            rules.add("in-the-alleys");
        }
        rules.add("sown-and-ended");
        Drafts.Inputs in = new Drafts.Inputs()
                .put("aims", List.copyOf(aims), "limits")
                .put("following", facts.crop(), "field")
                .put(
                        "phWater",
                        facts.phWater(),
                        facts.ph() == null ? null : Drafts.origin(facts.ph().source()))
                .put("ece", facts.ece(), Drafts.origin(facts.eceSource()))
                .put("wet", plan.isNamed(Constraint.WATERLOGGING) ? Boolean.TRUE : null, "limits");
        plan.add(ActionKind.COVER_CROP, surest, in, List.copyOf(rules), grass ? "oversow-grass" : null);
    }
}
