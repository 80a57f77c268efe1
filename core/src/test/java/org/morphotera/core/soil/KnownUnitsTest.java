package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class KnownUnitsTest {

    @ParameterizedTest
    @CsvSource({
        "1, in, MM, 25.4",
        "2, inches, MM, 50.8",
        "15, cm, MM, 150",
        "1, psi, KPA, 6.894757",
        "300, lb/in², KPA, 2068.427",
        "2, MPa, KPA, 2000",
        "50, °F, CELSIUS, 10",
        "-40, F, CELSIUS, -40",
        "4, mmhos/cm, DS_PER_M, 4",
        "1500, µS/cm, DS_PER_M, 1.5",
        "400, mS/m, DS_PER_M, 4",
        "12, meq/100 g, CMOL_PER_KG, 12",
        "120, mmolc/kg, CMOL_PER_KG, 12",
        "30, ppm, MG_PER_KG, 30",
        "25, g/kg, PERCENT, 2.5",
        "1, ton/ac, T_PER_HA, 2.241702",
        "1, in/hr, MM_PER_HOUR, 25.4",
        "10, acres, HECTARE, 4.0468564",
        "2, min, SECOND, 120",
        "1.3, g/cm3, T_PER_CUBIC_METRE, 1.3",
        "7, '', PH, 7",
    })
    void whatIsWrittenElsewhereIsTakenInOurUnit(double value, String written, Unit wanted, double metric) {
        assertThat(KnownUnits.toMetric(value, written, wanted)).isCloseTo(metric, within(1e-4 * Math.abs(metric)));
    }

    @ParameterizedTest
    @EnumSource(Unit.class)
    void bothOfOurOwnSymbolsAreKnown(Unit unit) {
        assertThat(KnownUnits.toMetric(3.5, unit.symbol(), unit)).isEqualTo(3.5);
        assertThat(KnownUnits.toMetric(unit.toUs(3.5), unit.usSymbol(), unit)).isCloseTo(3.5, within(1e-9));
    }

    @Test
    void anotherQuantityIsNotTaken() {
        assertThat(KnownUnits.toMetric(1, "psi", Unit.MM)).isNull();
        assertThat(KnownUnits.toMetric(1, "furlong", Unit.MM)).isNull();
        assertThat(KnownUnits.toMetric(1, "mg/kg", Unit.CMOL_PER_KG)).isNull();
        assertThat(KnownUnits.ways(Unit.KPA)).contains("psi", "bar", "kpa");
    }
}
