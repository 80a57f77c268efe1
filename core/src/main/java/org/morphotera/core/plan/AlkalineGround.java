package org.morphotera.core.plan;

import java.util.List;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;

/** Free lime holds a pH up for decades: what helps is what lives with it. */
final class AlkalineGround {

    private AlkalineGround() {}

    static void draft(Drafts plan, Limits.Belief belief) {
        plan.hold(ActionKind.SULFUR, belief, "no-sulfur");
        plan.add(ActionKind.TOLERANT_CROPS, belief, List.of("banded-nutrients", "acidifying-nitrogen"));
    }
}
