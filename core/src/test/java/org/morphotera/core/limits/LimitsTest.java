package org.morphotera.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.limits.Limits.Belief;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.DataTextException;

class LimitsTest {

    private static final EvidenceTables TABLES = CoreData.EVIDENCE;

    private static Belief belief(Constraint constraint, Map<String, String> findings) {
        return Limits.of(findings, LandUse.ARABLE, TABLES).stream()
                .filter(each -> each.constraint() == constraint)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void withoutAFindingThePriorStands() {
        assertThat(belief(Constraint.COMPACTION_LAYER, Map.of()).probability()).isCloseTo(0.25, within(1e-12));
        assertThat(Limits.of(Map.of(), LandUse.PASTURE, TABLES)).noneMatch(Belief::named);
    }

    @Test
    void oneFindingMovesItByItsLikelihoodRatio() {
        Belief acid = belief(Constraint.ACIDITY, Map.of("surface-ph", "very-acid"));
        double odds = 0.15 / 0.85 * 0.60 / 0.01;
        assertThat(acid.probability()).isCloseTo(odds / (1 + odds), within(1e-9));
        assertThat(acid.named()).isTrue();
        assertThat(acid.evidence().get(0).finding()).isEqualTo("surface-ph");
    }

    @Test
    void ofAGroupOnlyTheStrongestCountsInFull() {
        Map<String, String> findings = new LinkedHashMap<>(Map.of("probe-depth", "shallow"));
        double alone = logit(belief(Constraint.COMPACTION_LAYER, findings).probability());
        findings.put("structure", "poor");
        double both = logit(belief(Constraint.COMPACTION_LAYER, findings).probability());
        assertThat(both - alone).isCloseTo(0.5 * Math.log(0.48 / 0.14), within(1e-9));
    }

    private static double logit(double p) {
        return Math.log(p / (1 - p));
    }

    @Test
    void evidenceAgainstIsListedToo() {
        Belief salt = belief(Constraint.SALINITY, Map.of("white-crust", "many", "ece", "non"));
        assertThat(salt.evidence()).anyMatch(each -> each.weight() > 0).anyMatch(each -> each.weight() < 0);
        assertThat(salt.probability()).isLessThan(0.2);
    }

    @Test
    void theNextTestTellsMostForItsMinutesAndCanDecide() {
        Map<String, String> findings = Map.of("dispersion-top", "cloudy");
        Map<String, Integer> minutes = Map.of("lab-result", 4, "earthworms", 12, "ph", 8);
        List<NextTest.Offer> offers = NextTest.ranked(findings, minutes, LandUse.ARABLE, TABLES);
        assertThat(offers.get(0).method()).isEqualTo("lab-result");
        assertThat(offers).allSatisfy(offer -> assertThat(offer.gainBits()).isPositive());
        // nothing that a smell could say decides anything here
        assertThat(NextTest.ranked(findings, Map.of("finger-stain", 2), LandUse.ARABLE, TABLES))
                .isEmpty();
    }

    @Test
    void findingsAreMiddlesAndCommonestStates() {
        Map<String, String> findings = Sightings.findings(
                List.of(
                        new Sighting("surface-ph", 5.0, null),
                        new Sighting("surface-ph", 6.6, null),
                        new Sighting("surface-ph", 6.4, null),
                        new Sighting("root-barrier", null, "none"),
                        new Sighting("root-barrier", null, "flat-line"),
                        new Sighting("infiltration", 60.0, null),
                        new Sighting(Sightings.AT_200, 9.0, null)),
                TABLES);
        assertThat(findings)
                .containsEntry("surface-ph", "fine")
                .containsEntry("root-barrier", "flat-line")
                .containsEntry("infiltration-contrast", "pan")
                .containsEntry("infiltration", "fast")
                .doesNotContainKey(Sightings.AT_200);
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
