package org.morphotera.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.statistics.Sample;
import org.morphotera.core.trend.Likeness.Circumstances;
import org.morphotera.core.trend.Likeness.Condition;
import org.morphotera.core.trend.PairedChange.Verdict;

class TrendTest {

    private static final int HISTORIES = 2000;

    private static final double[] NO_CONTROLS = {};

    /** pH: no logarithm, an instrument of 0.07, and 0.1 that a visit shares. */
    private static final ChangeScale PH = ChangeScale.of("ph", CoreData.BENCHMARKS);

    private static PairedChange change(double[] earlier, double[] later, ChangeScale scale, double conversion) {
        double[] differences = new double[earlier.length];
        for (int i = 0; i < earlier.length; i++) {
            differences[i] = scale.of(later[i]) - scale.of(earlier[i]);
        }
        return PairedChange.of(differences, NO_CONTROLS, scale, conversion, true);
    }

    @Test
    void theIntervalIsStudentsWithWhatAVisitShares() {
        double[] before = {5.1, 5.3, 5.0, 5.4, 5.2};
        double[] after = {5.9, 5.8, 5.9, 6.1, 5.8};
        // differences 0.8 0.5 0.9 0.7 0.6: mean 0.7, s 0.1581, t(4) 2.776
        double student = 2.7764 * 0.15811 / Math.sqrt(5);
        PairedChange plain = change(before, after, ChangeScale.PLAIN, 0);
        assertThat(plain.mean()).isCloseTo(0.7, within(1e-9));
        assertThat(plain.low()).isCloseTo(0.7 - student, within(1e-4));
        assertThat(plain.smallest()).isCloseTo((2.7764 + 0.94096) * 0.15811 / Math.sqrt(5), within(1e-4));
        PairedChange ph = change(before, after, PH, 0);
        assertThat(ph.low()).isCloseTo(0.7 - Math.hypot(student, 1.95996 * Math.sqrt(2) * 0.1), within(1e-4));
        assertThat(ph.verdict()).isEqualTo(Verdict.RISEN);
    }

    @Test
    void readingsThatAgreeTooWellAreHeldToTheInstrument() {
        PairedChange same = PairedChange.of(new double[] {0.1, 0.1, 0.1}, NO_CONTROLS, PH, 0, true);
        double half = Math.hypot(4.30265 * Math.sqrt(2) * 0.05 / Math.sqrt(3), 1.95996 * Math.sqrt(2) * 0.1);
        assertThat(same.high() - same.mean()).isCloseTo(half, within(1e-4));
    }

    @Test
    void twoPairsAreTooFewAndAnUnlikeVisitIsNotComparable() {
        assertThat(PairedChange.of(new double[] {1, 1.1}, NO_CONTROLS, PH, 0, true)
                        .verdict())
                .isEqualTo(Verdict.TOO_FEW);
        assertThat(PairedChange.of(NO_CONTROLS, NO_CONTROLS, PH, 0, true).verdict())
                .isEqualTo(Verdict.TOO_FEW);
        assertThat(PairedChange.of(new double[] {3, 3, 3.2}, NO_CONTROLS, PH, 0, false)
                        .verdict())
                .isEqualTo(Verdict.NOT_COMPARABLE);
    }

    @Test
    void theConversionOfAnotherInstrumentJoinsTheRoot() {
        double[] before = {5.1, 5.3, 5.0, 5.4, 5.2};
        double[] after = {5.6, 5.7, 5.5, 6.0, 5.6};
        PairedChange one = change(before, after, PH, 0);
        PairedChange other = change(before, after, PH, 0.5);
        assertThat(one.verdict()).isEqualTo(Verdict.RISEN);
        assertThat(other.verdict()).isEqualTo(Verdict.NO_CHANGE_SHOWN);
        double half = one.high() - one.mean();
        assertThat(other.high() - other.mean()).isCloseTo(Math.hypot(half, 0.5), within(1e-9));
    }

    @Test
    void whatSpreadsInProportionIsComparedAsAFactor() {
        ChangeScale worms = ChangeScale.of("earthworms", CoreData.BENCHMARKS);
        double[] before = {0, 3, 6, 12};
        double[] after = {0.5, 6.5, 12.5, 24.5};
        PairedChange doubled = change(before, after, worms, 0);
        assertThat(worms.told(doubled.mean())).isCloseTo(2, within(1e-9));
        assertThat(worms.figure(worms.of(7))).isCloseTo(7, within(1e-9));
    }

