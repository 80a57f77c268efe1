package org.morphotera.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits.Belief;
import org.morphotera.core.method.Outcome;
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
                new FieldFacts.Permeability(30.0, 30.0),
                290.0,
                drained,
                wet);
        return Proposals.of(beliefs, facts, CoreData.BENCHMARKS);
    }

    /** Of the ways that are told beside living with it. */
    private static List<ActionKind> kinds(List<Proposal> proposals) {
        return proposals.stream()
                .map(Proposal::kind)
                .filter(each -> each != ActionKind.LIVE_WITH_IT)
                .toList();
    }

    @Test
    void livingWithItIsAlwaysOneOfTheOptions() {
        for (Constraint constraint : Constraint.values()) {
            assertThat(of(Set.of(constraint), true, false, 13.0))
                    .as(constraint.code())
                    .anySatisfy(each -> {
                        assertThat(each.kind()).isEqualTo(ActionKind.LIVE_WITH_IT);
                        assertThat(each.told(List.of(), false, CoreData.MESSAGES))
                                .allSatisfy(sentence ->
                                        assertThat(sentence).startsWith("Or ").endsWith("."));
                    });
        }
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
                FieldFacts.Permeability.UNKNOWN,
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
    void looseningComesBeforeRootsAndAsksTheLayerWhetherItIsDry() {
        for (boolean wet : new boolean[] {true, false}) {
            List<Proposal> plan = of(Set.of(Constraint.COMPACTION_LAYER), true, wet, null);
            assertThat(kinds(plan)).containsExactly(ActionKind.LOOSEN, ActionKind.COVER_CROP);
            // nobody has rolled it yet: a wet day says nothing of the layer
            assertThat(plan.get(0).rules()).containsExactly("roll-a-worm", "wheels-on-lanes");
            assertThat(plan.get(0).inputs()).doesNotContainKey("rolledWormCrumbles");
            assertThat(plan.get(0).isHeld()).isFalse();
            assertThat(plan.get(1).rules()).containsExactly("loosen-before-roots", "sown-and-ended");
        }
    }

    private static Proposal only(
            LandUse use, double areaHa, Double permeability, Double layerBottom, ActionKind kind, Constraint... named) {
        List<Belief> beliefs = Stream.of(named)
                .map(each -> new Belief(each, 0.1, 0.9, List.of()))
                .toList();
        FieldFacts facts = new FieldFacts(
                use,
                TextureGroup.FINE,
                "barley",
                areaHa,
                new FieldFacts.Treated(areaHa, false),
                new FieldFacts.Ph(6.6, 0.2, Source.METER),
                5.0,
                6.5,
                Source.METER,
                2.0,
                24.0,
                false,
                new FieldFacts.Permeability(permeability, permeability),
                layerBottom,
                false,
                true);
        return Proposals.of(beliefs, facts, CoreData.BENCHMARKS).stream()
                .filter(each -> each.kind() == kind)
                .findFirst()
                .orElse(null);
    }

    @Test
    void noLooseningOfGardensGrassOrWhatNobodyMet() {
        Constraint layer = Constraint.COMPACTION_LAYER;
        assertThat(only(LandUse.ARABLE, 6, 20.0, 300.0, ActionKind.LOOSEN, layer)
                        .held())
                .isNull();
        assertThat(only(LandUse.VEGETABLE, 0.05, 20.0, 300.0, ActionKind.LOOSEN, layer)
                        .held())
                .isEqualTo("garden-fork");
        assertThat(only(LandUse.PASTURE, 6, 20.0, 300.0, ActionKind.LOOSEN, layer)
                        .held())
                .isEqualTo("grass-slit");
        assertThat(only(LandUse.ARABLE, 6, 20.0, null, ActionKind.LOOSEN, layer).held())
                .isEqualTo("layer-first");
        assertThat(only(LandUse.ARABLE, 6, 20.0, 300.0, ActionKind.LOOSEN, layer, Constraint.SODICITY)
                        .held())
                .isEqualTo("sodium-before-loosening");
        assertThat(only(LandUse.ARABLE, 6, 20.0, 300.0, ActionKind.LOOSEN, layer, Constraint.WATERLOGGING)
                        .held())
                .isEqualTo("after-drain");
    }

    @Test
    void pipesOnlyWhereTheyMayLieEightMetresApartAndNeverInAGarden() {
        Constraint wet = Constraint.WATERLOGGING;
        assertThat(only(LandUse.ARABLE, 6, 60.0, null, ActionKind.DRAIN, wet).held())
                .isNull();
        assertThat(only(LandUse.ARABLE, 6, 0.6, null, ActionKind.DRAIN, wet).held())
                .isEqualTo("too-tight");
        assertThat(only(LandUse.ARABLE, 6, 0.6, null, ActionKind.SURFACE_OUTLETS, wet)
                        .rules())
                .containsExactly("surface-first");
        assertThat(only(LandUse.LANDSCAPE, 0.05, 60.0, null, ActionKind.DRAIN, wet)
                        .held())
                .isEqualTo("garden-drain");
        assertThat(only(LandUse.LANDSCAPE, 0.05, 60.0, null, ActionKind.SURFACE_OUTLETS, wet)
                        .rules())
                .containsExactly("garden-beds");
    }

    @Test
    void oneSowingMeetsAllAimsAndGrassIsOversown() {
        List<Proposal> plan = of(
                Set.of(Constraint.COMPACTION_LAYER, Constraint.WEAK_AGGREGATION, Constraint.EROSION_RISK),
                true,
                false,
                2.0);
        List<Proposal> sown = plan.stream()
                .filter(each -> each.kind() == ActionKind.COVER_CROP)
                .toList();
        assertThat(sown).hasSize(1);
        assertThat(Set.copyOf((List<?>) sown.get(0).inputs().get("aims")))
                .isEqualTo(Set.of("layer", "crumbs", "erosion"));
        assertThat(only(LandUse.PASTURE, 6, 20.0, null, ActionKind.COVER_CROP, Constraint.WEAK_AGGREGATION)
                        .held())
                .isEqualTo("oversow-grass");
        assertThat(only(LandUse.ORCHARD, 6, 20.0, null, ActionKind.COVER_CROP, Constraint.WEAK_AGGREGATION)
                        .rules())
                .contains("in-the-alleys");
    }

    @Test
    void saltThatTheCropStandsIsLeftAlone() {
        // barley stands 8 dS/m
        assertThat(only(LandUse.ARABLE, 6, 20.0, null, ActionKind.LEACH, Constraint.SALINITY)
                        .held())
                .isEqualTo("stands-salt");
        assertThat(only(LandUse.ARABLE, 6, 20.0, null, ActionKind.DRAIN, Constraint.SALINITY))
                .isNull();
    }

    @Test
    void compostStaysUnderTheNitrogenOfAYearAndOffASurplus() {
        Proposal compost = only(LandUse.ARABLE, 6, 20.0, null, ActionKind.COMPOST, Constraint.WEAK_AGGREGATION);
        Outcome reckoned = Calculators.ofPage(Methods.all())
                .evaluate("organic-matter", Map.of("inputs", compost.inputs()), CoreData.BENCHMARKS);
        double nitrogen =
                500 * 0.6 * 0.3 / 15 * 10_000 / 1000 * (Double) compost.inputs().get("thicknessMm");
        assertThat(reckoned).isInstanceOf(Outcome.Evaluated.class);
        assertThat(nitrogen).isLessThanOrEqualTo(170);
        assertThat(only(
                                LandUse.ARABLE,
                                6,
                                20.0,
                                null,
                                ActionKind.COMPOST,
                                Constraint.WEAK_AGGREGATION,
                                Constraint.NITROGEN_MASKING)
                        .held())
                .isEqualTo("surplus-nitrogen");
    }

    @Test
    void freeLimeGetsNoSulfurAndASoundSoilNothing() {
        List<Proposal> plan = of(Set.of(Constraint.FREE_LIME), true, false, null);
        assertThat(kinds(plan)).containsExactly(ActionKind.SULFUR, ActionKind.TOLERANT_CROPS);
        assertThat(plan.get(0).held()).isEqualTo("no-sulfur");
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
                FieldFacts.Permeability.UNKNOWN,
                null,
                true,
                false);
        return Proposals.of(beliefs, facts, CoreData.BENCHMARKS);
    }

    @Test
    void noLimeWherePhLiesInsideTheCropsWindow() {
        FieldFacts.Ph sour = new FieldFacts.Ph(5.0, 0.1, Source.LABORATORY);
        assertThat(kinds(lime("potato", sour, null, Constraint.ACIDITY))).isEmpty();
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
    void aSourSubsoilUnderASoundTopsoilGetsNoLimeOnTop() {
        List<Proposal> sound =
                lime("barley", new FieldFacts.Ph(6.6, 0.2, Source.METER), 5.0, Constraint.SUBSURFACE_ACIDITY);
        assertThat(kinds(sound)).containsExactly(ActionKind.LIME, ActionKind.TOLERANT_CROPS);
        assertThat(sound.get(0).held()).isEqualTo("sound-topsoil");
        assertThat(sound.get(1).rules()).containsExactly("sour-subsoil");
        // a topsoil under its target takes lime to a little above it, and the surplus goes down
        Proposal surplus = lime("barley", new FieldFacts.Ph(6.3, 0.2, Source.METER), 5.0, Constraint.SUBSURFACE_ACIDITY)
                .get(0);
        assertThat(surplus.isHeld()).isFalse();
        assertThat(surplus.inputs()).containsEntry("phWater", 6.3).containsEntry("targetPh", 6.7);
        assertThat(lime("barley", null, 5.0, Constraint.SUBSURFACE_ACIDITY)
                        .get(0)
                        .held())
                .isEqualTo("topsoil-first");
    }

    @Test
    void limeGoesUpToWhatIsAdvisedForTheCrop() {
        FieldFacts.Ph sour = new FieldFacts.Ph(5.2, 0.1, Source.METER);
        assertThat(lime("barley", sour, null, Constraint.ACIDITY).get(0).inputs())
                .containsEntry("targetPh", 6.5);
        assertThat(lime("lucerne", sour, null, Constraint.ACIDITY).get(0).inputs())
                .containsEntry("targetPh", 6.8);
        // each crop that has a window has a target inside of it
        Table windows = CoreData.BENCHMARKS.table("ph.windows");
        windows.rows()
                .keySet()
                .forEach(crop -> assertThat(
                                CoreData.BENCHMARKS.table("ph.advised").at(crop, "ph"))
                        .as(crop)
                        .isBetween(windows.at(crop, "low"), windows.at(crop, "high")));
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
