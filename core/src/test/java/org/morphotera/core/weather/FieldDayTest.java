package org.morphotera.core.weather;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/** What a field is like on a day, and what tests ask of it, at the edges of each rule. */
class FieldDayTest {

    private static final LocalDate APRIL = LocalDate.of(2030, 4, 1);

    /** Days on which nothing leaves the soil. */
    private static List<FieldDay> after(double startShare, double... rainMm) {
        List<WeatherDay> days = new ArrayList<>();
        for (double rain : rainMm) {
            days.add(new WeatherDay(APRIL.plusDays(days.size()), rain, 8, 12, 0.0));
        }
        return new WaterBalance(100, 53).run(startShare, days);
    }

    @ParameterizedTest(name = "{0} mm, then {1} mm: {2}")
    @CsvSource({"10, 0, 1", "9.9, 0, ", "5, 5, 0", "5, 4.9, "})
    void tenMillimetresInTwoDaysAreRealRain(double first, double second, Integer since) {
        assertThat(after(0.5, first, second).get(1).daysSinceRain()).isEqualTo(since);
    }

    @ParameterizedTest(name = "{0} of the capacity: {1}")
    @CsvSource({"0.39, DRY", "0.41, MOIST", "0.97, MOIST", "0.99, WET"})
    void moistureFollowsTheShareOfTheCapacity(double share, SoilMoisture moisture) {
        assertThat(after(share, 0).get(0).moisture()).isEqualTo(moisture);
    }

    @ParameterizedTest(name = "{0} °C: {1}")
    @CsvSource({"4.9, SOIL_COLD", "5, ''", "20, ''", "20.1, SOIL_WARM"})
    void wormsAreCountedBetweenFiveAndTwentyDegrees(double soilTempC, String code) {
        WeatherDay weather = new WeatherDay(APRIL, 0, 8, 12, 0.0);
        FieldDay day = new FieldDay(weather, 60, 0.6, SoilMoisture.MOIST, 2, soilTempC, Season.SPRING);
        assertThat(String.join(" ", SampleGroup.WORMS.against(day))).isEqualTo(code);
    }

    @Test
    void aWeekIsRememberedForTheSoilsTemperature() {
        List<WeatherDay> days = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            days.add(new WeatherDay(APRIL.plusDays(i), 0, i, i, 0.0));
        }
        assertThat(new WaterBalance(100, 53).run(0.5, days).get(8).soilTempC()).isEqualTo(5);
    }
}
