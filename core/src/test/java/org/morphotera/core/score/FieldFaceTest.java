package org.morphotera.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.result.Level;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.statistics.Sample;

class FieldFaceTest {

    private static final DepthLayer TOP = new DepthLayer(0, 100);

    private static List<StopScore> at(DepthLayer layer, String indicator, double... standings) {
        List<StopScore> stops = new ArrayList<>();
        for (int i = 0; i < standings.length; i++) {
            stops.add(new StopScore("stop " + (i + 1), indicator, layer, standings[i]));
        }
        return stops;
    }

    @Test
    void oneOddStopIsNamedAndDoesNotMoveTheMedian() {
        Finding finding = FieldFace.of(at(TOP, "slaking", 0.6, 0.62, 0.1, 0.58, 0.61))
                .findings()
                .get(0);
        assertThat(finding.median()).isEqualTo(0.6);
        assertThat(finding.lowest()).isEqualTo(0.1);
        assertThat(finding.oddStops()).containsExactly("stop 3");
        assertThat(finding.level()).isEqualTo(Level.SERVICEABLE);
    }

    @Test
    void aStopIsOddByTheMedianOfTheOthersHoweverManyAndHoweverAlike() {
        Random random = new Random(11);
        int odd = 0;
        for (int round = 0; round < 2000; round++) {
            // to the nearest tenth, so that many are equal
            double[] standings = random.doubles(5 + random.nextInt(5))
                    .map(each -> Math.rint(each * 10) / 10)
                    .toArray();
            List<String> expected = new ArrayList<>();
            for (int i = 0; i < standings.length; i++) {
                List<Double> others = new ArrayList<>();
                for (int other = 0; other < standings.length; other++) {
                    if (other != i) {
                        others.add(standings[other]);
                    }
                }
                if (Math.abs(standings[i] - Sample.of(others).median()) > 0.35) {
                    expected.add("stop " + (i + 1));
                }
            }
            odd += expected.size();
            assertThat(FieldFace.of(at(TOP, "slaking", standings))
                            .findings()
                            .get(0)
                            .oddStops())
                    .as("of %s", Arrays.toString(standings))
                    .isEqualTo(expected);
        }
        assertThat(odd).isGreaterThan(1000);
    }

    @Test
    void noStopIsOddAmongTooFew() {
        assertThat(FieldFace.of(at(TOP, "slaking", 0.9, 0.9, 0.9, 0.1))
                        .findings()
                        .get(0)
                        .oddStops())
                .isEmpty();
    }

    @Test
    void theSameIndicatorAtTwoDepthsIsTwoFindingsAndABandHasItsLowest() {
        List<StopScore> standings = new ArrayList<>(at(TOP, "dispersion", 1, 1));
        standings.addAll(at(TOP, "slaking", 0.4, 0.5));
        standings.addAll(at(new DepthLayer(400, 500), "dispersion", 0, 0.5));
        FieldFace face = FieldFace.of(standings);
        assertThat(face.findings()).hasSize(3);
        assertThat(face.bands().get(DepthBand.TOP_0_100).indicator()).isEqualTo("slaking");
        assertThat(face.bands().get(DepthBand.BELOW_300).median()).isCloseTo(0.25, within(1e-12));
        assertThat(face.bands()).doesNotContainKey(DepthBand.LOW_200_300);
        assertThat(face.lowest().layer()).isEqualTo(new DepthLayer(400, 500));
    }

    @Test
    void aHoleSpeaksForEveryBandItCovers() {
        assertThat(DepthBand.spannedBy(new DepthLayer(0, 260)))
                .containsExactly(DepthBand.TOP_0_100, DepthBand.MID_100_200, DepthBand.LOW_200_300);
        assertThat(DepthBand.spannedBy(null)).containsExactly(DepthBand.ABOVE_GROUND);
        assertThat(DepthBand.spannedBy(new DepthLayer(0, 0))).containsExactly(DepthBand.TOP_0_100);
        assertThat(FieldFace.of(List.of()).lowest()).isNull();
    }
}
