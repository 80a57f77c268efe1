package org.morphotera.core.request;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.request.JudgementAnswer.JudgedConstraint;
import org.morphotera.core.request.JudgementAnswer.JudgedProposal;

/** What limits a field is weighed at each of its stops, and told with how far it reaches. */
class LimitsByStopTest {

    private final List<Map<String, Object>> stops = new ArrayList<>();
    private final List<Map<String, Object>> tests = new ArrayList<>();
    private final List<Map<String, Object>> events = new ArrayList<>();
    private String crop = "cereal";

    private void stop(Map<String, Object> stop) {
        stops.add(stop);
    }

    /** pH of the topsoil at stops of a meter, one stop for each figure. */
    private LimitsByStopTest ph(double... figures) {
        for (int i = 0; i < figures.length; i++) {
            stop(Map.of("id", "s" + i));
            phAt("s" + i, "meter-1to5", figures[i]);
        }
        return this;
    }

    private void phAt(String stop, String kind, double figure) {
        test(stop, "ph", Map.of("kind", kind, "layers", List.of(Map.of("topMm", 0, "bottomMm", 150, "value", figure))));
    }

    private void test(String stop, String method, Map<String, Object> readings) {
        Map<String, Object> test = new LinkedHashMap<>();
        test.put("stopId", stop);
        test.put("method", method);
        test.put("depthTopMm", 0);
        test.put("depthBottomMm", 150);
        test.put("readings", readings);
        tests.add(test);
    }

    private LimitsByStopTest done(String on, String kind, String what) {
        events.add(Map.of("happenedOn", on, "kind", kind, "what", what));
        return this;
    }

    private JudgementAnswer answer() {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("on", "2026-12-02");
        body.put("field", Map.of("landUse", "arable", "crop", crop, "textureClass", "loam", "areaHa", 10));
        body.put("stops", stops);
        body.put("visits", List.of(Map.of("id", "v", "visitedOn", "2026-04-10", "measurements", tests)));
        body.put("events", events);
        Judgements.Result result = JudgementsTest.JUDGEMENTS.judge(body);
        assertThat(result.faults()).isEmpty();
        return result.answer();
    }

    private JudgedConstraint limit(String constraint) {
        return answer().limits().constraints().stream()
                .filter(each -> each.constraint().equals(constraint))
                .findFirst()
                .orElseThrow();
    }

