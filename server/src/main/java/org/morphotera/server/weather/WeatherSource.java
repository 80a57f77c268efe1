package org.morphotera.server.weather;

import java.time.LocalDate;
import java.util.List;
import org.morphotera.core.weather.WeatherDay;

/** Where weather comes from. The source that ships is simulated; a real one is another class behind this interface. */
public interface WeatherSource {

    /** A point on the globe, degrees. */
    record Spot(double longitude, double latitude) {}

    /** What the weather was: one entry a day, from the first day to the last, both with. */
    List<WeatherDay> past(Spot spot, LocalDate from, LocalDate to);

    /**
     * What it may become: some equally likely courses that drift apart with time.
     *
     * @param from the first day forecast
     * @param days how many
     */
    List<List<WeatherDay>> forecast(Spot spot, LocalDate from, int days);

    /** What a page calls it. */
    String name();
}
