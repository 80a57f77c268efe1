package org.morphotera.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.limits.Limits.Belief;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.text.DataTextException;

class LimitsTest {

    private static final EvidenceTables TABLES = CoreData.EVIDENCE;
    private static final CropNeeds CEREAL = window("cereal");

    private static CropNeeds window(String crop) {
        return CropNeeds.of(crop, LandUse.ARABLE, CoreData.BENCHMARKS);
    }

    private static Belief belief(Constraint constraint, Map<String, Found> findings) {
        return Limits.of(findings, LandUse.ARABLE, TABLES).stream()
                .filter(each -> each.constraint() == constraint)
                .findFirst()
                .orElseThrow();
    }

    private static Belief belief(Constraint constraint, CropNeeds window, Sighting... seen) {
        return belief(constraint, Sightings.findings(List.of(seen), window, TABLES));
    }

    private static Map<String, Found> states(String... findingsAndStates) {
        Map<String, Found> findings = new LinkedHashMap<>();
        for (int i = 0; i < findingsAndStates.length; i += 2) {
            findings.put(findingsAndStates[i], Found.whole(findingsAndStates[i + 1]));
        }
        return findings;
    }

    private static Sighting[] times(int stops, Sighting seen) {
        Sighting[] all = new Sighting[stops];
        Arrays.fill(all, seen);
        return all;
    }

    private static Sighting ph(double figure, Source source) {
        return Sighting.of("surface-ph", figure).with(source, source == Source.KIT ? Set.of("vial-kit") : Set.of());
    }

    private static double odds(Belief belief) {
        return Math.log(belief.probability() / (1 - belief.probability()));
    }

    @Test
    void withoutAFindingThePriorStands() {
        assertThat(belief(Constraint.COMPACTION_LAYER, Map.of()).probability()).isCloseTo(0.25, within(1e-12));
        assertThat(Limits.of(Map.of(), LandUse.PASTURE, TABLES)).noneMatch(Belief::named);
    }

    @Test
    void oneFindingMovesItByItsLikelihoodRatio() {
        Belief acid = belief(Constraint.ACIDITY, states("surface-ph", "far-too-sour"));
        EvidenceTables.Row row = TABLES.row(Constraint.ACIDITY, "surface-ph");
        double odds =
                0.15 / 0.85 * row.present().get("far-too-sour") / row.absent().get("far-too-sour");
        assertThat(acid.probability()).isCloseTo(odds / (1 + odds), within(1e-9));
        assertThat(acid.named()).isTrue();
        assertThat(acid.evidence().get(0).finding()).isEqualTo("surface-ph");
    }

    @Test
    void ofAGroupOnlyTheStrongestCountsInFull() {
        double alone = odds(belief(Constraint.COMPACTION_LAYER, states("probe-depth", "shallow")));
        double both = odds(belief(Constraint.COMPACTION_LAYER, states("probe-depth", "shallow", "structure", "poor")));
        EvidenceTables.Row row = TABLES.row(Constraint.COMPACTION_LAYER, "structure");
        assertThat(both - alone).isCloseTo(0.5 * row.weight(Found.whole("poor")), within(1e-9));
    }

    @Test
    void evidenceAgainstIsListedToo() {
        Belief salt = belief(Constraint.SALINITY, states("white-crust", "many", "ece", "non"));
        assertThat(salt.evidence()).anyMatch(each -> each.weight() > 0).anyMatch(each -> each.weight() < 0);
        assertThat(salt.probability()).isLessThan(0.2);
    }

    @Test
    void theNextTestTellsMostForItsMinutesAndCanDecide() {
        Map<String, Found> findings = states("dispersion-top", "cloudy");
        Map<String, Integer> minutes = Map.of("lab-result", 4, "earthworms", 12, "ph", 8);
        List<NextTest.Offer> offers = NextTest.ranked(findings, minutes, LandUse.ARABLE, TABLES);
        // a laboratory avoids most, and is no work of four minutes: it is paid for and waited for
        assertThat(offers.get(0).method()).isEqualTo("ph");
        assertThat(offers.stream()
                        .max(Comparator.comparingDouble(NextTest.Offer::avoidedPct))
                        .orElseThrow())
                .satisfies(each -> assertThat(each.method()).isEqualTo("lab-result"))
                .satisfies(each -> assertThat(each.price()).isPositive());
        assertThat(offers).allSatisfy(offer -> assertThat(offer.gainBits()).isPositive());
        // nothing that a stain could say decides anything here
        assertThat(NextTest.ranked(findings, Map.of("leaf-colour", 2), LandUse.ARABLE, TABLES))
                .isEmpty();
    }

