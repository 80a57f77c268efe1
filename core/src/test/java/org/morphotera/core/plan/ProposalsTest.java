package org.morphotera.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits.Belief;
import org.morphotera.core.plan.Proposals.Proposal;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

class ProposalsTest {

    private static List<Proposal> of(Set<Constraint> named, boolean drained, boolean wet, Double esp) {
        List<Belief> beliefs = new ArrayList<>();
        for (Constraint constraint : Constraint.values()) {
            beliefs.add(new Belief(constraint, 0.1, named.contains(constraint) ? 0.9 : 0.02, List.of()));
        }
        FieldFacts facts = new FieldFacts(
                LandUse.ARABLE,
                TextureGroup.FINE,
                "barley",
                6,
                5.1,
                0.2,
                false,
                11.0,
                esp,
                24.0,
                false,
                6.0,
                290.0,
                drained,
                wet);
        return Proposals.of(beliefs, facts, CoreData.BENCHMARKS);
    }

    private static List<ActionKind> kinds(List<Proposal> proposals) {
        return proposals.stream().map(Proposal::kind).toList();
    }

    @Test
    void drainageComesFirstAndASodicSaltySoilGetsGypsumBeforeItIsLeached() {
        List<Proposal> plan = of(Set.of(Constraint.SALINITY, Constraint.SODICITY), false, false, 13.0);
        assertThat(kinds(plan))
                .containsSubsequence(ActionKind.DRAIN, ActionKind.GYPSUM, ActionKind.LEACH, ActionKind.COVER_CROP);
        assertThat(plan.get(2).rules()).contains("after-drain", "gypsum-before-leaching");
    }

    @Test
    void saltWithoutSodiumIsLeachedWithoutGypsum() {
        List<Proposal> plan = of(Set.of(Constraint.SALINITY), true, false, 2.0);
        assertThat(kinds(plan)).containsExactly(ActionKind.LEACH, ActionKind.COVER_CROP);
        assertThat(plan.get(0).rules()).containsExactly("no-gypsum-needed");
    }

    @Test
    void acidAndSodicGetsLimeFirst() {
        List<Proposal> plan = of(Set.of(Constraint.ACIDITY, Constraint.SODICITY), true, false, 13.0);
        assertThat(kinds(plan)).containsExactly(ActionKind.LIME, ActionKind.GYPSUM);
        assertThat(plan.get(1).rules()).contains("lime-first", "confirm-first");
        assertThat(plan.get(0).inputs()).containsEntry("phWater", 5.1).containsEntry("phHalfWidth", 0.2);
        assertThat(plan.get(0).origins()).containsEntry("phWater", "reading").containsEntry("targetPh", "window");
    }

    @Test
    void looseningComesBeforeRootsAndWaitsWhenWet() {
        List<Proposal> plan = of(Set.of(Constraint.COMPACTION_LAYER), true, true, null);
        assertThat(kinds(plan)).containsExactly(ActionKind.LOOSEN, ActionKind.COVER_CROP);
        assertThat(plan.get(0).rules()).containsExactly("too-wet");
        assertThat(plan.get(1).rules()).containsExactly("loosen-before-roots");
    }

    @Test
    void freeLimeGetsNoSulfurAndASoundSoilNothing() {
        assertThat(of(Set.of(Constraint.FREE_LIME), true, false, null).get(0).rules())
                .containsExactly("no-sulfur");
        assertThat(of(Set.of(), true, false, null)).isEmpty();
    }
}
