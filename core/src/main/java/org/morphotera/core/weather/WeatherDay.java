package org.morphotera.core.weather;

import java.time.LocalDate;

/**
 * The weather of one day.
 *
 * @param rainMm rain, mm
 * @param tMinC lowest temperature of the air, °C
 * @param tMaxC highest, °C
 * @param et0Mm reference evapotranspiration, mm; {@code null} where it is to be worked out from the temperatures
 */
public record WeatherDay(LocalDate date, double rainMm, double tMinC, double tMaxC, Double et0Mm) {

    /** Middle of the day's temperatures, °C. */
    public double meanC() {
        return (tMinC + tMaxC) / 2;
    }
}