    @Test
    void whatATestLeftOpenIsWorthAskingAfter() {
        List<NextTest.Offer> offers =
                NextTest.ranked(states("surface-ph", "too-sour"), Map.of("ph", 8), LandUse.PASTURE, TABLES);
        assertThat(offers)
                .singleElement()
                .satisfies(each -> assertThat(each.finding()).isEqualTo("subsoil-ph"));
    }

    @Test
    void findingsAreMiddlesAndCommonestStates() {
        Map<String, Found> findings = Sightings.findings(
                List.of(
                        Sighting.of("surface-ph", 5.0),
                        Sighting.of("surface-ph", 6.6),
                        Sighting.of("surface-ph", 6.4),
                        Sighting.of("root-barrier", "none"),
                        Sighting.of("root-barrier", "flat-line"),
                        Sighting.of("infiltration", 60.0),
                        Sighting.of(Sightings.AT_200, 9.0)),
                CEREAL,
                TABLES);
        assertThat(findings.get("surface-ph").state()).isEqualTo("as-wanted");
        assertThat(findings.get("surface-ph").figure()).isEqualTo(6.4);
        assertThat(findings.get("root-barrier").state()).isEqualTo("flat-line");
        assertThat(findings.get("infiltration-contrast").state()).isEqualTo("pan");
        assertThat(findings.get("infiltration-contrast").figure()).isCloseTo(0.15, within(1e-12));
        assertThat(findings).doesNotContainKey(Sightings.AT_200);
    }

    @ParameterizedTest(name = "pH {0} for {1} is {2}")
    @CsvSource({
        "5.0, cereal, far-too-sour",
        "5.6, cereal, too-sour",
        "5.8, cereal, at-the-sour-edge",
        "6.0, cereal, as-wanted",
        "7.5, cereal, at-the-alkaline-edge",
        "7.7, cereal, too-alkaline",
        "5.0, heath-berry, as-wanted",
        "5.0, potato, as-wanted",
        "6.3, lucerne, at-the-sour-edge",
        "7.7, barley, as-wanted"
    })
    void tooSourIsWhatLiesUnderTheCropsWindow(double ph, String crop, String state) {
        Map<String, Found> findings = Sightings.findings(List.of(Sighting.of("surface-ph", ph)), window(crop), TABLES);
        assertThat(findings.get("surface-ph").state()).isEqualTo(state);
    }

    @Test
    void aSourSoilIsNoLimitToACropThatWantsItSour() {
        assertThat(belief(Constraint.ACIDITY, window("heath-berry"), ph(4.8, Source.METER))
                        .named())
                .isFalse();
        assertThat(belief(Constraint.ACIDITY, CEREAL, ph(4.8, Source.METER)).named())
                .isTrue();
    }

    @Test
    void aSourTopLeadsBeforeTheSourSubsoilUnderIt() {
        Map<String, Found> sour = states("surface-ph", "too-sour", "subsoil-ph", "far-too-sour");
        List<Belief> beliefs = Limits.of(sour, LandUse.ARABLE, TABLES);
        assertThat(beliefs.get(0).constraint()).isEqualTo(Constraint.ACIDITY);
        assertThat(beliefs.get(1).constraint()).isEqualTo(Constraint.SUBSURFACE_ACIDITY);
        assertThat(beliefs.get(0).probability()).isLessThan(beliefs.get(1).probability());
        Map<String, Found> below = states("surface-ph", "as-wanted", "subsoil-ph", "far-too-sour");
        assertThat(Limits.of(below, LandUse.ARABLE, TABLES).get(0).constraint())
                .isEqualTo(Constraint.SUBSURFACE_ACIDITY);
    }