    /** One control has the scatter of the treated; two have their own and Welch's degrees of freedom. */
    @Test
    void controlsTakeTheDriftOffAndWhatAVisitSharesWithIt() {
        double[] treated = {0.9, 1.1, 1.0};
        PairedChange one = PairedChange.of(treated, new double[] {0.5}, PH, 0, true);
        assertThat(one.mean()).isCloseTo(0.5, within(1e-9));
        assertThat(one.high() - one.mean()).isCloseTo(4.30265 * 0.1 * Math.sqrt(1.0 / 3 + 1), within(1e-4));
        PairedChange two = PairedChange.of(treated, new double[] {0.4, 0.6}, PH, 0, true);
        double own = 0.01 / 3;
        double theirs = 0.02 / 2;
        double degrees = Math.pow(own + theirs, 2) / (own * own / 2 + theirs * theirs / 1);
        assertThat(two.mean()).isCloseTo(0.5, within(1e-9));
        assertThat(two.high() - two.mean())
                .isCloseTo(Sample.studentTQuantile(0.975, degrees) * Math.sqrt(own + theirs), within(1e-6));
        assertThat(two.controls()).isEqualTo(2);
    }

    /** Histories without a true change: how many are called changed, with what a visit shares and with controls. */
    @ParameterizedTest
    @CsvSource({"3, 0, 0", "5, 0, 0", "8, 0, 0", "3, 0.1, 0", "5, 0.1, 0", "8, 0.1, 0", "5, 0.3, 1", "5, 0.3, 2"})
    void falseAlarmsAreRare(int stops, double visit, int controls) {
        double share = shareCalledChanged(stops, visit, controls, 0);
        System.out.printf(
                "no true change, %d stops, %.1f shared by a visit, %d controls: %.1f %% of %d called changed%n",
                stops, visit, controls, 100 * share, HISTORIES);
        assertThat(share).isLessThanOrEqualTo(0.06);
    }

    /** Histories with a true change of the stated detectable size: how many are found. */
    @ParameterizedTest
    @ValueSource(ints = {3, 5, 8})
    void aChangeOfTheStatedSizeIsFound(int stops) {
        double size = PairedChange.smallestDetectable(Math.sqrt(2) * 0.3, 0.1, stops);
        double share = shareCalledChanged(stops, 0.1, 0, size);
        System.out.printf("true change of the detectable size, %d stops: %.1f %% found%n", stops, 100 * share);
        assertThat(share).isGreaterThanOrEqualTo(0.75);
    }

    private static double shareCalledChanged(int stops, double visit, int controls, double change) {
        Random random = new Random(41 + stops);
        int called = 0;
        for (int i = 0; i < HISTORIES; i++) {
            double drift = visit * Math.sqrt(2) * random.nextGaussian();
            Verdict verdict = PairedChange.of(
                            differences(random, stops, drift + change),
                            differences(random, controls, drift),
                            PH,
                            0,
                            true)
                    .verdict();
            called += verdict == Verdict.RISEN || verdict == Verdict.FALLEN ? 1 : 0;
        }
        return (double) called / HISTORIES;
    }

    /** Later less earlier at places of their own, each reading with its own scatter. */
    private static double[] differences(Random random, int stops, double moved) {
        double[] differences = new double[stops];
        for (int j = 0; j < stops; j++) {
            double place = 6 + random.nextGaussian();
            double before = place + 0.3 * random.nextGaussian();
            differences[j] = place + moved + 0.3 * random.nextGaussian() - before;
        }
        return differences;
    }

    @Test
    void moreStopsSeeSmallerChanges() {
        Integer few = PairedChange.stopsNeeded(0.4, 0, 0.8, 60);
        Integer many = PairedChange.stopsNeeded(0.4, 0, 0.3, 60);
        assertThat(few).isLessThan(many);
        assertThat(PairedChange.smallestDetectable(0.4, 0, many)).isLessThanOrEqualTo(0.3);
        assertThat(PairedChange.smallestDetectable(0.4, 0, many - 1)).isGreaterThan(0.3);
        assertThat(PairedChange.stopsNeeded(5, 0, 0.01, 60)).isNull();
    }

