package org.morphotera.core.trend;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.statistics.Sample;

/**
 * All readings of one indicator at one depth by one method over the visits of a field, and what is worked out of them.
 *
 * @param method by which they were read
 * @param scale on which changes are held against each other
 * @param untreated stops whose role says that they are not treated
 */
public record History(FieldMethod<?> method, ChangeScale scale, List<Reading> readings, Set<?> untreated) {

    /** A visit: its id, its day, and the conditions it was made in as far as they are known. */
    public record Day(
            Object visit,
            LocalDate on,
            String moisture,
            @Nullable Integer daysSinceRain,
            @Nullable Double soilTempC,
            String person) {}

    /**
     * A reading of a stop.
     *
     * @param value its figure, or its standing where not every reading has a figure
     * @param low and {@code high}: interval of the value; {@code null} where it has none
     * @param standing 0 to 1
     * @param kind of instrument, kit or water; {@code null} where it makes no difference
     */
    public record Reading(
            Object stop,
            Day day,
            double value,
            @Nullable Double low,
            @Nullable Double high,
            double standing,
            @Nullable String kind,
            @Nullable DepthLayer layer) {}

    /** A visit with its readings: how many stops, and the middle of those that are treated. */
    public record Date(Day day, int stops, double middle) {}

    /** One stop, read on both of two visits. */
    public record Pair(Reading earlier, Reading later) {}

    /**
     * What was read on two visits, held against each other.
     *
     * @param pairs of the stops that are followed
     * @param change of them, against the stops that are not treated where there are some
     * @param direction by what their standings did
     * @param deviation standard deviation of the differences on the scale; {@code null} of fewer than two
     * @param shared standard deviation that all readings of a visit share, on the scale; 0 against controls
     * @param otherKinds whether readings stand against each other whose figures mean other things
     * @param mismatches conditions that differ
     */
    public record Compared(
            Day from,
            Day to,
            List<Pair> pairs,
            PairedChange change,
            Direction direction,
            @Nullable Double deviation,
            double shared,
            boolean otherKinds,
            List<Likeness.Mismatch> mismatches) {}

    /** How many stops it would take to show a change of some size; {@code null} for more than can be walked. */
    public record StopsNeeded(double change, @Nullable Integer stops) {}

    private static final double DAYS_A_YEAR = 365.25;
    private static final int MOST_STOPS = 60;
    private static final double[] SHARES_OF_THE_SMALLEST = {0.25, 0.5, 0.75, 1, 1.5, 2};

    /** The visits it was read on, by date. */
    public List<Date> dates() {
        Map<Day, List<Reading>> byDay = new LinkedHashMap<>();
        readings.forEach(each ->
                byDay.computeIfAbsent(each.day(), day -> new ArrayList<>()).add(each));
        List<Date> dates = new ArrayList<>();
        byDay.forEach((day, rows) -> {
            List<Reading> treated =
                    rows.stream().filter(row -> !untreated.contains(row.stop())).toList();
            List<Reading> told = treated.isEmpty() ? rows : treated;
            dates.add(new Date(
                    day,
                    rows.size(),
                    Sample.of(told.stream().map(Reading::value).toList()).median()));
        });
        dates.sort(Comparator.comparing(date -> date.day().on()));
        return dates;
    }

    /** Change between two visits, against the stops that are not treated where there are some. */
    public Compared change(Day from, Day to, Benchmarks benchmarks) {
        return compared(from, to, pair -> untreated.contains(pair.later().stop()), benchmarks);
    }

    /**
     * Before and after an event: the last visit before it and the newest after it.
     *
     * @param treated stops where it was done; {@code null} for all but those that are not treated
     * @return {@code null} where it was not read on both sides
     */
    public @Nullable Compared around(LocalDate event, @Nullable Set<?> treated, Benchmarks benchmarks) {
        Day before = newest(day -> day.on().isBefore(event));
        Day after = newest(day -> day.on().isAfter(event));
        return before == null || after == null
                ? null
                : compared(
                        before,
                        after,
                        pair -> treated == null
                                ? untreated.contains(pair.later().stop())
                                : !treated.contains(pair.later().stop()),
                        benchmarks);
    }

    private @Nullable Day newest(Predicate<Day> wanted) {
        return dates().stream()
                .map(Date::day)
                .filter(wanted)
                .reduce((earlier, later) -> later)
                .orElse(null);
    }

