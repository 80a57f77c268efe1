package org.morphotera.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.trend.Likeness.Circumstances;
import org.morphotera.core.trend.Likeness.Condition;
import org.morphotera.core.trend.PairedChange.Verdict;

class TrendTest {

    private static final int HISTORIES = 2000;

    @Test
    void theIntervalIsStudents() {
        PairedChange change = PairedChange.of(
                new double[] {5.1, 5.3, 5.0, 5.4, 5.2}, new double[] {5.9, 5.8, 5.9, 6.1, 5.8}, 0, true);
        // differences 0.8 0.5 0.9 0.7 0.6: mean 0.7, s 0.1581, t(4) 2.776
        assertThat(change.mean()).isCloseTo(0.7, within(1e-9));
        assertThat(change.low()).isCloseTo(0.7 - 2.7764 * 0.15811 / Math.sqrt(5), within(1e-4));
        assertThat(change.verdict()).isEqualTo(Verdict.RISEN);
        assertThat(change.smallest()).isCloseTo((2.7764 + 0.94096) * 0.15811 / Math.sqrt(5), within(1e-4));
    }

    @Test
    void twoPairsAreTooFewAndAnUnlikeVisitIsNotComparable() {
        assertThat(PairedChange.of(new double[] {1, 2}, new double[] {2, 3.1}, 0, true)
                        .verdict())
                .isEqualTo(Verdict.TOO_FEW);
        assertThat(PairedChange.of(new double[0], new double[0], 0, true).verdict())
                .isEqualTo(Verdict.TOO_FEW);
        assertThat(PairedChange.of(new double[] {1, 2, 3}, new double[] {4, 5, 6.2}, 0, false)
                        .verdict())
                .isEqualTo(Verdict.NOT_COMPARABLE);
    }

    @Test
    void anotherInstrumentWidensTheInterval() {
        double[] before = {5.1, 5.3, 5.0, 5.4, 5.2};
        double[] after = {5.5, 5.6, 5.3, 5.9, 5.5};
        assertThat(PairedChange.of(before, after, 0, true).verdict()).isEqualTo(Verdict.RISEN);
        assertThat(PairedChange.of(before, after, 0.5, true).verdict()).isEqualTo(Verdict.NO_CHANGE_SHOWN);
    }

    /** Histories without a true change: how many are called changed. */
    @ParameterizedTest
    @ValueSource(ints = {3, 5, 8})
    void falseAlarmsAreRare(int stops) {
        double share = shareCalledChanged(stops, 0);
        System.out.printf("no true change, %d stops: %.1f %% of %d called changed%n", stops, 100 * share, HISTORIES);
        assertThat(share).isLessThanOrEqualTo(0.06);
    }

    /** Histories with a true change of the stated detectable size: how many are found. */
    @ParameterizedTest
    @ValueSource(ints = {3, 5, 8})
    void aChangeOfTheStatedSizeIsFound(int stops) {
        double share = shareCalledChanged(stops, PairedChange.smallestDetectable(Math.sqrt(2) * 0.3, stops));
        System.out.printf("true change of the detectable size, %d stops: %.1f %% found%n", stops, 100 * share);
        assertThat(share).isGreaterThanOrEqualTo(0.75);
    }

    private static double shareCalledChanged(int stops, double change) {
        Random random = new Random(41 + stops);
        int called = 0;
        for (int i = 0; i < HISTORIES; i++) {
            double[] before = new double[stops];
            double[] after = new double[stops];
            for (int j = 0; j < stops; j++) {
                double place = 6 + random.nextGaussian();
                before[j] = place + 0.3 * random.nextGaussian();
                after[j] = place + change + 0.3 * random.nextGaussian();
            }
            Verdict verdict = PairedChange.of(before, after, 0, true).verdict();
            called += verdict == Verdict.RISEN || verdict == Verdict.FALLEN ? 1 : 0;
        }
        return (double) called / HISTORIES;
    }