    private static LongTrend trend(double[] years, double[]... stops) {
        List<LongTrend.Reading> readings = new ArrayList<>();
        for (int stop = 0; stop < stops.length; stop++) {
            for (int i = 0; i < years.length; i++) {
                if (!Double.isNaN(stops[stop][i])) {
                    readings.add(new LongTrend.Reading(stop, years[i], stops[stop][i]));
                }
            }
        }
        return LongTrend.of(readings);
    }

    @Test
    void aSteadyRiseOverSixDatesIsShownAndFiveUnsteadyOnesAreNot() {
        LongTrend rise = trend(new double[] {0, 1, 2, 3, 4, 5}, new double[] {5.0, 5.2, 5.3, 5.7, 5.8, 6.1});
        assertThat(rise.slopePerYear()).isCloseTo(0.22, within(0.02));
        assertThat(rise.shown()).isTrue();
        assertThat(rise.low()).isLessThanOrEqualTo(rise.slopePerYear());
        assertThat(rise.high()).isGreaterThanOrEqualTo(rise.slopePerYear());
        LongTrend none = trend(new double[] {0, 1, 2, 3, 4}, new double[] {5.0, 5.3, 4.9, 5.2, 5.1});
        assertThat(none.shown()).isFalse();
        assertThat(trend(new double[] {0, 1}, new double[] {1, 2})).isNull();
    }

    /** The best stop was left out at first: the mean of the field rises, no stop does. */
    @Test
    void aStopThatWasLeftOutOnceMakesNoTrend() {
        double out = Double.NaN;
        LongTrend trend = trend(
                new double[] {0, 1, 2, 3, 4, 5}, new double[] {5, 5, 5, 5, 5, 5}, new double[] {out, out, out, 8, 8, 8
                });
        assertThat(trend.slopePerYear()).isZero();
        assertThat(trend.shown()).isFalse();
    }

    @Test
    void twoReadingsOfOneDayAreOneDate() {
        List<LongTrend.Reading> readings = new ArrayList<>();
        for (double year : new double[] {0, 0, 1, 1}) {
            readings.add(new LongTrend.Reading("a", year, 5 + readings.size() * 0.1));
        }
        assertThat(LongTrend.of(readings)).isNull();
        readings.add(new LongTrend.Reading("a", 2, 5.6));
        assertThat(LongTrend.of(readings).slopePerYear()).isFinite();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 1})
    void withoutATrendTheTestSeldomShowsOne(double shared) {
        Random random = new Random(7);
        int shown = 0;
        for (int i = 0; i < HISTORIES; i++) {
            double[] years = {0, 1, 2, 3, 4, 5};
            double[][] stops = new double[4][years.length];
            for (int visit = 0; visit < years.length; visit++) {
                double high = shared * random.nextGaussian();
                for (double[] stop : stops) {
                    stop[visit] = Math.rint(10 * (high + random.nextGaussian())) / 10;
                }
            }
            shown += trend(years, stops).shown() ? 1 : 0;
        }
        System.out.printf("no trend, %.0f shared by a visit: %.1f %% shown%n", shared, 100.0 * shown / HISTORIES);
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
        Likeness.Mismatch matters = new Likeness.Mismatch(Condition.SEASON, true);
        Likeness.Mismatch not = new Likeness.Mismatch(Condition.WATER, false);
        assertThat(Likeness.comparable(List.of(matters, not, not))).isTrue();
        assertThat(Likeness.comparable(List.of(matters, matters))).isFalse();
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

    @Test
    void whetherItIsBetterIsSaidByTheStandings() {
        assertThat(Direction.of(Verdict.RISEN, -0.3)).isEqualTo(Direction.WORSE);
        assertThat(Direction.of(Verdict.FALLEN, 0.2)).isEqualTo(Direction.BETTER);
        assertThat(Direction.of(Verdict.RISEN, 0.001)).isEqualTo(Direction.NONE);
        assertThat(Direction.of(Verdict.NO_CHANGE_SHOWN, 0.4)).isEqualTo(Direction.NONE);
    }
}
