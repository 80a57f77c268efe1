package org.morphotera.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;

/** Salt is washed out once water can leave, sodium is replaced by gypsum before. */
final class SaltyGround {

    private static final double SALT_FREE_ECE = 4;

    private final Drafts plan;
    private final FieldFacts facts;
    private final Limits.Belief belief;

    SaltyGround(Drafts plan, FieldFacts facts, Limits.Belief belief) {
        this.plan = plan;
        this.facts = facts;
        this.belief = belief;
    }

    /** By the laboratory's sodium, else a strip of it beside one left out. */
    void sodium() {
        boolean measured = facts.espPct() != null && facts.cecCmolKg() != null;
        Drafts.Inputs in = new Drafts.Inputs();
        if (measured) {
            in.put("espPct", facts.espPct(), "laboratory").put("cecCmolKg", facts.cecCmolKg(), "laboratory");
        }
        in.area(facts);
        List<String> rules = new ArrayList<>(List.of("confirm-first", "gypsum-before-leaching"));
        if (!measured) {
            rules.add("gypsum-strip");
        }
        if (plan.isNamed(Constraint.ACIDITY) || plan.isNamed(Constraint.SUBSURFACE_ACIDITY)) {
            rules.add("lime-first");
        }
        boolean low = measured && facts.espPct() < OrderRules.SODIC_FROM_PCT;
        plan.add(ActionKind.GYPSUM, belief, in, rules, low ? "sodium-low" : null);
    }

    void salt() {
        Table crops = plan.table("salinity.crops");
        boolean known = facts.crop() != null && crops.has(facts.crop());
        double stands = known ? crops.at(facts.crop(), "threshold") : SALT_FREE_ECE;
        if (facts.ece() != null && facts.ece() <= stands) {
            // this crop loses nothing by it
            plan.hold(ActionKind.LEACH, belief, "stands-salt");
            return;
        }
        if (!facts.drained()) {
            new WetGround(plan, facts, belief).outlet();
        }
        boolean sodic = plan.isNamed(Constraint.SODICITY)
                || facts.disperses()
                || facts.espPct() != null && facts.espPct() >= OrderRules.SODIC_FROM_PCT;
        Drafts.Inputs in = new Drafts.Inputs()
                .put("eceNow", facts.ece(), Drafts.origin(facts.eceSource()))
                .put("eceTarget", stands, known ? "crop" : "default")
                .put("way", "sprinkled", "default")
                .put("drained", facts.drained(), "events");
        if (known) {
            in.put("cropThresholdEce", stands, "crop");
        }
        List<String> rules = new ArrayList<>();
        if (!facts.drained()) {
            rules.add("after-drain");
        }
        boolean hidden = facts.saltMayHideSodium() && !plan.isNamed(Constraint.SODICITY);
        rules.add(hidden ? "esp-first" : sodic ? "gypsum-before-leaching" : "no-gypsum-needed");
        String held = facts.ece() == null ? "salt-first" : hidden ? "esp-first" : null;
        plan.add(ActionKind.LEACH, belief, in, rules, held);
    }
}
