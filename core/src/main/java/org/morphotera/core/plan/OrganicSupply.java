package org.morphotera.core.plan;

import java.util.List;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.LandUse;

/**
 * Compost: not more than brings 170 kg/ha of nitrogen a year to a field (Council Directive 91/676/EEC); none beside a
 * surplus of nitrogen.
 */
final class OrganicSupply {

    private static final double COMPOST_CN = 15;
    private static final double GARDEN_MM = 20;

    /** Of a usual compost (500 kg/m³, 60 % dry, 30 % of that carbon, C : N 15) 2 mm bring 120 kg/ha of nitrogen, 3 mm 180. */
    private static final double FIELD_MM = 2;

    private OrganicSupply() {}

    static void draft(Drafts plan, FieldFacts facts, Limits.Belief belief) {
        boolean garden =
                facts.garden() && (facts.landUse() == LandUse.VEGETABLE || facts.landUse() == LandUse.LANDSCAPE);
        Drafts.Inputs in = new Drafts.Inputs()
                .put("thicknessMm", garden ? GARDEN_MM : FIELD_MM, "default")
                .area(facts)
                .put("cnRatio", COMPOST_CN, "default");
        plan.add(
                ActionKind.COMPOST,
                belief,
                in,
                List.of(garden ? "garden-compost" : "nitrogen-ceiling"),
                plan.isNamed(Constraint.NITROGEN_MASKING) ? "surplus-nitrogen" : null);
    }
}
