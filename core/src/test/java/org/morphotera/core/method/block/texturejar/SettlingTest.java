package org.morphotera.core.method.block.texturejar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SettlingTest {

    /** Water at 20 °C: 998.2 kg/m³ and 1.002 mPa·s (tables of the CRC handbook), Stokes' law worked by hand. */
    @Test
    void aSandGrainFallsATenthOfAMetreInThreeQuartersOfAMinute() {
        double velocity = (2650 - 998.2) * 9.81 * 50e-6 * 50e-6 / (18 * 1.002e-3);
        assertThat(new Settling(20, 100).secondsFor(50)).isCloseTo(0.1 / velocity, within(0.3));
    }

    /** Clay finer than 2 µm is drawn at 100 mm after about eight hours at 20 °C: the pipette method's rule. */
    @Test
    void clayStillFloatsAfterEightHours() {
        assertThat(new Settling(20, 100).secondsFor(2) / 3600).isBetween(7.5, 8.1);
    }

    @ParameterizedTest
    @ValueSource(doubles = {4, 10, 20, 30})
    void sizeAndTimeAreEachOthersInverse(double tempC) {
        Settling settling = new Settling(tempC, 148);
        for (double size : new double[] {2, 8.7, 50, 120}) {
            assertThat(settling.sizeUm(settling.secondsFor(size))).isCloseTo(size, within(1e-9 * size));
        }
    }

    @Test
    void grainsFallFasterInWarmWaterAndLongerInATallerColumn() {
        assertThat(new Settling(30, 100).secondsFor(50)).isLessThan(new Settling(10, 100).secondsFor(50));
        assertThat(new Settling(20, 200).secondsFor(50))
                .isCloseTo(2 * new Settling(20, 100).secondsFor(50), within(1e-9));
        assertThat(new Settling(20, 100).secondsFor(100))
                .isCloseTo(new Settling(20, 100).secondsFor(50) / 4, within(1e-9));
    }
}