    private Compared compared(Day from, Day to, Predicate<Pair> control, Benchmarks benchmarks) {
        Map<Boolean, List<Pair>> parts = pairs(from, to).stream().collect(Collectors.partitioningBy(control));
        // nothing but untreated stops: then they are what is followed
        boolean alone = parts.get(false).isEmpty();
        List<Pair> followed = parts.get(alone);
        List<Pair> controls = alone ? List.of() : parts.get(true);
        List<Likeness.Mismatch> mismatches = mismatches(followed, benchmarks);
        boolean alike = mismatches.stream().filter(Likeness.Mismatch::matters).count() < Likeness.TOO_MANY;
        boolean otherKinds =
                method.evidence().kindsNeverCompare() && followed.stream().anyMatch(History::ofTwoKinds);
        double[] differences = differences(followed);
        PairedChange change =
                PairedChange.of(differences, differences(controls), scale, conversion(followed), alike && !otherKinds);
        return new Compared(
                from,
                to,
                followed,
                change,
                Direction.of(change.verdict(), standingsMoved(followed)),
                differences.length < 2
                        ? null
                        : Double.valueOf(Sample.of(differences).standardDeviation()),
                change.controls() > 0 ? 0 : scale.visit(),
                otherKinds,
                mismatches);
    }

    /** The stops read on both visits, in the order of the later one. */
    private List<Pair> pairs(Day from, Day to) {
        Map<Object, Reading> earlier =
                on(from).stream().collect(Collectors.toMap(Reading::stop, each -> each, (first, second) -> second));
        return on(to).stream()
                .filter(later -> earlier.containsKey(later.stop()))
                .map(later -> new Pair(earlier.get(later.stop()), later))
                .toList();
    }

    private List<Reading> on(Day day) {
        return readings.stream().filter(each -> each.day().equals(day)).toList();
    }

    private static boolean ofTwoKinds(Pair pair) {
        return !Objects.equals(pair.earlier().kind(), pair.later().kind());
    }

    private double[] differences(List<Pair> pairs) {
        return pairs.stream()
                .mapToDouble(pair ->
                        scale.of(pair.later().value()) - scale.of(pair.earlier().value()))
                .toArray();
    }

    /** Where instrument, kit or water differ, the half-widths of both conversions, joined in quadrature. */
    private double conversion(List<Pair> pairs) {
        return pairs.stream()
                .filter(History::ofTwoKinds)
                .mapToDouble(pair -> Math.hypot(halfWidth(pair.earlier()), halfWidth(pair.later())))
                .average()
                .orElse(0);
    }

    private double halfWidth(Reading reading) {
        return reading.low() == null || reading.high() == null
                ? 0
                : (scale.of(reading.high()) - scale.of(reading.low())) / 2;
    }

    private static double standingsMoved(List<Pair> pairs) {
        return pairs.stream()
                .mapToDouble(pair -> pair.later().standing() - pair.earlier().standing())
                .average()
                .orElse(0);
    }

    private List<Likeness.Mismatch> mismatches(List<Pair> pairs, Benchmarks benchmarks) {
        return pairs.isEmpty()
                ? List.of()
                : Likeness.mismatches(
                        method,
                        circumstances(pairs.get(0).earlier()),
                        circumstances(pairs.get(0).later()),
                        benchmarks);
    }

    private static Likeness.Circumstances circumstances(Reading reading) {
        Day day = reading.day();
        return new Likeness.Circumstances(
                day.on().getDayOfYear(),
                day.moisture(),
                day.daysSinceRain(),
                day.soilTempC(),
                reading.layer(),
                reading.kind(),
                day.person());
    }

    /** Mean of the earlier readings of some pairs, taken on the scale; {@code null} of none. */
    public @Nullable Double earlier(List<Pair> pairs) {
        return mean(pairs.stream().map(Pair::earlier).toList());
    }

    /** Mean of the later readings of some pairs, taken on the scale; {@code null} of none. */
    public @Nullable Double later(List<Pair> pairs) {
        return mean(pairs.stream().map(Pair::later).toList());
    }

    private @Nullable Double mean(List<Reading> of) {
        return of.isEmpty()
                ? null
                : Double.valueOf(scale.figure(Sample.of(
                                of.stream().map(each -> scale.of(each.value())).toList())
                        .mean()));
    }

    /** A steady rise or fall at the treated stops over three dates or more; {@code null} where there is too little. */
    public @Nullable LongTrend trend() {
        List<Date> dates = dates();
        return dates.isEmpty()
                ? null
                : LongTrend.of(readings.stream()
                        .filter(each -> !untreated.contains(each.stop()))
                        .map(each -> new LongTrend.Reading(
                                each.stop(),
                                ChronoUnit.DAYS.between(
                                                dates.get(0).day().on(),
                                                each.day().on())
                                        / DAYS_A_YEAR,
                                each.value()))
                        .toList());
    }

    /** How many stops would show a quarter to twice the change that is now the smallest visible one. */
    public static List<StopsNeeded> stopsNeeded(@Nullable Compared compared) {
        if (compared == null
                || compared.deviation() == null
                || compared.deviation() == 0
                || compared.change().smallest() == null) {
            return List.of();
        }
        List<StopsNeeded> needed = new ArrayList<>();
        for (double share : SHARES_OF_THE_SMALLEST) {
            double size = Numbers.significant(compared.change().smallest() * share, 2);
            needed.add(new StopsNeeded(
                    size, PairedChange.stopsNeeded(compared.deviation(), compared.shared(), size, MOST_STOPS)));
        }
        return needed;
    }
}
