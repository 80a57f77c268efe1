package org.morphotera.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.soil.SoilMoisture;

class SamplingWindowsTest {

    private static List<WeatherDay> days(LocalDate from, int count, double rain, double low, double high) {
        List<WeatherDay> days = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            days.add(new WeatherDay(from.plusDays(i), rain, low, high, null));
        }
        return days;
    }

    /** Allen and others (1998), example 8: 20° south, 3 September. */
    @Test
    void radiationIsThatOfTheWorkedExample() {
        assertThat(Evapotranspiration.radiation(-20, 246)).isCloseTo(32.2, within(0.1));
    }

    /** Without rain what is left falls by a share of itself once half is gone: never below nothing, never up. */
    @Test
    void waterFallsSteadilyAndSlowlyAtTheEnd() {
        List<FieldDay> dry = new WaterBalance(50, 45).run(1, days(LocalDate.of(2026, 6, 1), 60, 0, 12, 26));
        for (int i = 1; i < dry.size(); i++) {
            assertThat(dry.get(i).waterMm())
                    .isPositive()
                    .isLessThan(dry.get(i - 1).waterMm());
        }
        double early = dry.get(0).waterMm() - dry.get(1).waterMm();
        double late = dry.get(58).waterMm() - dry.get(59).waterMm();
        assertThat(late).isLessThan(early / 4);
        assertThat(dry.get(59).moisture()).isEqualTo(SoilMoisture.DRY);
    }

    /** What comes in is what stays, what plants took, and what ran through. */
    @Test
    void rainOverWhatTheSoilHoldsRunsThrough() {
        List<FieldDay> wet = new WaterBalance(40, 52).run(0.5, days(LocalDate.of(2026, 1, 1), 10, 30, 2, 6));
        assertThat(wet).allSatisfy(day -> assertThat(day.waterMm()).isBetween(0.0, 40.0));
        assertThat(wet.get(9).share()).isCloseTo(1, within(0.02));
        assertThat(wet.get(9).moisture()).isEqualTo(SoilMoisture.WET);
    }

    @Test
    void theSouthHasItsSeasonsSixMonthsLater() {
        List<FieldDay> south = new WaterBalance(40, -35).run(0.7, days(LocalDate.of(2026, 4, 1), 1, 0, 5, 15));
        List<FieldDay> equator = new WaterBalance(40, 0).run(0.7, days(LocalDate.of(2026, 4, 1), 1, 0, 5, 15));
        assertThat(south.get(0).season().code()).isEqualTo("autumn");
        assertThat(equator.get(0).season().code()).isEqualTo("spring");
    }

    @Test
    void theSunThatNeverSetsOrRisesIsBorne() {
        assertThat(Evapotranspiration.radiation(85, 172)).isPositive();
        assertThat(Evapotranspiration.radiation(85, 355)).isCloseTo(0, within(1e-9));
        assertThat(Evapotranspiration.radiation(90, 172)).isFinite();
    }

    @ParameterizedTest
    @CsvSource({
        "days[1].date, gap",
        "days[0].date, word",
        "days[1].date, february",
        "days[1].tMaxC, cold",
        "forecastFrom, outside"
    })
    void whatIsWrongIsNamed(String field, String spoilt) {
        Map<String, Object> first =
                new LinkedHashMap<>(Map.of("date", "2026-02-28", "rainMm", 0.0, "tMinC", 1.0, "tMaxC", 9.0));
        Map<String, Object> second = new LinkedHashMap<>(first);
        second.put("date", "2026-03-01");
        Map<String, Object> inputs =
                new LinkedHashMap<>(Map.of("textureClass", "loam", "latitude", 50.0, "days", List.of(first, second)));
        switch (spoilt) {
            case "gap" -> second.put("date", "2026-03-02");
            case "word" -> first.put("date", "yesterday!");
            case "february" -> second.put("date", "2026-02-29");
            case "cold" -> second.put("tMaxC", 0.0);
            default -> inputs.put("forecastFrom", "2026-03-02");
        }
        Outcome outcome = Calculators.ofPage(Methods.all())
                .evaluate("sampling-windows", Map.of("inputs", inputs), CoreData.BENCHMARKS);
        assertThat(((Outcome.Refused) outcome).faults())
                .extracting(Fault::field)
                .contains(field);
    }
}
