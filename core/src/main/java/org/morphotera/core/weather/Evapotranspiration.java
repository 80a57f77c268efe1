package org.morphotera.core.weather;

/** Reference evapotranspiration from temperatures alone. */
final class Evapotranspiration {

    private static final double SOLAR_CONSTANT = 0.0820;
    private static final double MM_PER_MJ = 0.408;

    private Evapotranspiration() {}

    /**
     * Radiation outside the air, MJ/m² per day (Allen and others, 1998, equations 21 to 25).
     *
     * @param latitude degrees, south negative
     * @param dayOfYear 1..366
     */
    static double radiation(double latitude, int dayOfYear) {
        double phi = Math.toRadians(latitude);
        double year = 2 * Math.PI * dayOfYear / 365;
        double distance = 1 + 0.033 * Math.cos(year);
        double declination = 0.409 * Math.sin(year - 1.39);
        double sunset = Math.acos(Math.max(-1, Math.min(1, -Math.tan(phi) * Math.tan(declination))));
        return 24
                * 60
                / Math.PI
                * SOLAR_CONSTANT
                * distance
                * (sunset * Math.sin(phi) * Math.sin(declination)
                        + Math.cos(phi) * Math.cos(declination) * Math.sin(sunset));
    }

    /** mm of a day, not under 0 (Hargreaves and Samani, 1985). */
    static double ofTemperatures(WeatherDay day, double latitude) {
        double range = Math.sqrt(Math.max(0, day.tMaxC() - day.tMinC()));
        double mm = 0.0023
                * (day.meanC() + 17.8)
                * range
                * radiation(latitude, day.date().getDayOfYear())
                * MM_PER_MJ;
        return Math.max(0, mm);
    }
}
