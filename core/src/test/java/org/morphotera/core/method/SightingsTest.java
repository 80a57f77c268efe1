package org.morphotera.core.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.limits.FindingKind;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** What a test tells the evidence engine, from its worked cases. */
class SightingsTest {

    private static final MethodRegistry METHODS = Methods.all();

    @SuppressWarnings("unchecked")
    private static List<Sighting> of(WorkedCase worked) {
        Outcome outcome = METHODS.evaluate(worked.method(), worked.body(), CoreData.BENCHMARKS);
        Envelope envelope = Envelope.of(((Outcome.Evaluated) outcome).evaluation(), CoreData.MESSAGES);
        Map<String, Object> context = (Map<String, Object>) worked.body().get("context");
        DepthLayer layer =
                context.get("depthTopMm") instanceof Number top && context.get("depthBottomMm") instanceof Number bottom
                        ? new DepthLayer(top.doubleValue(), bottom.doubleValue())
                        : null;
        Map<String, Object> readings = (Map<String, Object>) worked.body().get("readings");
        return RecordedTest.of(METHODS.get(worked.method()), readings, envelope, layer)
                .sightings();
    }

    static List<WorkedCase> worked() {
        return WorkedCase.all().stream()
                .filter(each -> each.expectErrors() == null)
                .toList();
    }

    @ParameterizedTest
    @MethodSource("worked")
    void aSightingIsAFigureOrAStateThatTheTablesKnow(WorkedCase worked) {
        for (Sighting seen : of(worked)) {
            assertThat((seen.figure() == null) != (seen.state() == null))
                    .as(seen.toString())
                    .isTrue();
            FindingKind kind = CoreData.EVIDENCE.kind(seen.finding());
            if (kind != null && seen.state() != null) {
                assertThat(kind.states()).as(worked.name()).contains(seen.state());
            }
            if (seen.figure() != null) {
                assertThat(seen.figure()).isFinite();
            }
        }
    }

    private static WorkedCase named(String method, String name) {
        return WorkedCase.of(method).stream()
                .filter(each -> each.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Map<String, Object> told(String method, String name) {
        return of(named(method, name)).stream()
                .collect(java.util.stream.Collectors.toMap(
                        Sighting::finding, each -> each.figure() == null ? each.state() : each.figure()));
    }

    @Test
    void dispersionOfTheSubsoilIsAFindingOfItsOwn() {
        assertThat(told("crumb-stability", "dispersive subsoil"))
                .containsKey("dispersion-sub")
                .doesNotContainKey("dispersion-top");
        assertThat(told("crumb-stability", "mixed dish with a stone")).containsKey("dispersion-top");
    }

    @Test
    void tapWaterSaysNothingOfDispersion() {
        assertThat(told("crumb-stability", "all hold in tap water, stones not pressed")
                        .keySet())
                .noneMatch(finding -> finding.startsWith("dispersion"));
        assertThat(told("crumb-stability", "all hold in tap water, stones not pressed"))
                .containsKey("slaking");
    }

    @Test
    void waterStandingInAPitIsSeen() {
        assertThat(told("pit", "open to the bottom")).doesNotContainKey("standing-water"); // not looked for
    }

    @Test
    void acidOnACrumbTellsFreeLime() {
        assertThat(told("fizz", "foam")).containsEntry("fizz", "strong");
        assertThat(told("fizz", "silent")).containsEntry("fizz", "none");
    }

    @Test
    void theProbeTellsWhereItMetTheLimit() {
        assertThat((Double) told("penetration", "pan at a quarter metre").get("probe-depth"))
                .isBetween(235.0, 235.2);
    }

    @Test
    void textureIsAFindingByItsGroup() {
        assertThat(told("texture-feel", "no ball")).containsExactly(Map.entry("texture-group", "coarse"));
    }
}