    @Test
    void aLaboratorySpeaksAloneWhateverTheKitsSay() {
        Sighting[] kits = {ph(4.8, Source.KIT), ph(5.0, Source.KIT), ph(5.1, Source.KIT), ph(6.6, Source.LABORATORY)};
        assertThat(belief(Constraint.ACIDITY, CEREAL, kits).probability()).isLessThan(0.05);
        Sighting[] meterAndKit = {ph(4.8, Source.KIT), ph(6.5, Source.METER)};
        assertThat(belief(Constraint.ACIDITY, CEREAL, meterAndKit).probability())
                .isLessThan(0.05);
        assertThat(belief(Constraint.ACIDITY, CEREAL, ph(4.8, Source.KIT)).named())
                .isTrue();
    }

    @Test
    void organicMatterFromALaboratorySilencesTheColour() {
        Sighting pale = Sighting.of("colour", 2.0).with(Source.KIT, Set.of());
        Sighting rich = Sighting.of("organic-matter", 0.9).with(Source.LABORATORY, Set.of());
        assertThat(Sightings.findings(List.of(pale, rich), CEREAL, TABLES)).containsOnlyKeys("organic-matter");
        assertThat(Sightings.findings(List.of(pale), CEREAL, TABLES)).containsOnlyKeys("colour");
    }

    @Test
    void aKitCountsByItsShareAndSaysSo() {
        Belief meter = belief(Constraint.ACIDITY, CEREAL, ph(5.5, Source.METER));
        Belief kit = belief(Constraint.ACIDITY, CEREAL, ph(5.5, Source.KIT));
        assertThat(kit.evidence().get(0).weight())
                .isCloseTo(0.8 * meter.evidence().get(0).weight(), within(1e-9));
        assertThat(kit.evidence().get(0).less()).containsExactly("vial-kit");
    }

    @Test
    void whatMisleadsNamesNothingByItself() {
        Sighting dryRun = Sighting.of("infiltration", 900).with(Source.METER, Set.of("DRY_FIRST_RUN"));
        Sighting firstFilling = Sighting.of("drain-out", 80).with(Source.METER, Set.of("FIRST_WETTING_OVERSTATES"));
        Belief alone = belief(Constraint.OVER_RAPID_DRAINAGE, CEREAL, dryRun, firstFilling);
        assertThat(alone.named()).isFalse();
        Belief wetted = belief(Constraint.OVER_RAPID_DRAINAGE, CEREAL, Sighting.of("infiltration", 900), firstFilling);
        assertThat(wetted.probability()).isGreaterThan(alone.probability());
    }

    @Test
    void soundReadingsSpeakAloneBesideMisleadingOnes() {
        Sighting dryProbe = Sighting.of("probe-depth", 120).with(Source.METER, Set.of("TOO_DRY_TO_JUDGE"));
        Map<String, Found> findings =
                Sightings.findings(List.of(dryProbe, dryProbe, Sighting.of("probe-depth", 420)), CEREAL, TABLES);
        assertThat(findings.get("probe-depth").state()).isEqualTo("deep");
        assertThat(findings.get("probe-depth").weight()).isEqualTo(1);
        Map<String, Found> dry = Sightings.findings(List.of(dryProbe), CEREAL, TABLES);
        assertThat(dry.get("probe-depth").valid()).isFalse();
        assertThat(belief(Constraint.COMPACTION_LAYER, dry).named()).isFalse();
    }

    @Test
    void anUndercountLetsFewWormsCountLessAndManyInFull() {
        Sighting few = Sighting.of("worms", 0.2).with(Source.METER, Set.of("UNDERCOUNT_LIKELY"));
        Sighting many = Sighting.of("worms", 0.9).with(Source.METER, Set.of("UNDERCOUNT_LIKELY"));
        assertThat(Sightings.findings(List.of(few), CEREAL, TABLES).get("worms").weight())
                .isEqualTo(0.5);
        assertThat(Sightings.findings(List.of(many), CEREAL, TABLES)
                        .get("worms")
                        .weight())
                .isEqualTo(1);
    }

