package org.morphotera.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.TextureGroup;

/** What a crop needs of a nutrient that its soil is short of; none beside a surplus. A kit's colour has no amount. */
final class Nourishment {

    private Nourishment() {}

    /** A soil short of a nutrient. */
    static void lacking(String nutrient, Drafts plan, FieldFacts facts, Limits.Belief belief) {
        boolean laboratory = belief.evidence().stream()
                .anyMatch(each -> each.finding().equals("lab-" + nutrient) && each.weight() > 0);
        boolean salty = plan.isNamed(Constraint.SALINITY);
        Drafts.Inputs in = new Drafts.Inputs()
                .put("nutrient", nutrient, "limits")
                .put("crop", facts.crop(), "field")
                .put("landUse", facts.landUse() == null ? null : facts.landUse().code(), "field")
                .put(
                        "textureGroup",
                        facts.textureGroup() == null
                                ? null
                                : facts.textureGroup().code(),
                        "reading")
                .put("salty", salty ? Boolean.TRUE : null, "limits")
                .ground(facts);
        List<String> rules = new ArrayList<>(List.of("local-tables"));
        if (salty || facts.textureGroup() == TextureGroup.COARSE) {
            rules.add("small-and-often");
        }
        plan.add(ActionKind.FERTILISE, belief, in, rules, laboratory ? null : "laboratory-first");
    }

    /** Straw or wood holds the nitrogen for now. */
    static void lockedUp(Drafts plan, Limits.Belief belief) {
        plan.add(ActionKind.NITROGEN_OR_PATIENCE, belief, List.of("confirm-first"));
    }

    /** More soluble nitrogen than the soil would give. */
    static void surplus(Drafts plan, Limits.Belief belief) {
        plan.add(ActionKind.LESS_NITROGEN, belief, List.of("confirm-first", "none-this-year"));
    }
}
