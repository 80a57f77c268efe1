package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SoilTest {

    @Test
    void everyPointOfTheTriangleHasAClassAndClayIsNeverALeftover() {
        Set<TextureClass> seen = EnumSet.noneOf(TextureClass.class);
        for (int silt = 0; silt <= 400; silt++) {
            for (int clay = 0; clay <= 400 - silt; clay++) {
                Composition point = Composition.ofSiltAndClay(silt / 4.0, clay / 4.0);
                TextureClass found = TextureClass.of(point);
                seen.add(found);
                if (found == TextureClass.CLAY) {
                    assertThat(point.clayPct()).as("clay of %s", point).isGreaterThanOrEqualTo(40);
                }
            }
        }
        assertThat(seen).containsExactlyInAnyOrder(TextureClass.values());
    }

    @Test
    void refusesSharesThatAreNoComposition() {
        assertThatThrownBy(() -> new Composition(50, 50, 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Composition(120, -10, -10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DepthLayer(200, 100)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @EnumSource(Unit.class)
    void convertsThereAndBack(Unit unit) {
        for (double x : new double[] {-20, 0, 0.3, 25.4, 2070}) {
            assertThat(unit.fromUs(unit.toUs(x))).isCloseTo(x, within(1e-9 * Math.max(1, Math.abs(x))));
        }
    }

    @ParameterizedTest
    @CsvSource({"MM, 25.4, 1", "KPA, 2068.427, 300", "CELSIUS, 21, 69.8", "T_PER_HA, 1, 0.446", "KG_PER_HA, 112, 99.92"
    })
    void convertsToKnownFigures(Unit unit, double metric, double us) {
        assertThat(unit.toUs(metric)).isCloseTo(us, within(0.005 * us));
    }

    @ParameterizedTest
    @CsvSource({
        "-39, −39",
        "-0.04157, −0.04157",
        "38, 38",
        "0.1234567, 0.1235",
        "-4.5, −4.5",
        "12345.6, 12350",
        "0.00001234, 0.00001234",
        "1e-9, 0.000000001"
    })
    void writesFiguresPlainly(double x, String text) {
        assertThat(Numbers.show(x)).isEqualTo(text);
    }

    @Test
    void roundsToSignificantDigits() {
        assertThat(Numbers.significant(1234.56789, 6)).isEqualTo(1234.57);
        assertThat(Numbers.significant(-0.0, 6)).isZero();
        assertThat(Numbers.significant(987654321e30, 3)).isEqualTo(9.88e38);
    }
}
