package org.morphotera.core.method.block.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Held to the published test data of Sharma, Wu and Dalal (2005), chosen to find mistakes in hue and its mean. */
class ColourDifferenceTest {

    @ParameterizedTest
    @CsvSource({
        "50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425",
        "50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615",
        "50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412",
        "50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0000",
        "50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0000",
        "50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0000",
        "50, 0, 0, 50, -1, 2, 2.3669",
        "50, -1, 2, 50, 0, 0, 2.3669",
        "50, 2.4900, -0.0010, 50, -2.4900, 0.0009, 7.1792",
        "50, 2.4900, -0.0010, 50, -2.4900, 0.0011, 7.2195",
        "50, -0.0010, 2.4900, 50, 0.0009, -2.4900, 4.8045",
        "50, 2.5, 0, 50, 0, -2.5, 4.3065",
        "50, 2.5, 0, 73, 25, -18, 27.1492",
        "50, 2.5, 0, 61, -5, 29, 22.8977",
        "50, 2.5, 0, 56, -27, -3, 31.9030",
        "50, 2.5, 0, 58, 24, 15, 19.4535",
        "60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644",
        "2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082"
    })
    void agreesWithThePublishedPairs(
            double l1, double a1, double b1, double l2, double a2, double b2, double expected) {
        double[] one = {l1, a1, b1};
        double[] other = {l2, a2, b2};
        assertThat(ColourDifference.ciede2000(one, other)).isCloseTo(expected, within(5e-5));
        assertThat(ColourDifference.ciede2000(other, one)).isCloseTo(expected, within(5e-5));
    }

    @Test
    void aColourDoesNotDifferFromItself() {
        assertThat(ColourDifference.ciede2000(new double[] {40, 5, 12}, new double[] {40, 5, 12}))
                .isZero();
    }
}
