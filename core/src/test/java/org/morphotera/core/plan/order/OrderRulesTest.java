package org.morphotera.core.plan.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.order.OrderRules.Breach;
import org.morphotera.core.plan.order.OrderRules.Stage;
import org.morphotera.core.plan.order.OrderRules.Step;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

class OrderRulesTest {

    private static final LocalDate MARCH = LocalDate.of(2030, 3, 1);
    private static final LocalDate MAY = LocalDate.of(2030, 5, 1);

    private static OrderRules rules(boolean drained, boolean disperses, Double esp, Constraint... named) {
        return salty(drained, disperses, null, esp, named);
    }

    private static OrderRules salty(boolean drained, boolean disperses, Double ece, Double esp, Constraint... named) {
        return new OrderRules(
                new FieldFacts(
                        LandUse.ARABLE,
                        TextureGroup.FINE,
                        null,
                        1,
                        null,
                        null,
                        null,
                        ece,
                        null,
                        esp,
                        null,
                        disperses,
                        FieldFacts.Permeability.UNKNOWN,
                        null,
                        drained,
                        false),
                Set.of(named));
    }

    private static Step agreed(ActionKind kind, LocalDate from) {
        return new Step(kind, null, Map.of(), Stage.AGREED, from);
    }

    private static Step done(ActionKind kind) {
        return new Step(kind, null, Map.of(), Stage.DONE, null);
    }

    private static Step covering(Constraint constraint, String aim, LocalDate from) {
        return new Step(ActionKind.COVER_CROP, constraint, Map.of("aims", List.of(aim)), Stage.AGREED, from);
    }

    @Test
    void nothingIsLeachedWhereWaterCantLeave() {
        Step leach = agreed(ActionKind.LEACH, MAY);
        OrderRules wet = rules(false, false, null);
        assertThat(wet.breaches(leach, List.of(), true)).containsExactly(new Breach("state", "DRAIN_FIRST"));
        assertThat(wet.breaches(leach, List.of(agreed(ActionKind.DRAIN, MARCH)), true))
                .isEmpty();
        assertThat(wet.breaches(leach, List.of(done(ActionKind.DRAIN)), true)).isEmpty();
        assertThat(rules(true, false, null).breaches(leach, List.of(), true)).isEmpty();
    }

    @Test
    void anEarlierDayThanTheDrainsIsRefusedAtTheDay() {
        assertThat(rules(false, false, null)
                        .breaches(agreed(ActionKind.LEACH, MARCH), List.of(agreed(ActionKind.DRAIN, MAY)), true))
                .containsExactly(new Breach("dueFrom", "DRAIN_FIRST"));
    }

    @Test
    void aSoilWithSodiumGetsGypsumBeforeOrWithTheWater() {
        Step leach = agreed(ActionKind.LEACH, MAY);
        Breach gypsumFirst = new Breach("state", "GYPSUM_FIRST");
        assertThat(rules(true, true, null).breaches(leach, List.of(), true)).containsExactly(gypsumFirst);
        assertThat(rules(true, false, 6.0).breaches(leach, List.of(), true)).containsExactly(gypsumFirst);
        assertThat(rules(true, false, 5.9).breaches(leach, List.of(), true)).isEmpty();
        assertThat(rules(true, false, 6.0).breaches(leach, List.of(agreed(ActionKind.GYPSUM, MAY)), true))
                .isEmpty();
        assertThat(rules(true, false, null, Constraint.SODICITY).breaches(leach, List.of(), true))
                .containsExactly(gypsumFirst);
    }

    @Test
    void gypsumOnASourSoilWaitsForLimeButItsTestStripDoesNot() {
        OrderRules sour = rules(true, true, 12.0, Constraint.ACIDITY);
        Step strip = agreed(ActionKind.GYPSUM, MAY);
        Step all = new Step(ActionKind.GYPSUM, Constraint.SODICITY, Map.of("espPct", 12), Stage.AGREED, MAY);
        assertThat(sour.breaches(strip, List.of(), false)).isEmpty();
        assertThat(sour.breaches(all, List.of(), false)).containsExactly(new Breach("state", "LIME_FIRST"));
    }