    @Test
    void vinegarThatShowsNothingCountsAQuarter() {
        Sighting nothing = Sighting.of("fizz", "none").with(Source.METER, Set.of("vinegar"));
        Sighting bubbles = Sighting.of("fizz", "slight").with(Source.METER, Set.of("vinegar"));
        assertThat(Sightings.findings(List.of(nothing), CEREAL, TABLES)
                        .get("fizz")
                        .weight())
                .isEqualTo(0.25);
        assertThat(Sightings.findings(List.of(bubbles), CEREAL, TABLES)
                        .get("fizz")
                        .weight())
                .isEqualTo(1);
    }

    @Test
    void clearDishesSayNothingAgainstSodiumWhereSaltHidesIt() {
        Belief salty = belief(Constraint.SODICITY, CEREAL, Sighting.of("dispersion-top", 1.0), Sighting.of("ece", 4.0));
        assertThat(salty.probability()).isCloseTo(salty.prior(), within(1e-9));
        Belief fresh = belief(Constraint.SODICITY, CEREAL, Sighting.of("dispersion-top", 1.0), Sighting.of("ece", 3.9));
        assertThat(fresh.probability()).isLessThan(fresh.prior());
        Belief cloudy = belief(Constraint.SODICITY, CEREAL, Sighting.of("dispersion-top", 0.1), Sighting.of("ece", 9));
        assertThat(cloudy.named()).isTrue();
    }

    @Test
    void sodiumIsTheNextTestWhereThereIsSalt() {
        Map<String, Found> salt = Sightings.findings(
                List.of(Sighting.of("dispersion-top", 1.0), Sighting.of("ece", 6.0)), CEREAL, TABLES);
        Map<String, Integer> minutes = Map.of("lab-result", 400, "earthworms", 1, "penetration", 1);
        assertThat(NextTest.ranked(salt, minutes, LandUse.ARABLE, TABLES).get(0).method())
                .isEqualTo("lab-result");
    }

    @Test
    void noWormAtAllAtFourStopsInAGoodSeasonNamesLittleLifeAlone() {
        Sighting[] none = times(4, Sighting.of("worm-count", 0.0));
        Sighting[] three = times(3, Sighting.of("worm-count", 0.0));
        Sighting[] summer = times(5, Sighting.of("worm-count", 0.0).with(Source.METER, Set.of("UNDERCOUNT_LIKELY")));
        assertThat(belief(Constraint.LOW_BIOLOGY, CEREAL, none).named()).isTrue();
        assertThat(belief(Constraint.LOW_BIOLOGY, CEREAL, three).named()).isFalse();
        assertThat(belief(Constraint.LOW_BIOLOGY, CEREAL, summer).named()).isFalse();
        assertThat(belief(Constraint.LOW_BIOLOGY, states("worms", "few", "juveniles", "few"))
                        .named())
                .isFalse();
    }

    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource({"lime, ph", "Lime on the poor patch, ph-top", "gypsum, esp", "compost, kit-nitrogen"})
    void somethingDoneMakesOlderReadingsOld(String event, String property) {
        assertThat(TABLES.changedBy(event)).contains(property);
        assertThat(TABLES.changedBy("drain")).doesNotContain(property);
    }

    @Test
    void everyMarkThatLetsSomethingCountLessHasWords() {
        assertThat(TABLES.validityMarks()).isNotEmpty().allMatch(mark -> CoreData.MESSAGES.has("less." + mark));
        assertThat(TABLES.hidden()).isNotEmpty().allMatch(rule -> CoreData.MESSAGES.has("less." + rule.code()));
    }

    @Test
    void aPracticeOverridesARowAndABrokenOneIsNamed() {
        Map<String, String> files = new LinkedHashMap<>(CoreData.texts(DataFiles.evidence()));
        files.put("own.txt", "[prior acidity]\nprior = 0.4\n");
        assertThat(EvidenceTables.parse(files).prior(Constraint.ACIDITY, LandUse.PASTURE))
                .isEqualTo(0.4);
        files.put("own.txt", "[evidence acidity nodules]\nnone = 0.5 0.5\nfew = 0.5 0.4\nmany = 0.1 0.1\n");
        assertThatThrownBy(() -> EvidenceTables.parse(files))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("own.txt");
    }
}
