package org.morphotera.core.plan.outlook;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.text.Messages;

/**
 * What pH or salt should do over the years after lime or drains, to be held against what is read then: the published
 * rate, moved by the field's own readings since. The band holds nine readings of ten.
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

    /**
     * The field's own figure on a day.
     *
     * @param halfWidth of its 95 % interval, or {@code null} where it is not known
     */
    public record Observed(LocalDate on, double value, Double halfWidth) {}

    /** Over this many dS/m salt is a matter of drains and rain. */
    public static final double SALTY_OVER = 4;

    private static final int YEARS = 6;
    private static final double DAYS_A_YEAR = 365.25;

    /** Lime that is worked in has answered after about two years. */
    private static final double LIME_YEARS = 2;

    /** How much of the step may be missed, either way: one standard deviation. */
    private static final double STEP_SHARE = 0.2;

    /** By how much the pH of a field wanders between visits, one standard deviation. */
    private static final double PH_WANDERS = 0.1;

    /** By what share the salt of a field wanders between visits, one standard deviation. */
    private static final double SALT_WANDERS = 0.06;

    private static final double LEAST_SALT_ERROR = 0.2;
    private static final double UNKNOWN_PH_HALF = 0.2;
    private static final double NORMAL_95 = 1.96;

    /**
     * pH in water after lime: evenly to the target within two years, then level.
     *
     * @param spread the day the lime is, or was, spread
     * @param from pH in water before
     * @param target pH in water aimed at
     * @param half half-width of the reading before
     * @param observed the field's own pH, any order; what was read before counts by {@code from}
     */
    public static Outlook ofLime(LocalDate spread, double from, double target, double half, List<Observed> observed) {
        List<Course.Reading> readings = observed.stream()
                .filter(each -> each.on().isAfter(spread))
                .map(each -> new Course.Reading(limed(spread, each.on()), each.value(), phError(each.halfWidth())))
                .toList();
        double step = target - from;
        double start = Math.hypot(half / NORMAL_95, PH_WANDERS);
        Course course = Course.of(
                new Course.Known(from, start),
                new Course.Known(step, Math.max(PH_WANDERS, STEP_SHARE * Math.abs(step))),
                readings);
        List<Point> points = new ArrayList<>();
        for (int halfYear = 0; halfYear <= 2 * YEARS; halfYear++) {
            LocalDate on = spread.plusMonths(6L * halfYear);
            double share = Math.min(1, halfYear / 2.0 / LIME_YEARS);
            points.add(point(on, course.at(share, phError(half))));
        }
        return new Outlook(
                "ph", "pH", points, target, readings.isEmpty() ? "lime" : "lime-read", args(from, readings, course));
    }

    private static Map<String, Object> args(double from, List<Course.Reading> readings, Course course) {
        return Map.of("from", from, "to", Math.rint(100 * (from + course.step())) / 100, "n", readings.size());
    }

    private static double limed(LocalDate spread, LocalDate on) {
        return Math.min(1, years(spread, on) / LIME_YEARS);
    }

    private static double phError(Double half) {
        return Math.hypot((half == null ? UNKNOWN_PH_HALF : half) / NORMAL_95, PH_WANDERS);
    }

    /**
     * Salt in drained ground that is left to rain: it falls by the same amount each year, never below none.
     *
     * @param drained the day the drains were laid
     * @param today where nothing was read since, the outlook begins here with the newest figure
     * @param observed the field's own salt, dS/m, at least one, any order
     * @param crop a crop of the table {@code salinity.crops}, or {@code null}
     */
    public static Outlook ofRain(
            LocalDate drained, LocalDate today, List<Observed> observed, String crop, Benchmarks benchmarks) {
        Table rain = benchmarks.table("plan.leaching");
        double published = rain.at("rain-ds-per-m-a-year", "value");
        double spread = rain.at("rain-spread-ds-per-m-a-year", "value");
        Table crops = benchmarks.table("salinity.crops");
        double target = crop != null && crops.has(crop) ? crops.at(crop, "threshold") : SALTY_OVER;
        List<Observed> sorted =
                observed.stream().sorted(Comparator.comparing(Observed::on)).toList();
        List<Observed> since =
                sorted.stream().filter(each -> !each.on().isBefore(drained)).toList();
        Observed first = since.isEmpty() ? sorted.get(sorted.size() - 1) : since.get(0);
        LocalDate begin = since.isEmpty() ? today : first.on();
        List<Course.Reading> readings = since.stream()
                .skip(1)
                .map(each -> new Course.Reading(years(begin, each.on()), each.value(), saltError(each)))
                .toList();
        Course course = Course.of(
                new Course.Known(first.value(), saltError(first)), new Course.Known(-published, spread), readings);
        List<Point> points = new ArrayList<>();
        long gone = Math.max(0, ChronoUnit.YEARS.between(begin, today));
        for (int year = 0; year <= gone + YEARS; year++) {
            Course.Expected expected = course.at(year, saltError(first));
            points.add(point(
                    begin.plusYears(year), new Course.Expected(Math.max(0, expected.value()), expected.halfWidth())));
        }
        return new Outlook(
                "salinity",
                "dS/m",
                points,
                target,
                readings.isEmpty() ? "salt" : "salt-read",
                Map.of("aYear", published, "own", Math.rint(-100 * course.step()) / 100, "n", readings.size() + 1));
    }

    private static double saltError(Observed observed) {
        double half = observed.halfWidth() == null ? 0 : observed.halfWidth() / NORMAL_95;
        return Math.max(LEAST_SALT_ERROR, Math.hypot(half, SALT_WANDERS * observed.value()));
    }

    private static double years(LocalDate from, LocalDate to) {
        return ChronoUnit.DAYS.between(from, to) / DAYS_A_YEAR;
    }

    private static Point point(LocalDate on, Course.Expected expected) {
        return new Point(
                on,
                expected.value(),
                Math.max(0, expected.value() - expected.halfWidth()),
                expected.value() + expected.halfWidth());
    }

    /** In a sentence, what the outlook stands on. */
    public String basis(Messages messages) {
        return messages.text(List.of("outlook." + basis), args);
    }
}
