package org.morphotera.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.text.Messages;

/**
 * What pH or salt should do over the years after lime or drains, to be held against what is read then.
 *
 * @param indicator such as {@code ph}
 * @param unit of the figures
 * @param target that is aimed at
 * @param basis message code under {@code outlook}, with its arguments
 */
public record Outlook(
        String indicator, String unit, List<Point> points, double target, String basis, Map<String, Object> args) {

    /** An expected figure on a date, low <= value <= high. */
    public record Point(LocalDate on, double value, double low, double high) {}

    /** Over this many dS/m salt is a matter of drains and rain. */
    public static final double SALTY_OVER = 4;

    private static final int YEARS = 6;

    /** Lime that is worked in has answered after about two years. */
    private static final double LIME_YEARS = 2;

    /** How much of the step may be missed, either way. */
    private static final double STEP_SHARE = 0.35;

    private static final double READING_SCATTER = 0.1;

    /** How far a straight line of salt may be off: rain varies by about a third. */
    private static final double SALT_SPREAD = 0.35;

    private static final double SALT_SCATTER = 0.3;

    /**
     * pH in water after lime: evenly to the target within two years, then level.
     *
     * @param start the day the lime is, or was, spread
     * @param from pH in water before
     * @param target pH in water aimed at
     * @param half half-width of the reading before
     */
    public static Outlook ofLime(LocalDate start, double from, double target, double half) {
        List<Point> points = new ArrayList<>();
        for (int halfYear = 0; halfYear <= 2 * YEARS; halfYear++) {
            double share = Math.min(1, halfYear / 2.0 / LIME_YEARS);
            double ph = from + share * (target - from);
            double band = half + READING_SCATTER + STEP_SHARE * share * Math.abs(target - from);
            points.add(new Point(start.plusMonths(6L * halfYear), ph, ph - band, ph + band));
        }
        return new Outlook("ph", "pH", points, target, "lime", Map.of("from", from));
    }

    /**
     * Salt in drained ground that is left to rain: it falls by the same amount each year, never below none.
     *
     * @param start today
     * @param ece now, dS/m
     * @param crop a crop of the table {@code salinity.crops}, or {@code null}
     */
    public static Outlook ofRain(LocalDate start, double ece, String crop, Benchmarks benchmarks) {
        double aYear = benchmarks.table("plan.leaching").at("rain-ds-per-m-a-year", "value");
        Table crops = benchmarks.table("salinity.crops");
        double target = crop != null && crops.has(crop) ? crops.at(crop, "threshold") : SALTY_OVER;
        List<Point> points = new ArrayList<>();
        for (int year = 0; year <= YEARS; year++) {
            double lost = aYear * year;
            points.add(new Point(
                    start.plusYears(year),
                    Math.max(0, ece - lost),
                    Math.max(0, ece - lost * (1 + SALT_SPREAD) - SALT_SCATTER),
                    Math.max(0, ece - lost * (1 - SALT_SPREAD)) + SALT_SCATTER));
        }
        return new Outlook("salinity", "dS/m", points, target, "salt", Map.of("aYear", aYear));
    }

    /** In a sentence, what the outlook stands on. */
    public String basis(Messages messages) {
        return messages.text(List.of("outlook." + basis), args);
    }
}
