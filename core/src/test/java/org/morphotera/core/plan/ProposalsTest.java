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
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
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
                new FieldFacts.Treated(6.0, false),
                new FieldFacts.Ph(5.1, 0.2, Source.METER),
                5.0,
                11.0,
                Source.METER,
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
    void saltIsWashedDownToFourWhereNoCropIsNamed() {
        FieldFacts facts = new FieldFacts(
                LandUse.ARABLE,
                TextureGroup.FINE,
                null,
                6,
                new FieldFacts.Treated(6.0, false),
                null,
                null,
                11.0,
                Source.METER,
                2.0,
                null,
                false,
                null,
                null,
                true,
                false);
        Proposal leach = Proposals.of(
                        List.of(new Belief(Constraint.SALINITY, 0.1, 0.9, List.of())), facts, CoreData.BENCHMARKS)
                .get(0);
        assertThat(leach.kind()).isEqualTo(ActionKind.LEACH);
        assertThat(leach.inputs()).containsEntry("eceTarget", 4.0);
        assertThat(leach.origins()).containsEntry("eceTarget", "default");
    }

    @Test
    void acidAndSodicGetsLimeFirst() {
        List<Proposal> plan = of(Set.of(Constraint.ACIDITY, Constraint.SODICITY), true, false, 13.0);
        assertThat(kinds(plan)).containsExactly(ActionKind.LIME, ActionKind.GYPSUM);
        assertThat(plan.get(1).rules()).contains("lime-first", "confirm-first");
        assertThat(plan.get(0).inputs()).containsEntry("phWater", 5.1).containsEntry("phHalfWidth", 0.2);
        assertThat(plan.get(0).origins()).containsEntry("phWater", "meter").containsEntry("targetPh", "window");
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

    private static List<Proposal> lime(String crop, FieldFacts.Ph ph, Double subsoilPh, Constraint named) {
        List<Belief> beliefs = List.of(new Belief(named, 0.1, 0.9, List.of()));
        FieldFacts facts = new FieldFacts(
                LandUse.ARABLE,
                TextureGroup.MEDIUM,
                crop,
                6,
                new FieldFacts.Treated(6.0, false),
                ph,
                subsoilPh,
                null,
                null,
                null,
                null,
                false,
                null,
                null,
                true,
                false);
        return Proposals.of(beliefs, facts, CoreData.BENCHMARKS);
    }

    @Test
    void noLimeWherePhLiesInsideTheCropsWindow() {
        FieldFacts.Ph sour = new FieldFacts.Ph(5.0, 0.1, Source.LABORATORY);
        assertThat(lime("potato", sour, null, Constraint.ACIDITY)).isEmpty();
        assertThat(kinds(lime("barley", sour, null, Constraint.ACIDITY))).containsExactly(ActionKind.LIME);
    }

    @Test
    void limeGoesByTheBestSourceAndSaysWhich() {
        Proposal byKit = lime("barley", new FieldFacts.Ph(5.5, 0.5, Source.KIT), null, Constraint.ACIDITY)
                .get(0);
        assertThat(byKit.inputs()).containsEntry("fromKit", true).containsEntry("phHalfWidth", 0.5);
        assertThat(byKit.origins()).containsEntry("phWater", "kit");
        Proposal byLaboratory = lime("barley", new FieldFacts.Ph(5.5, 0.1, Source.LABORATORY), null, Constraint.ACIDITY)
                .get(0);
        assertThat(byLaboratory.inputs()).containsEntry("fromKit", false);
        assertThat(byLaboratory.origins()).containsEntry("phWater", "laboratory");
    }

    @Test
    void aSourSubsoilIsLimedByItsOwnPhAndATargetInsideTheWindow() {
        FieldFacts.Ph fineTop = new FieldFacts.Ph(6.6, 0.2, Source.METER);
        Proposal lime =
                lime("barley", fineTop, 5.0, Constraint.SUBSURFACE_ACIDITY).get(0);
        assertThat(lime.inputs()).containsEntry("phWater", 5.0);
        assertThat((Double) lime.inputs().get("targetPh")).isBetween(6.2, 7.8);
        assertThat(lime("barley", fineTop, 6.4, Constraint.SUBSURFACE_ACIDITY)).isEmpty();
    }

    @Test
    void leachingIsHeldBackWhileSaltMayHideSodium() {
        Proposal held = of(Set.of(Constraint.SALINITY), true, false, null).get(0);
        assertThat(held.kind()).isEqualTo(ActionKind.LEACH);
        assertThat(held.held()).isEqualTo("esp-first");
        assertThat(of(Set.of(Constraint.SALINITY), true, false, 2.0).get(0).isHeld())
                .isFalse();
        // sodium is named already: gypsum goes with it
        assertThat(of(Set.of(Constraint.SALINITY, Constraint.SODICITY), true, false, null))
                .noneMatch(Proposal::isHeld);
    }
}