    @Test
    void rootsFollowLooseningAndLegumesFollowLime() {
        Step deepRoots = covering(Constraint.COMPACTION_LAYER, "layer", MARCH);
        OrderRules any = rules(true, false, null, Constraint.ACIDITY);
        assertThat(any.breaches(deepRoots, List.of(), true)).isEmpty();
        assertThat(any.breaches(deepRoots, List.of(agreed(ActionKind.LOOSEN, MAY)), true))
                .containsExactly(new Breach("dueFrom", "LOOSEN_FIRST"));
        Step clover = covering(null, "nitrogen", MAY);
        assertThat(any.breaches(clover, List.of(), true)).containsExactly(new Breach("state", "LIME_BEFORE_LEGUMES"));
        assertThat(any.breaches(clover, List.of(done(ActionKind.LIME)), true)).isEmpty();
        assertThat(rules(true, false, null).breaches(clover, List.of(), true)).isEmpty();
    }

    @Test
    void aWetLayerIsNotLoosened() {
        Step wet = new Step(ActionKind.LOOSEN, null, Map.of("rolledWormCrumbles", false), Stage.AGREED, null);
        assertThat(rules(true, false, null).breaches(wet, List.of(), true))
                .containsExactly(new Breach("inputs.rolledWormCrumbles", "TOO_WET"));
    }

    @Test
    void nothingIsDoneBeforeItsConfirmationButATestStrip() {
        OrderRules any = rules(true, false, null);
        assertThat(any.breaches(done(ActionKind.LIME), List.of(), false))
                .containsExactly(new Breach("confirmedBy", "UNCONFIRMED"));
        assertThat(any.breaches(done(ActionKind.LIME), List.of(), true)).isEmpty();
        assertThat(any.breaches(done(ActionKind.GYPSUM), List.of(), false)).isEmpty();
        assertThat(any.breaches(done(ActionKind.DRAIN), List.of(), false)).isEmpty();
    }

    @Test
    void whatOthersWaitForIsNotDropped() {
        Step drop = new Step(ActionKind.DRAIN, null, Map.of(), Stage.DROPPED, null);
        List<Step> leach = List.of(agreed(ActionKind.LEACH, MAY));
        assertThat(rules(false, false, null).breaches(drop, leach, true))
                .containsExactly(new Breach("state", "OTHERS_WAIT"));
        assertThat(rules(true, false, null).breaches(drop, leach, true)).isEmpty();
        assertThat(rules(false, false, null).breaches(drop, List.of(), true)).isEmpty();
    }

    @Test
    void aPlanSaysWhatEachStepWaitsFor() {
        OrderRules wet = rules(false, true, null);
        List<Step> others = List.of(agreed(ActionKind.DRAIN, MARCH), agreed(ActionKind.GYPSUM, MAY));
        assertThat(wet.waitsFor(agreed(ActionKind.LEACH, MAY), others))
                .containsExactly(ActionKind.DRAIN, ActionKind.GYPSUM);
        assertThat(wet.waitsFor(
                        agreed(ActionKind.LEACH, MAY), List.of(done(ActionKind.DRAIN), done(ActionKind.GYPSUM))))
                .isEmpty();
        assertThat(wet.waitsFor(done(ActionKind.LEACH), others)).isEmpty();
    }

    @Test
    void saltMayHideSodiumSoLeachingWaitsForALaboratoryOrForGypsum() {
        Step leach = agreed(ActionKind.LEACH, MAY);
        assertThat(salty(true, false, 6.0, null).breaches(leach, List.of(), false))
                .extracting(OrderRules.Breach::code)
                .containsExactly("ESP_FIRST");
        assertThat(salty(true, false, 6.0, 3.0).breaches(leach, List.of(), false))
                .isEmpty();
        assertThat(salty(true, false, 3.9, null).breaches(leach, List.of(), false))
                .isEmpty();
        assertThat(salty(true, false, 6.0, null).breaches(leach, List.of(agreed(ActionKind.GYPSUM, MARCH)), false))
                .isEmpty();
    }
}
