package org.morphotera.core.weather;

import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/**
 * A field on one day.
 *
 * @param waterMm water that plants could take, in the evening, mm
 * @param share of the most that the soil can hold of it, 0..1
 * @param daysSinceRain since real rain; {@code null} where none was seen yet
 * @param soilTempC mean of the air over a week, °C
 */
public record FieldDay(
        WeatherDay weather,
        double waterMm,
        double share,
        SoilMoisture moisture,
        Integer daysSinceRain,
        double soilTempC,
        Season season) {}
