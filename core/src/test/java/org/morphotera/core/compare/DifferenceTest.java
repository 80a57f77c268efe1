package org.morphotera.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.compare.Difference.Key;
import org.morphotera.core.compare.Side.Reading;
import org.morphotera.core.trend.ChangeScale;

class DifferenceTest {

    private static Reading reading(double standing, double half) {
        return new Reading(standing, standing - half, standing + half, null, null, null);
    }

    @Test
    void differencesAreRankedByWhatTheyAreWorth() {
        Key ph = new Key("ph", "top-0-100");
        Key worms = new Key("earthworms", "top-0-100");
        Key smell = new Key("smell", "top-0-100");
        Map<Key, List<Reading>> poor = Map.of(
                ph, List.of(reading(0.3, 0.1)),
                worms, List.of(reading(0.4, 0.3)),
                smell, List.of(new Reading(0.5, null, null, null, null, null)));
        Map<Key, List<Reading>> good = Map.of(
                ph, List.of(reading(0.9, 0.1)),
                worms, List.of(reading(0.7, 0.3)),
                smell, List.of(new Reading(0.75, null, null, null, null, null)));
        List<Difference> ranked = Difference.ranked(poor, good, CoreData.BENCHMARKS);
        assertThat(ranked.get(0).key()).isEqualTo(ph);
        assertThat(ranked.get(0).ratio()).isCloseTo(0.6 / Math.hypot(0.1, 0.1), within(1e-9));
        assertThat(ranked.get(0).standing()).isCloseTo(0.6, within(1e-12));
        assertThat(ranked.get(0).defensible()).isTrue();
        assertThat(ranked).filteredOn(each -> !each.defensible()).hasSize(2);
    }

    @Test
    void whatWasMeasuredOnOneSideOnlyIsNotCompared() {
        Key ph = new Key("ph", "top-0-100");
        Key deeper = new Key("ph", "low-200-300");
        assertThat(Difference.ranked(
                        Map.of(ph, List.of(reading(0.5, 0.1))),
                        Map.of(deeper, List.of(reading(0.5, 0.1))),
                        CoreData.BENCHMARKS))
                .isEmpty();
    }

    @Test
    void theScatterBetweenStopsCountsWhereItIsTheLarger() {
        Side clumped =
                Side.of(List.of(reading(0.2, 0.01), reading(0.5, 0.01), reading(0.8, 0.01)), 0.1, ChangeScale.PLAIN);
        assertThat(clumped.standing()).isCloseTo(0.5, within(1e-12));
        // s = 0.3, t(2) = 4.303
        assertThat(clumped.scoreHalf()).isCloseTo(4.303 * 0.3 / Math.sqrt(3), within(1e-3));
        Side even = Side.of(
                List.of(reading(0.5, 0.3), reading(0.5, 0.3), reading(0.5, 0.3), reading(0.5, 0.3)),
                0.1,
                ChangeScale.PLAIN);
        assertThat(even.scoreHalf()).isCloseTo(0.15, within(1e-9));
    }

    @Test
    void figuresAreComparedInTheirOwnUnit() {
        Side one = Side.of(List.of(new Reading(0.5, 0.4, 0.6, 5.2, 5.0, 5.4)), 0.1, ChangeScale.PLAIN);
        Side other = Side.of(List.of(new Reading(0.9, 0.8, 1.0, 6.4, 6.2, 6.6)), 0.1, ChangeScale.PLAIN);
        Difference difference = Difference.between(new Key("ph", "top-0-100"), one, other);
        assertThat(difference.figure()).isCloseTo(1.2, within(1e-9));
        assertThat(difference.one().figureHalf()).isCloseTo(0.2, within(1e-9));
    }

    /** Equally bad for the crop, one too sour and one too alkaline: that is a difference, and neither is better. */
    @Test
    void equalStandingsHideNoDifferenceOfTheFigures() {
        ChangeScale ph = ChangeScale.of("ph", CoreData.BENCHMARKS);
        Side sour = Side.of(List.of(new Reading(0.1, 0.0, 0.2, 4.5, 4.3, 4.7)), 0.1, ph);
        Side alkaline = Side.of(List.of(new Reading(0.1, 0.0, 0.2, 8.8, 8.6, 9.0)), 0.1, ph);
        Difference difference = Difference.between(new Key("ph", "top-0-100"), sour, alkaline);
        assertThat(difference.standing()).isZero();
        assertThat(difference.ratio()).isCloseTo(4.3 / Math.hypot(0.2, 0.2), within(1e-9));
        assertThat(difference.defensible()).isTrue();
        assertThat(difference.better()).isEqualTo(Difference.Better.NEITHER);
    }

    @Test
    void countsAreComparedAsFactorsAndNeverBeyondTheInstrument() {
        ChangeScale worms = ChangeScale.of("earthworms", CoreData.BENCHMARKS);
        Side few = Side.of(List.of(new Reading(0.2, null, null, 2.0, null, null)), 0.125, worms);
        Side many = Side.of(List.of(new Reading(0.6, null, null, 9.5, null, null)), 0.125, worms);
        Difference difference = Difference.between(new Key("earthworms", "top-0-100"), few, many);
        double half = 1.96 * Math.sqrt(2) * worms.instrument();
        assertThat(difference.ratio()).isCloseTo(Math.log(10.0 / 2.5) / half, within(1e-9));
        assertThat(difference.better()).isEqualTo(Difference.Better.OTHER);
    }
}