    @Test
    void moreStopsSeeSmallerChanges() {
        Integer few = PairedChange.stopsNeeded(0.4, 0.8, 60);
        Integer many = PairedChange.stopsNeeded(0.4, 0.3, 60);
        assertThat(few).isLessThan(many);
        assertThat(PairedChange.smallestDetectable(0.4, many)).isLessThanOrEqualTo(0.3);
        assertThat(PairedChange.smallestDetectable(0.4, many - 1)).isGreaterThan(0.3);
        assertThat(PairedChange.stopsNeeded(5, 0.01, 60)).isNull();
    }

    @Test
    void aSteadyRiseOverSixDatesIsShownAndFiveUnsteadyOnesAreNot() {
        LongTrend rise = LongTrend.of(new double[] {0, 1, 2, 3, 4, 5}, new double[] {5.0, 5.2, 5.3, 5.7, 5.8, 6.1});
        assertThat(rise.slopePerYear()).isCloseTo(0.22, within(0.02));
        assertThat(rise.p()).isCloseTo(2.0 / 720, within(1e-9));
        assertThat(rise.shown()).isTrue();
        assertThat(rise.low()).isLessThanOrEqualTo(rise.slopePerYear());
        assertThat(rise.high()).isGreaterThanOrEqualTo(rise.slopePerYear());
        LongTrend none = LongTrend.of(new double[] {0, 1, 2, 3, 4}, new double[] {5.0, 5.3, 4.9, 5.2, 5.1});
        assertThat(none.shown()).isFalse();
        assertThat(LongTrend.of(new double[] {0, 1}, new double[] {1, 2})).isNull();
    }

    @Test
    void withoutATrendTheTestSeldomShowsOne() {
        Random random = new Random(7);
        int shown = 0;
        for (int i = 0; i < HISTORIES; i++) {
            double[] years = new double[6];
            double[] values = new double[6];
            for (int j = 0; j < 6; j++) {
                years[j] = j;
                values[j] = Math.rint(10 * random.nextGaussian()) / 10;
            }
            shown += LongTrend.of(years, values).shown() ? 1 : 0;
        }
        assertThat((double) shown / HISTORIES).isLessThanOrEqualTo(0.06);
    }

    @Test
    void unlikeVisitsAreNamedAndTwoThatMatterForbidAVerdict() {
        Circumstances autumn = new Circumstances(290, "moist", 2, 11.0, new DepthLayer(0, 200), null, "one");
        Circumstances summer = new Circumstances(200, "dry", 12, 22.0, new DepthLayer(0, 200), null, "one");
        var worms = Likeness.mismatches(Methods.all().get("earthworms"), autumn, summer, CoreData.BENCHMARKS);
        assertThat(worms)
                .extracting(Likeness.Mismatch::condition)
                .containsExactly(Condition.SEASON, Condition.MOISTURE, Condition.RAIN, Condition.TEMPERATURE);
        assertThat(Likeness.comparable(worms)).isFalse();
        // acid on a crumb does not care
        assertThat(Likeness.comparable(
                        Likeness.mismatches(Methods.all().get("fizz"), autumn, summer, CoreData.BENCHMARKS)))
                .isTrue();
        Circumstances winterSide = new Circumstances(10, null, null, null, null, "tap", null);
        Circumstances yearsEnd = new Circumstances(350, null, null, null, null, "rain", null);
        assertThat(Likeness.mismatches(Methods.all().get("crumb-stability"), winterSide, yearsEnd, CoreData.BENCHMARKS))
                .extracting(Likeness.Mismatch::condition)
                .containsExactly(Condition.WATER);
    }

    /** A whole visit that reads 0.5 high on every stop is no effect of the lime on three of them. */
    @Test
    void controlsTakeTheDriftOfTheVisitOffTheTreated() {
        double[] treated = {0.9, 1.1, 1.0};
        double[] controls = {0.4, 0.6};
        assertThat(PairedChange.lessDrift(treated, controls))
                .containsExactly(new double[] {0.4, 0.6, 0.5}, within(1e-12));
        assertThat(PairedChange.lessDrift(new double[] {0.5, 0.4, 0.6}, controls))
                .satisfies(left -> assertThat(
                                PairedChange.ofDifferences(left, 0, true).verdict())
                        .isEqualTo(PairedChange.Verdict.NO_CHANGE_SHOWN));
        assertThat(PairedChange.lessDrift(treated, new double[0]))
                .containsExactly(treated)
                .isNotSameAs(treated);
    }
}
