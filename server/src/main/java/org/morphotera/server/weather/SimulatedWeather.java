package org.morphotera.server.weather;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.morphotera.core.weather.WeatherDay;
import org.springframework.stereotype.Component;

/**
 * Made-up weather of a mild coast: seasons, wet and dry spells (a chain of two states; Richardson, 1981), the same for
 * a place and a day whenever it is asked for. A forecast follows what will come and loses sight of it day by day.
 */
@Component
class SimulatedWeather implements WeatherSource {

    private static final int MEMBERS = 20;
    private static final double CELL_DEGREES = 0.1;
    private static final double DAYS_A_YEAR = 365.25;
    private static final double WARMEST_DAY = 201;
    private static final double MEAN_C = 10.5;
    private static final double SWING_C = 7;
    private static final double WET_AFTER_WET = 0.62;
    private static final double WET_AFTER_DRY = 0.26;
    private static final double MEAN_RAIN_MM = 5.2;
    private static final double MEMORY = 0.7;
    private static final double LOST_A_DAY = 0.06;
    private static final double DRIFT_A_DAY_C = 0.28;
    private static final int YEARS_KEPT = 400;

    /** Years that were asked for, by cell; the least used go first. */
    private final Map<Long, double[][]> years = new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, double[][]> eldest) {
            return size() > YEARS_KEPT;
        }
    };

    @Override
    public String name() {
        return "simulated";
    }

    @Override
    public List<WeatherDay> past(Spot spot, LocalDate from, LocalDate to) {
        List<WeatherDay> days = new ArrayList<>();
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            days.add(day(spot, day, 0, 0, null));
        }
        return days;
    }

    @Override
    public List<List<WeatherDay>> forecast(Spot spot, LocalDate from, int count) {
        List<List<WeatherDay>> members = new ArrayList<>();
        for (int member = 0; member < MEMBERS; member++) {
            SplittableRandom random = new SplittableRandom(seed(spot, from.toEpochDay()) * 31 + member);
            List<WeatherDay> days = new ArrayList<>();
            double drift = 0;
            for (int lead = 0; lead < count; lead++) {
                drift += DRIFT_A_DAY_C * (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5);
                days.add(day(spot, from.plusDays(lead), Math.min(0.85, LOST_A_DAY * lead), drift, random));
            }
            members.add(days);
        }
        return members;
    }

    /** @param lost chance that the rain of the day is another than what will come */
    private WeatherDay day(Spot spot, LocalDate date, double lost, double drift, SplittableRandom random) {
        double[] known = year(spot, date.getYear())[date.getDayOfYear() - 1];
        double rain = known[0];
        if (random != null && random.nextDouble() < lost) {
            rain = random.nextDouble() < 0.4 ? round(drawnRain(random)) : 0;
        }
        double mean = known[1] + drift;
        double range = rain > 0 ? known[2] * 0.7 : known[2];
        return new WeatherDay(date, rain, round(mean - range / 2), round(mean + range / 2), null);
    }

    private static double drawnRain(SplittableRandom random) {
        return -Math.log(1 - random.nextDouble()) * MEAN_RAIN_MM;
    }

    private static double round(double x) {
        return Math.rint(x * 10) / 10;
    }

    /** Rain, mean temperature and its range for each day of a year. */
    private double[][] year(Spot spot, int year) {
        long key = seed(spot, year);
        synchronized (years) {
            return years.computeIfAbsent(key, seed -> drawn(spot, year, seed));
        }
    }

    private static double[][] drawn(Spot spot, int year, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[][] days = new double[366][];
        boolean wet = random.nextDouble() < 0.4;
        double warmth = 0;
        int shift = spot.latitude() < 0 ? 183 : 0;
        for (int i = 0; i < days.length; i++) {
            wet = random.nextDouble() < (wet ? WET_AFTER_WET : WET_AFTER_DRY);
            double rain = wet ? drawnRain(random) : 0;
            warmth = MEMORY * warmth + 2.2 * (random.nextDouble() + random.nextDouble() - 1);
            double season = Math.cos(2 * Math.PI * (i + shift - WARMEST_DAY) / DAYS_A_YEAR);
            double mean = MEAN_C + SWING_C * season + warmth - (Math.abs(spot.latitude()) - 50) * 0.5;
            days[i] = new double[] {round(rain), mean, 6.5 + 2.5 * season + 2 * random.nextDouble()};
        }
        return days;
    }

    private static long seed(Spot spot, long part) {
        long east = Math.round(spot.longitude() / CELL_DEGREES);
        long north = Math.round(spot.latitude() / CELL_DEGREES);
        return ((east * 4001 + north) * 1_000_003 + part) * 0x9E3779B97F4A7C15L;
    }
}
