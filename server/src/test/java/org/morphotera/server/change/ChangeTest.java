package org.morphotera.server.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
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
        assertThat(Land.part(land.change("?indicator=ph"), "change")).containsEntry("verdict", "probably-risen");
        // what was done that can raise it makes a rise the likelier
        land.event(LIMED, "lime", List.of());
        Map<String, Object> view = land.change("?indicator=ph");
        Map<String, Object> change = Land.part(view, "change");
        assertThat(change)
                .containsEntry("verdict", "risen")
                .containsEntry("direction", "better")
                .containsEntry("told", true);
        // 0.9 by the readings; drift and what a whole visit shares take a part of it
        assertThat(Land.number(change, "mean")).isBetween(0.5, 0.9);
        assertThat(Land.number(change, "later") - Land.number(change, "earlier"))
                .isCloseTo(Land.number(change, "mean"), within(1e-9));
        assertThat(Land.number(change, "low")).isBetween(0.05, Land.number(change, "mean"));
        assertThat(Land.number(change, "probability")).isGreaterThan(0.95);
        assertThat(change.get("sentence").toString())
                .isEqualTo("pH, 0 to 100 mm: risen from %.1f to %.1f, by %.1f (%.1f to %.1f); better."
                        .formatted(
                                Land.number(change, "earlier"),
                                Land.number(change, "later"),
                                Land.number(change, "mean"),
                                Land.number(change, "low"),
                                Land.number(change, "high")));
        assertThat(Land.rows(view, "dates")).hasSize(2);
        assertThat(Land.rows(view, "told")).hasSize(1);
        assertThat(Land.number(view, "chanceOfError")).isCloseTo(1 - Land.number(change, "probability"), within(1e-9));
    }

    @Test
    void moreStopsMoreLeftAloneAndMoreVisitsShowASmallerChange() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {5.3, 5.4, 5.4, 5.5});
        List<Map<String, Object>> designs = Land.rows(land.change("?indicator=ph"), "designs");
        Map<String, Object> now = designs.get(0);
        assertThat(now).containsEntry("stops", 4).containsEntry("leftAlone", 0).containsEntry("visits", 1);
        assertThat(designs.subList(1, designs.size()))
                .allSatisfy(each -> assertThat(Land.number(each, "effect")).isLessThan(Land.number(now, "effect")));
    }

    @Test
    void beginsWithWhatChangedMostAndNotWithWhatComesFirstByName() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {6.1, 6.2, 6.3, 6.4});
        land.event(LIMED, "lime", List.of());
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
    void whatOneVisitMayShareIsNoChange() {
        Map<String, Object> view =
                twice(new double[] {5.2, 5.4}, new double[] {5.4, 5.6}).change("?indicator=ph");
        Map<String, Object> change = Land.part(view, "change");
        assertThat(change).containsEntry("verdict", "cannot-tell").containsEntry("told", false);
        assertThat(change.get("sentence").toString()).contains("can't tell yet", "on a change would show");
        assertThat(view.get("chanceOfError")).isNull();
    }

    @Test
    void aKitAfterAMeterIsNoRise() {
        Land land = new Land(advisor, 3);
        String first = land.visit(BEFORE);
        String second = land.visit(AFTER);
        double[] later = {5.9, 6.0, 6.1};
        for (int i = 0; i < 3; i++) {
            land.ph(first, i, 5.5 + 0.1 * i, BEFORE);
            land.ph(second, i, "vial-kit", later[i], AFTER);
        }
        Map<String, Object> kit = Land.part(land.change("?indicator=ph"), "change");
        assertThat(kit).containsEntry("verdict", "cannot-tell");
        Map<String, Object> meter =
                Land.part(twice(new double[] {5.5, 5.6, 5.7}, later).change("?indicator=ph"), "change");
        assertThat(Land.number(kit, "probability")).isLessThan(Land.number(meter, "probability"));
    }

    @Test
    void stopsLeftAloneTakeTheDriftOfTheVisitOff() {
        // the second visit reads 0.3 high everywhere; three limed stops rose by 0.7 more
        Land land = twice(new double[] {5.2, 5.3, 5.4, 5.3, 5.2}, new double[] {6.2, 6.3, 6.4, 5.6, 5.5});
        land.event(LIMED, "lime", land.stops.subList(0, 3));
        Map<String, Object> view = land.change("?indicator=ph");
        Map<String, Object> event = Land.rows(view, "events").get(0);
        assertThat(event).containsEntry("stops", 3).containsEntry("leftAlone", 2);
        assertThat(event).containsEntry("verdict", "risen").containsEntry("direction", "better");
        assertThat(Land.number(event, "mean")).isBetween(0.45, 0.75);
        assertThat(event.get("sentence").toString()).contains("without it").contains("raised it by");
    }

    @Test
    void whereNothingWasLeftAloneLessIsLaidToTheEvent() {
        double[] earlier = {5.2, 5.3, 5.4, 5.3, 5.2};
        Land alone = twice(earlier, new double[] {5.9, 6.0, 6.1, 6.0, 5.9});
        alone.event(LIMED, "lime", List.of());
        Land held = twice(earlier, new double[] {5.9, 6.0, 6.1, 5.3, 5.2});
        held.event(LIMED, "lime", held.stops.subList(0, 3));
        Map<String, Object> without =
                Land.rows(alone.change("?indicator=ph"), "events").get(0);
        Map<String, Object> with =
                Land.rows(held.change("?indicator=ph"), "events").get(0);
        assertThat(without).containsEntry("leftAlone", 0);
        assertThat(Land.number(with, "probability")).isGreaterThan(Land.number(without, "probability"));
        assertThat(Land.number(with, "high") - Land.number(with, "low"))
                .isLessThan(Land.number(without, "high") - Land.number(without, "low"));
    }

    @Test
    void ploughingIsNoReasonForAPh() {
        Land land = twice(new double[] {5.2, 5.3, 5.4}, new double[] {5.9, 6.0, 6.1});
        land.event(LIMED, "ploughing", List.of());
        Map<String, Object> view = land.change("?indicator=ph");
        assertThat(Land.rows(view, "events")).isEmpty();
        assertThat(Land.rows(view, "allEvents")).hasSize(1);
    }

    @Test
    void anEventWithoutAVisitOnEitherSideHasNoChange() {
        Land land = twice(new double[] {5.2, 5.3, 5.4}, new double[] {6.3, 6.4, 6.5});
        land.event(AFTER.plusDays(3), "lime", List.of());
        Map<String, Object> view = land.change("?indicator=ph");
        assertThat(Land.rows(view, "events")).isEmpty();
        assertThat(Land.rows(view, "allEvents")).hasSize(1);
    }

    @Test
    void aSteadyRiseOverSixYearsIsToldAndAWobbleIsNot() {
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
        Map<String, Object> view = steady.change("?indicator=ph");
        assertThat(Land.part(view, "change")).containsEntry("verdict", "risen");
        Map<String, Object> rise = Land.part(view, "trend");
        assertThat(rise).containsEntry("dates", 6);
        assertThat(Land.number(rise, "slopePerYear")).isBetween(0.12, 0.2);
        assertThat(Land.number(rise, "low")).isPositive();
        Map<String, Object> none = wobbly.change("?indicator=ph");
        assertThat(Land.part(none, "change")).containsEntry("verdict", "cannot-tell");
        assertThat(Land.number(Land.part(none, "trend"), "low")).isNegative();
    }

    @Test
    void aPeriodAndSomeStopsNarrowWhatIsCompared() {
        Land land = twice(new double[] {5.2, 5.4, 5.3, 5.5}, new double[] {6.1, 6.2, 6.3, 6.4});
        Map<String, Object> some = land.change(
                "?indicator=ph&stops=" + land.stops.get(0) + "," + land.stops.get(1) + "," + land.stops.get(2));
        assertThat(Land.rows(some, "points")).hasSize(6);
        Map<String, Object> late = land.change("?indicator=ph&from=2025-01-01");
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
