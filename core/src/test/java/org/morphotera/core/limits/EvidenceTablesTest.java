package org.morphotera.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.text.DataTextException;

/** What findings say of constraints, as data that a practice may override. */
class EvidenceTablesTest {

    private static EvidenceTables with(String own) {
        Map<String, String> files = new LinkedHashMap<>(CoreData.texts(DataFiles.evidence()));
        files.put("own", own);
        return EvidenceTables.parse(files);
    }

    static Stream<FindingKind> kinds() {
        return CoreData.EVIDENCE.kinds().stream();
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aFindingIsMadeByAMethodThatThereIsAndItsStatesAreTold(FindingKind kind) {
        assertThat(Methods.all().has(kind.method())
                        || List.of("observation", "sheet").contains(kind.method()))
                .as(kind.method())
                .isTrue();
        assertThat(kind.states()).hasSizeGreaterThan(1).doesNotHaveDuplicates();
        assertThat(CoreData.MESSAGES.has("finding." + kind.id())).isTrue();
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void theStatesOfAFigureFollowEachOtherUpwards(FindingKind kind) {
        double before = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < kind.limits().size(); i++) {
            FindingKind.Limit limit = kind.limits().get(i);
            assertThat(limit.below()).isGreaterThan(before);
            assertThat(kind.stateOf(limit.below() - 1e-9))
                    .isEqualTo(kind.states().get(i));
            assertThat(kind.stateOf(limit.below())).isEqualTo(kind.states().get(limit.included() ? i : i + 1));
            before = limit.below();
        }
    }

    @Test
    void bothColumnsOfARowAddUpToOneAndItsWeightHasTheSignOfTheMoreProbable() {
        int rows = 0;
        for (Constraint constraint : Constraint.values()) {
            for (FindingKind kind : CoreData.EVIDENCE.kinds()) {
                EvidenceTables.Row row = CoreData.EVIDENCE.row(constraint, kind.id());
                if (row == null) {
                    continue;
                }
                rows++;
                assertThat(row.present().keySet()).containsExactlyInAnyOrderElementsOf(kind.states());
                assertThat(row.present().values().stream().mapToDouble(x -> x).sum())
                        .isCloseTo(1, within(1e-6));
                assertThat(row.absent().values().stream().mapToDouble(x -> x).sum())
                        .isCloseTo(1, within(1e-6));
                assertThat(row.reason()).isNotBlank();
                assertThat(row.source()).isNotBlank();
                for (String state : kind.states()) {
                    assertThat(Math.signum(row.weight(Found.whole(state))))
                            .isEqualTo(Math.signum(
                                    row.present().get(state) - row.absent().get(state)));
                }
            }
        }
        assertThat(rows).isGreaterThan(40);
    }

    @Test
    void everyConstraintHasAPriorWordsAndSomethingThatSpeaksForIt() {
        for (Constraint constraint : Constraint.values()) {
            assertThat(CoreData.EVIDENCE.prior(constraint, null)).isStrictlyBetween(0.0, 0.5);
            assertThat(CoreData.MESSAGES.has("constraint." + constraint.code())).isTrue();
            assertThat(CoreData.MESSAGES.has("constraint.sentence." + constraint.code()))
                    .isTrue();
            assertThat(CoreData.EVIDENCE.kinds())
                    .as(constraint.code())
                    .anyMatch(kind -> CoreData.EVIDENCE.row(constraint, kind.id()) != null);
        }
    }

    @Test
    void aPracticesSectionTakesThePlaceOfTheShippedOne() {
        EvidenceTables own = with("[prior acidity]\nprior = 0.44\n");
        assertThat(own.prior(Constraint.ACIDITY, null)).isNotEqualTo(CoreData.EVIDENCE.prior(Constraint.ACIDITY, null));
        assertThat(own.kinds()).hasSameSizeAs(CoreData.EVIDENCE.kinds());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[findings surface-ph]\nmethod = ph\n",
                "[prior hunger]\nprior = 0.1\n",
                "[prior acidity]\nprior = 1.5\n",
                "[prior acidity]\nprior = often\n",
                "[prior acidity]\npasture = 0.3\n",
                "no section\n",
                "[finding x]\nmethod = ph\ngroup = ph\nstates = low <7; middle <5; high\n",
                "[finding x]\nmethod = ph\ngroup = ph\nstates = low; middle <5; high\n",
                "[finding x]\nmethod = ph\ngroup = ph\nstates = low <few; high\n",
                "[evidence acidity surface-ph]\nfar-too-sour = 0.5 0.5\n",
                "[validity surface-ph]\nvial-kit = 1.2\n",
                "[hidden dispersion-top]\nstate = clear\n"
            })
    void aFileThatDoesNotFitStopsTheStartAndSaysWhere(String text) {
        assertThatThrownBy(() -> with(text))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("own");
    }
}
