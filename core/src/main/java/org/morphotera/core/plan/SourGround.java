package org.morphotera.core.plan;

import java.util.List;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.Source;

/**
 * Lime, to the layer that is sour. What is spread on top moves about 10 mm a year, so over a sound topsoil it would only
 * raise that too far: then roots that stand it are the way, or placing it deep.
 */
final class SourGround {

    /** So far over its target a topsoil may go for the sake of what lies below it. */
    private static final double SURPLUS_PH = 0.2;

    private final Drafts plan;
    private final FieldFacts facts;
    private final Limits.Belief belief;

    SourGround(Drafts plan, FieldFacts facts, Limits.Belief belief) {
        this.plan = plan;
        this.facts = facts;
        this.belief = belief;
    }

    private PhWindow window() {
        return PhWindow.of(facts.crop(), facts.landUse(), plan.table("ph.windows"));
    }

    /** The pH that lime is spread up to: what is advised for the crop, not the middle of what it stands. */
    private double target(PhWindow window) {
        return plan.table("ph.advised").at(window.crop(), "ph");
    }

    /** No lime where the pH that it is to mend lies inside the crop's window, whatever else speaks for it. */
    void topsoil() {
        PhWindow window = window();
        FieldFacts.Ph ph = facts.ph();
        if (ph == null || ph.water() < window.low()) {
            lime(ph, target(window), List.of("confirm-first", "lime-before-legumes"));
        }
    }

    /** A topsoil under its target gets lime up to a little above it, year by year, and the surplus goes down. */
    void subsoil() {
        if (plan.isNamed(Constraint.ACIDITY)) {
            return;
        }
        PhWindow window = window();
        FieldFacts.Ph top = facts.ph();
        double target = target(window);
        if (top == null) {
            plan.hold(ActionKind.LIME, belief, "topsoil-first");
        } else if (top.water() >= target) {
            plan.hold(ActionKind.LIME, belief, "sound-topsoil");
        } else {
            lime(top, Math.rint(10 * (target + SURPLUS_PH)) / 10, List.of("confirm-first", "lime-moves-down"));
        }
        if (facts.subsoilPh() == null || facts.subsoilPh() < window.low()) {
            plan.add(ActionKind.TOLERANT_CROPS, belief, List.of("sour-subsoil"));
        }
    }

    private void lime(FieldFacts.Ph ph, double target, List<String> rules) {
        String origin = ph == null ? null : Drafts.origin(ph.source());
        Drafts.Inputs in = new Drafts.Inputs()
                .put("school", "texture-factor", "default")
                .put("phWater", ph == null ? null : ph.water(), origin)
                .put("targetPh", target, "window")
                .put("phHalfWidth", ph == null ? null : ph.halfWidth(), origin)
                .put("fromKit", ph == null ? null : ph.source() == Source.KIT, origin)
                .ground(facts);
        // how much lime a unit of pH takes goes by the texture
        String held = ph == null ? "ph-first" : facts.textureGroup() == null ? "texture-first" : null;
        plan.add(ActionKind.LIME, belief, in, rules, held);
    }
}