    private JudgedProposal lime() {
        return answer().plan().proposals().stream()
                .filter(each -> each.kind().equals("lime"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void twoSourStopsOfFiveAreToldAsAPartOfTheField() {
        JudgedConstraint acidity = ph(5.0, 5.1, 6.6, 6.5, 6.6).limit("acidity");
        assertThat(acidity.named()).isFalse();
        assertThat(acidity.namedInPart()).isTrue();
        assertThat(acidity.areaSharePct()).isCloseTo(40, within(4.0));
        assertThat(acidity.stops())
                .extracting(each -> each.probability() >= 0.5)
                .containsExactly(true, true, false, false, false);
        assertThat(acidity.lossPct()).isBetween(acidity.lossLow(), acidity.lossHigh());
    }

    @Test
    void thePartIsLimedByItsOwnReadingsAndItsOwnArea() {
        JudgedProposal lime = ph(5.0, 5.1, 6.6, 6.5, 6.6).lime();
        assertThat(lime.probability()).isGreaterThan(0.5);
        assertThat((Double) lime.inputs().get("areaHa")).isCloseTo(4, within(1e-9));
        assertThat((Double) lime.inputs().get("phWater")).isBetween(4.9, 5.3);
        assertThat(lime.rules()).contains("In part: 2 of 5 stops, about 40 % of the field.");
    }

    @Test
    void aSourFieldIsNamedWhole() {
        JudgedConstraint acidity = ph(5.0, 5.1, 5.2, 5.0, 5.1).limit("acidity");
        assertThat(acidity.named()).isTrue();
        assertThat(acidity.namedInPart()).isFalse();
        assertThat(acidity.areaSharePct()).isGreaterThan(95);
        assertThat(new LimitsByStopTest().ph(6.6, 6.5, 6.7).limit("acidity").areaSharePct())
                .isLessThan(2);
    }

    @Test
    void aReadingOnEitherSideOfAnEdgeChangesLittle() {
        double under = ph(5.69, 5.7, 5.69).limit("acidity").probability();
        double over =
                new LimitsByStopTest().ph(5.71, 5.7, 5.71).limit("acidity").probability();
        assertThat(under - over).isBetween(0.0, 0.05);
    }

    @Test
    void oneOddKitIsNotTheWholeField() {
        ph(6.5, 6.5, 6.6, 6.5);
        stop(Map.of("id", "odd"));
        phAt("odd", "vial-kit", 5.0);
        JudgedConstraint acidity = limit("acidity");
        assertThat(acidity.named()).isFalse();
        assertThat(acidity.areaSharePct()).isLessThan(25);
    }

    @Test
    void aStopThatWasNotReadBorrowsFromTheField() {
        ph(5.0, 5.0, 5.1);
        stop(Map.of("id", "unread"));
        double there = limit("acidity").stops().get(3).probability();
        double read = limit("acidity").stops().get(0).probability();
        assertThat(there).isBetween(0.4, read);
    }

    @Test
    void aPatchCountsByItsAreaAlone() {
        ph(6.5, 6.6, 6.5);
        stop(Map.of("id", "p", "role", "poor", "areaPct", 10));
        phAt("p", "meter-1to5", 4.8);
        JudgedConstraint acidity = limit("acidity");
        assertThat(acidity.named()).isFalse();
        assertThat(acidity.namedInPart()).isTrue();
        assertThat(acidity.areaSharePct()).isCloseTo(10, within(2.0));

        LimitsByStopTest unknown = new LimitsByStopTest().ph(6.5, 6.6, 6.5);
        unknown.stop(Map.of("id", "p", "role", "poor"));
        unknown.phAt("p", "meter-1to5", 4.8);
        assertThat(unknown.limit("acidity").namedInPart()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"barley,5.2,false", "barley,12,true", "strawberry,1.9,true", "maize,1.2,false"})
    void saltLimitsByTheCropsOwnCurve(String of, double ece, boolean named) {
        crop = of;
        for (int i = 0; i < 3; i++) {
            stop(Map.of("id", "s" + i));
            test(
                    "s" + i,
                    "lab-result",
                    Map.of("analytes", List.of(Map.of("code", "ece", "value", ece, "unit", "dS/m"))));
        }
        assertThat(limit("salinity").named()).isEqualTo(named);
    }

    @Test
    void stopsOfAPatchShareItsArea() {
        ph(6.5, 6.6, 6.5);
        stop(Map.of("id", "p", "role", "poor", "areaPct", 30));
        stop(Map.of("id", "q", "role", "poor"));
        phAt("p", "meter-1to5", 4.8);
        phAt("q", "meter-1to5", 4.9);
        assertThat(limit("acidity").areaSharePct()).isCloseTo(30, within(4.0));
    }

    @Test
    void whatIsNotToldOfStopsIsNotAddedUpOverTheField() {
        for (int i = 0; i < 3; i++) {
            stop(Map.of("id", "s" + i));
            test(
                    "s" + i,
                    "roots",
                    Map.of("eightyPctDepthMm", 180, "barrier", "flat-line", "bent", true, "crop", "cereal"));
        }
        assertThat(limit("compaction-layer").areaSharePct()).isLessThan(50);
    }

    @Test
    void rootsThatRunFlatNameNoLayerByThemselves() {
        for (int i = 0; i < 3; i++) {
            stop(Map.of("id", "s" + i));
            test(
                    "s" + i,
                    "roots",
                    Map.of("eightyPctDepthMm", 180, "barrier", "flat-line", "bent", true, "crop", "cereal"));
        }
        JudgementAnswer answer = answer();
        assertThat(answer.limits().constraints()).noneMatch(each -> each.named() || each.namedInPart());
        assertThat(answer.nextTests()).extracting(each -> each.method()).contains("penetration");
    }

    @ParameterizedTest
    @ValueSource(strings = {"lime|10 t/ha", "Kalk|ground limestone", "spreading|chalk, 8 t/ha", "Liming|by contractor"})
    void whatWasDoneSinceTheReadingIsNotProposedAgainWhateverItIsCalled(String written) {
        String[] parts = written.split("\\|");
        JudgementAnswer answer =
                ph(5.0, 5.1, 5.0).done("2026-12-01", parts[0], parts[1]).answer();
        assertThat(answer.plan().proposals()).noneMatch(each -> each.kind().equals("lime"));
        boolean stillSour = answer.limits().constraints().stream()
                .anyMatch(each -> each.constraint().equals("acidity") && each.named());
        if (stillSour) {
            assertThat(answer.plan().refused())
                    .filteredOn(each -> each.kind().equals("lime"))
                    .singleElement()
                    .satisfies(each -> assertThat(each.reason())
                            .contains(parts[1])
                            .contains("1 Dec 2026")
                            .contains("Nov 2027"));
        }
    }

    @Test
    void workOfAnotherKindThatOnlySpeaksOfLimeClosesNothing() {
        assertThat(ph(5.0, 5.1, 5.0)
                        .done("2026-12-01", "drain", "pipes laid, lime comes later")
                        .lime()
                        .inputs())
                .containsKey("phWater");
    }

    @Test
    void whatWasDoneBeforeTheReadingIsProposedAgainWhereItIsStillNeeded() {
        assertThat(ph(5.0, 5.1, 5.0).done("2025-11-01", "lime", "lime").lime().inputs())
                .containsKey("phWater");
    }
}
