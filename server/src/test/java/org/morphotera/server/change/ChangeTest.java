package org.morphotera.server.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** Coming back: what may be said of two visits, of an event with stops left alone, of many years. */
@ExtendWith(RunningApp.class)
class ChangeTest {

    private static final LocalDate BEFORE = LocalDate.of(2024, 4, 10);
    private static final LocalDate LIMED = LocalDate.of(2024, 9, 20);
    private static final LocalDate AFTER = LocalDate.of(2026, 4, 12);

    private final ApiClient advisor;

    ChangeTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private Land twice(double[] earlier, double[] later) {
        Land land = new Land(advisor, earlier.length);
        String first = land.visit(BEFORE);
        String second = land.visit(AFTER);
        for (int i = 0; i < earlier.length; i++) {
            land.ph(first, i, earlier[i], BEFORE);
            land.ph(second, i, later[i], AFTER);
        }
        return land;
    }

    @Test
    void aClearRiseIsSaidWithItsIntervalAndTheFigureOfTheSentence() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {6.1, 6.2, 6.3, 6.4});
        Map<String, Object> view = land.change("?indicator=ph&method=ph");
        Map<String, Object> change = Land.part(view, "change");
        assertThat(change).containsEntry("verdict", "risen").containsEntry("pairs", 4);
        assertThat(Land.number(change, "mean")).isCloseTo(0.9, within(1e-9));
        // s of 0.9, 0.8, 1.0, 0.9 is 0.08165; t(0.975, 3) = 3.18245; and a whole visit may read 0.1 high or low
        assertThat(change).containsEntry("direction", "better");
        double half = Math.hypot(3.18245 * 0.0816497 / 2, 1.96 * Math.sqrt(2) * 0.1);
        assertThat(Land.number(change, "low")).isCloseTo(0.9 - half, within(1e-5));
        assertThat(change.get("sentence").toString()).contains("0.9");
        assertThat(Land.rows(view, "dates")).hasSize(2);
        assertThat(Land.number(Land.rows(view, "dates").get(0), "middle")).isCloseTo(5.35, within(1e-9));
        assertThat(Land.rows(view, "stopsNeeded")).hasSize(6);
    }

    @Test
    void beginsWithWhatChangedMostAndNotWithWhatComesFirstByName() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {6.1, 6.2, 6.3, 6.4});
        // covered alike on three visits: more of them, and earlier in the alphabet
        Map<String, Object> cover = Map.of("livingPct", 40, "litterPct", 20, "stonePct", 5, "barePct", 35);
        for (LocalDate day : List.of(BEFORE.plusDays(1), AFTER.minusDays(300), AFTER.plusDays(1))) {
            String visit = land.visit(day);
            for (int i = 0; i < 4; i++) {
                Land.ok(land.record(visit, i, "ground-cover", cover, day));
            }
        }
        Map<String, Object> view = land.change("");
        assertThat(Land.part(view, "chosen")).containsEntry("indicator", "ph");
        assertThat(Land.part(view, "change")).containsEntry("verdict", "risen");
    }

    @Test
    void whereNothingChangedItBeginsWithWhatWasReadOnMostVisits() {
        Land land = twice(new double[] {5.2, 5.4, 5.3}, new double[] {5.2, 5.4, 5.3});
        Map<String, Object> cover = Map.of("livingPct", 40, "litterPct", 20, "stonePct", 5, "barePct", 35);
        for (LocalDate day : List.of(BEFORE.plusDays(1), AFTER.minusDays(300), AFTER.plusDays(1))) {
            Land.ok(land.record(land.visit(day), 0, "ground-cover", cover, day));
        }
        assertThat(Land.part(land.change(""), "chosen")).containsEntry("indicator", "ground-cover");
    }

    @Test
    void ofTwoStopsNothingMayBeSaid() {
        Map<String, Object> view =
                twice(new double[] {5.2, 5.4}, new double[] {6.2, 6.4}).change("?indicator=ph&method=ph");
        assertThat(Land.part(view, "change")).containsEntry("verdict", "too-few");
    }

    @Test
    void aKitAfterAMeterWidensTheIntervalByBoth() {
        Land land = new Land(advisor, 3);
        String first = land.visit(BEFORE);
        String second = land.visit(AFTER);
        double[] later = {5.9, 6.0, 6.1};
        for (int i = 0; i < 3; i++) {
            land.ph(first, i, 5.5 + 0.1 * i, BEFORE);
            land.ph(second, i, "vial-kit", later[i], AFTER);
        }
        Map<String, Object> change = Land.part(land.change("?indicator=ph&method=ph"), "change");
        // every stop rose by 0.4: √(0.2² + 0.5²) of the two instruments stands in the way, beside their scatter and
        // what
        // a whole visit may be off
        double alike = Math.hypot(4.30265 * Math.sqrt(2) * 0.05 / Math.sqrt(3), 1.96 * Math.sqrt(2) * 0.1);
        assertThat(Land.number(change, "high") - Land.number(change, "mean"))
                .isCloseTo(Math.hypot(alike, Math.hypot(0.2, 0.5)), within(1e-5));
        assertThat(change).containsEntry("verdict", "no-change-shown");
    }

    @Test
    void stopsLeftAloneTakeTheDriftOfTheVisitOff() {
        // the second visit reads 0.5 high everywhere; three limed stops rose by 0.6 more
        Land land = twice(new double[] {5.2, 5.3, 5.4, 5.3, 5.2}, new double[] {6.3, 6.4, 6.5, 5.8, 5.7});
        land.event(LIMED, "lime", land.stops.subList(0, 3));
        Map<String, Object> view = land.change("?indicator=ph&method=ph");
        Map<String, Object> event = Land.rows(view, "events").get(0);
        assertThat(event).containsEntry("controls", 2);
        Map<String, Object> change = Land.part(event, "change");
        assertThat(change).containsEntry("pairs", 3).containsEntry("verdict", "risen");
        assertThat(Land.number(change, "mean")).isCloseTo(0.6, within(1e-9));
        assertThat(event.get("caution").toString()).contains("2");
    }

    @Test
    void anEventOnTheWholeFieldSaysThatNothingWasLeftAlone() {
        Land land = twice(new double[] {5.2, 5.3, 5.4}, new double[] {6.3, 6.4, 6.5});
        land.event(LIMED, "lime", List.of());
        Map<String, Object> event =
                Land.rows(land.change("?indicator=ph&method=ph"), "events").get(0);
        assertThat(event).containsEntry("controls", 0);
        assertThat(Land.number(Land.part(event, "change"), "mean")).isCloseTo(1.1, within(1e-9));
    }

    @Test
    void anEventWithoutAVisitOnEitherSideHasNoChange() {
        Land land = twice(new double[] {5.2, 5.3, 5.4}, new double[] {6.3, 6.4, 6.5});
        land.event(AFTER.plusDays(3), "lime", List.of());
        Map<String, Object> view = land.change("?indicator=ph&method=ph");
        assertThat(Land.rows(view, "events")).isEmpty();
        assertThat(Land.rows(view, "allEvents")).hasSize(1);
    }

    @Test
    void dryAndWetDaysAreNotHeldAgainstEachOther() {
        Land land = new Land(advisor, 3);
        String dry = land.visit(BEFORE, "dry", 14);
        String wet = land.visit(AFTER.plusMonths(5), "wet", 1);
        for (int i = 0; i < 3; i++) {
            Map<String, Object> block =
                    Map.of("lengthMm", 200, "widthMm", 200, "depthMm", 200, "adults", 2 + 6 * i, "juveniles", 1);
            Map<String, Object> more = Map.of("depthTopMm", 0, "depthBottomMm", 200);
            Land.ok(land.record(dry, i, "earthworms", Map.of("blocks", List.of(block)), BEFORE, more));
            Land.ok(land.record(wet, i, "earthworms", Map.of("blocks", List.of(block)), AFTER.plusMonths(5), more));
        }
        Map<String, Object> change = Land.part(land.change("?indicator=earthworms"), "change");
        assertThat(change).containsEntry("verdict", "not-comparable");
        assertThat(Land.rows(change, "mismatches"))
                .extracting(each -> each.get("condition"))
                .contains("moisture", "season");
        assertThat(change.get("sentence").toString()).isNotBlank();
    }

    @Test
    void aSteadyRiseOverSixYearsIsATrendAndAWobbleIsNot() {
        Land steady = new Land(advisor, 2);
        Land wobbly = new Land(advisor, 2);
        double[] wobble = {5.6, 5.9, 5.4, 5.8, 5.5, 5.7};
        for (int year = 0; year < 6; year++) {
            LocalDate on = LocalDate.of(2020 + year, 4, 10);
            for (Land land : List.of(steady, wobbly)) {
                String visit = land.visit(on);
                for (int stop = 0; stop < 2; stop++) {
                    land.ph(visit, stop, land == steady ? 5.0 + 0.2 * year : wobble[year], on);
                }
            }
        }
        Map<String, Object> rise = Land.part(steady.change("?indicator=ph&method=ph"), "trend");
        assertThat(rise).containsEntry("shown", true).containsEntry("dates", 6);
        assertThat(Land.number(rise, "slopePerYear")).isCloseTo(0.2, within(0.001));
        // 15 of 15 pairs rise: 2 ÷ 6!
        assertThat(Land.number(rise, "p")).isCloseTo(2.0 / 720, within(1e-6));
        assertThat(Land.part(wobbly.change("?indicator=ph&method=ph"), "trend")).containsEntry("shown", false);
    }

    @Test
    void aPeriodAndSomeStopsNarrowWhatIsCompared() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {6.1, 6.2, 6.3, 6.4});
        Map<String, Object> some = land.change("?indicator=ph&method=ph&stops=" + land.stops.get(0) + ","
                + land.stops.get(1) + "," + land.stops.get(2));
        assertThat(Land.part(some, "change")).containsEntry("pairs", 3);
        Map<String, Object> late = land.change("?indicator=ph&method=ph&from=2025-01-01");
        assertThat(Land.rows(late, "dates")).hasSize(1);
        assertThat(late.get("change")).isNull();
    }

    @Test
    void aFieldWithoutReadingsHasNothingToFollow() {
        Map<String, Object> view = new Land(advisor, 1).change("");
        assertThat(Land.rows(view, "series")).isEmpty();
        assertThat(view.get("chosen")).isNull();
        assertThat(Land.rows(view, "points")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "1, 0", "-1, 1", "1, -2", "NaN, 1", "Infinity, 1"})
    void stopsNeededWantsPositiveFigures(String deviation, String change) {
        ApiClient.Answer answer = advisor.get("/api/stops-needed?deviation=" + deviation + "&change=" + change);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("NOT_POSITIVE");
    }

    @Test
    void moreStopsShowASmallerChange() {
        double large = Land.number(
                advisor.get("/api/stops-needed?deviation=0.3&change=0.6").json(), "stops");
        double small = Land.number(
                advisor.get("/api/stops-needed?deviation=0.3&change=0.15").json(), "stops");
        assertThat(small).isGreaterThan(large);
        assertThat(advisor.get("/api/stops-needed?deviation=3&change=0.0001").json())
                .doesNotContainKey("stops");
    }

    @Test
    void anUnknownFieldOrABrokenParameterIsSaid() {
        assertThat(advisor.get("/api/fields/" + UUID.randomUUID() + "/change").status())
                .isEqualTo(404);
        Land land = new Land(advisor, 1);
        assertThat(advisor.get("/api/fields/" + land.field + "/change?from=yesterday")
                        .status())
                .isIn(400, 422);
        assertThat(advisor.get("/api/fields/" + land.field + "/change?stops=not-an-id")
                        .status())
                .isIn(400, 422);
    }
}
