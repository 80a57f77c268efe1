package org.morphotera.server.change;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.Sample;
import org.morphotera.core.text.Messages;
import org.morphotera.core.trend.ChangeScale;
import org.morphotera.core.trend.Direction;
import org.morphotera.core.trend.Likeness;
import org.morphotera.core.trend.LongTrend;
import org.morphotera.core.trend.PairedChange;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.visits.Visit;
import org.springframework.stereotype.Component;

/** From the readings of one indicator over the years to what may be said of them. */
@Component
class ChangeBuilder {

    private static final double DAYS_A_YEAR = 365.25;
    private static final int MOST_STOPS = 60;

    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;

    ChangeBuilder(MethodRegistry methods, Benchmarks benchmarks, Messages messages) {
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /**
     * All readings of one indicator at one depth; by figure where every one has a figure, else by standing.
     *
     * @param scale on which changes are held against each other
     * @param untreated stops whose role says that they are not treated
     */
    record History(
            String indicator,
            String unit,
            boolean ofStanding,
            ChangeScale scale,
            List<IndicatorRow> rows,
            Map<UUID, Visit> visits,
            Set<UUID> untreated) {

        double value(IndicatorRow row) {
            return ofStanding ? row.standing() : row.figure();
        }

        double onScale(IndicatorRow row) {
            return scale.of(value(row));
        }

        /** How far the conversion to this figure can be off, on the scale. */
        double halfWidth(IndicatorRow row) {
            Double low = ofStanding ? row.standingLow() : row.figureLow();
            Double high = ofStanding ? row.standingHigh() : row.figureHigh();
            return low == null || high == null ? 0 : (scale.of(high) - scale.of(low)) / 2;
        }

        List<IndicatorRow> on(UUID visit) {
            return rows.stream().filter(row -> row.visitId().equals(visit)).toList();
        }

        /** Visits by date. */
        List<Visit> dates() {
            return rows.stream()
                    .map(row -> visits.get(row.visitId()))
                    .distinct()
                    .sorted(Comparator.comparing(Visit::visitedOn))
                    .toList();
        }
    }

    List<Changes.Date> dates(History history) {
        return history.dates().stream()
                .map(visit -> {
                    List<IndicatorRow> rows = history.on(visit.id());
                    List<IndicatorRow> treated = rows.stream()
                            .filter(row -> !history.untreated().contains(row.stopId()))
                            .toList();
                    return new Changes.Date(
                            visit.id(),
                            visit.visitedOn(),
                            rows.size(),
                            middle(history, treated.isEmpty() ? rows : treated));
                })
                .toList();
    }

    private static double middle(History history, List<IndicatorRow> rows) {
        return Sample.of(rows.stream().map(history::value).toList()).median();
    }

    /** Paired differences between two visits, over the stops measured on both and, where given, wanted. */
    private List<IndicatorRow[]> pairs(History history, Visit from, Visit to, Set<UUID> wanted) {
        Map<UUID, IndicatorRow> earlier =
                history.on(from.id()).stream().collect(Collectors.toMap(IndicatorRow::stopId, row -> row, (a, b) -> b));
        List<IndicatorRow[]> pairs = new ArrayList<>();
        for (IndicatorRow later : history.on(to.id())) {
            IndicatorRow before = earlier.get(later.stopId());
            if (before != null && (wanted == null || wanted.contains(later.stopId()))) {
                pairs.add(new IndicatorRow[] {before, later});
            }
        }
        return pairs;
    }

    /** Change between two visits, against the stops that are not treated where there are some. */
    Changes.ChangeVerdict change(History history, Visit from, Visit to) {
        List<IndicatorRow[]> all = pairs(history, from, to, null);
        return verdict(history, from, to, split(all, pair -> history.untreated().contains(pair[1].stopId())));
    }

    /** Pairs of treated stops, and of those they are held against. */
    private record Split(List<IndicatorRow[]> treated, List<IndicatorRow[]> controls) {}

    private static Split split(List<IndicatorRow[]> all, Predicate<IndicatorRow[]> control) {
        Map<Boolean, List<IndicatorRow[]>> parts = all.stream().collect(Collectors.partitioningBy(control));
        // nothing but untreated stops: then they are what is followed
        return parts.get(false).isEmpty()
                ? new Split(parts.get(true), List.of())
                : new Split(parts.get(false), parts.get(true));
    }

    private static double[] differences(History history, List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .mapToDouble(pair -> history.onScale(pair[1]) - history.onScale(pair[0]))
                .toArray();
    }

    /** Where instrument, kit or water differ, the half-widths of both conversions stand in the way. */
    private static double conversion(History history, List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .filter(pair -> !Objects.equals(pair[0].kind(), pair[1].kind()))
                .mapToDouble(pair -> Math.hypot(history.halfWidth(pair[0]), history.halfWidth(pair[1])))
                .average()
                .orElse(0);
    }

    /** Whether readings by other keys or runs stand against each other, whose figures mean other things. */
    private boolean keysForbid(List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .anyMatch(pair -> methods.get(pair[1].method()).evidence().kindsNeverCompare()
                        && !Objects.equals(pair[0].kind(), pair[1].kind()));
    }

    private List<Changes.MismatchView> mismatches(History history, Visit from, Visit to, List<IndicatorRow[]> pairs) {
        if (pairs.isEmpty()) {
            return List.of();
        }
        IndicatorRow before = pairs.get(0)[0];
        IndicatorRow after = pairs.get(0)[1];
        return Likeness.mismatches(
                        methods.get(after.method()), circumstances(from, before), circumstances(to, after), benchmarks)
                .stream()
                .map(each -> new Changes.MismatchView(
                        each.condition().code(),
                        messages.text("change.mismatch." + each.condition().code()),
                        each.matters(),
                        told(each.condition(), from, before),
                        told(each.condition(), to, after)))
                .toList();
    }

    private static Likeness.Circumstances circumstances(Visit visit, IndicatorRow row) {
        return new Likeness.Circumstances(
                visit.visitedOn().getDayOfYear(),
                visit.soilMoisture(),
                visit.daysSinceRain(),
                visit.soilTempC(),
                row.layer(),
                row.kind(),
                visit.person());
    }

    private static String told(Likeness.Condition condition, Visit visit, IndicatorRow row) {
        return switch (condition) {
            case SEASON -> visit.visitedOn().toString();
            case MOISTURE -> visit.soilMoisture();
            case RAIN -> visit.daysSinceRain() + " d";
            case TEMPERATURE -> Numbers.show(visit.soilTempC()) + " °C";
            case DEPTH -> Numbers.show(row.depthTopMm()) + "–" + Numbers.show(row.depthBottomMm()) + " mm";
            case WATER -> row.kind().replace('-', ' ');
            case PERSON -> visit.person();
        };
    }

    private Changes.ChangeVerdict verdict(History history, Visit from, Visit to, Split pairs) {
        List<Changes.MismatchView> mismatches = mismatches(history, from, to, pairs.treated());
        boolean alike =
                mismatches.stream().filter(Changes.MismatchView::matters).count() < Likeness.TOO_MANY;
        boolean otherKeys = keysForbid(pairs.treated());
        double[] differences = differences(history, pairs.treated());
        PairedChange change = PairedChange.of(
                differences,
                differences(history, pairs.controls()),
                history.scale(),
                conversion(history, pairs.treated()),
                alike && !otherKeys);
        Direction direction = Direction.of(change.verdict(), standingsMoved(pairs.treated()));
        String sentence = messages.text(
                List.of(
                        "change." + (otherKeys ? "other-keys" : key(change, history)),
                        "change." + change.verdict().code()),
                args(history, pairs.treated(), change, direction, mismatches));
        return new Changes.ChangeVerdict(
                from.visitedOn(),
                to.visitedOn(),
                change.verdict().code(),
                direction.code(),
                change.pairs(),
                change.controls(),
                history.scale().logarithmic(),
                told(history, change.mean()),
                told(history, change.low()),
                told(history, change.high()),
                told(history, change.smallest()),
                deviation(differences),
                change.controls() > 0 ? 0 : history.scale().visit(),
                mismatches,
                tidy(sentence));
    }

    private static String key(PairedChange change, History history) {
        return change.verdict().code() + (history.scale().logarithmic() ? "-log" : "");
    }

    /** A change as it is told: a difference, or a factor. */
    private static Double told(History history, Double change) {
        return change == null ? null : Double.valueOf(history.scale().told(change));
    }

    /** By how much the standings of the treated stops moved, on average. */
    private static double standingsMoved(List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .mapToDouble(pair -> pair[1].standing() - pair[0].standing())
                .average()
                .orElse(0);
    }

    private Map<String, Object> args(
            History history,
            List<IndicatorRow[]> pairs,
            PairedChange change,
            Direction direction,
            List<Changes.MismatchView> mismatches) {
        boolean log = history.scale().logarithmic();
        Map<String, Object> args = new LinkedHashMap<>();
        args.put("indicator", history.indicator());
        args.put("unit", shownUnit(history));
        args.put("n", change.pairs());
        args.put("earlier", shown(middle(history, pairs, 0)));
        args.put("later", shown(middle(history, pairs, 1)));
        args.put("mean", log ? percent(change.mean(), change) : shown(signed(change)));
        args.put("low", log ? percent(change.low(), change) : shown(change.low()));
        args.put("high", log ? percent(change.high(), change) : shown(change.high()));
        args.put("smallest", log ? percent(change.smallest(), null) : shown(change.smallest()));
        args.put("direction", messages.text("change.direction." + direction.code()));
        args.put(
                "against",
                change.controls() == 0
                        ? ""
                        : messages.text(List.of("change.against"), Map.of("controls", change.controls())));
        args.put(
                "mismatches",
                mismatches.stream()
                        .filter(Changes.MismatchView::matters)
                        .map(Changes.MismatchView::label)
                        .toList());
        return args;
    }

    /** The unit as a sentence says it: a pH needs none behind its name. */
    private static String shownUnit(History history) {
        return history.unit() == null || history.unit().equals(Unit.PH.symbol()) ? "" : history.unit();
    }

    /** The mean of one side of the pairs, on the scale of the figure. */
    private static Double middle(History history, List<IndicatorRow[]> pairs, int side) {
        return pairs.isEmpty()
                ? null
                : Double.valueOf(history.scale()
                        .figure(Sample.of(pairs.stream()
                                        .map(pair -> history.onScale(pair[side]))
                                        .toList())
                                .mean()));
    }

    /** A change on a logarithmic scale in per cent; of a fall its size. */
    private static Object percent(Double change, PairedChange of) {
        if (change == null) {
            return "–";
        }
        double pct = 100 * (Math.exp(change) - 1);
        return Numbers.significant(of != null && of.verdict() == PairedChange.Verdict.FALLEN ? -pct : pct, 2);
    }

    /** "fallen by" takes the size, everything else the sign too. */
    private static Double signed(PairedChange change) {
        if (change.mean() == null) {
            return null;
        }
        return change.verdict() == PairedChange.Verdict.FALLEN ? -change.mean() : change.mean();
    }

    private static Object shown(Double x) {
        return x == null ? "–" : Numbers.significant(x, 3);
    }

    /** A figure without a unit leaves a gap behind it. */
    private static String tidy(String sentence) {
        return sentence.replace("  ", " ")
                .replace(" .", ".")
                .replace(" (", " (")
                .strip();
    }

    private static Double deviation(double[] values) {
        if (values.length < 2) {
            return null;
        }
        return Sample.of(values).standardDeviation();
    }

    /** Before and after one event: the last visit before it and the newest after it that it was read on. */
    Changes.EventChange eventChange(History history, ManagementEvent event) {
        LocalDate on = event.happenedOn();
        Visit before = history.dates().stream()
                .filter(visit -> visit.visitedOn().isBefore(on))
                .reduce((a, b) -> b)
                .orElse(null);
        Visit after = history.dates().stream()
                .filter(visit -> visit.visitedOn().isAfter(on))
                .reduce((a, b) -> b)
                .orElse(null);
        if (before == null || after == null) {
            return null;
        }
        Set<UUID> treated = event.stopIds() == null ? null : Set.copyOf(event.stopIds());
        List<IndicatorRow[]> all = pairs(history, before, after, null);
        Split pairs = split(
                all,
                pair -> treated == null
                        ? history.untreated().contains(pair[1].stopId())
                        : !treated.contains(pair[1].stopId()));
        Changes.ChangeVerdict change = verdict(history, before, after, pairs);
        String caution = pairs.controls().isEmpty()
                ? messages.text("change.event-alone")
                : messages.text(
                        List.of("change.event-controlled"),
                        Map.of("controls", pairs.controls().size()));
        return new Changes.EventChange(event, change, pairs.controls().size(), caution);
    }

    /** A steady rise or fall over the middles of three dates or more. */
    Changes.TrendView trend(History history, List<Changes.Date> dates) {
        if (dates.isEmpty()) {
            return null;
        }
        LocalDate first = dates.get(0).on();
        LongTrend trend = LongTrend.of(history.rows().stream()
                .filter(row -> !history.untreated().contains(row.stopId()))
                .map(row -> new LongTrend.Reading(
                        row.stopId(),
                        ChronoUnit.DAYS.between(
                                        first,
                                        history.visits().get(row.visitId()).visitedOn())
                                / DAYS_A_YEAR,
                        history.value(row)))
                .toList());
        if (trend == null) {
            return null;
        }
        Map<String, Object> args = Map.of(
                "n", trend.dates(),
                "indicator", history.indicator(),
                "slope", Numbers.significant(trend.slopePerYear(), 2),
                "unit", shownUnit(history),
                "low", Numbers.significant(trend.low(), 2),
                "high", Numbers.significant(trend.high(), 2),
                "p", Numbers.significant(trend.p(), 2));
        return new Changes.TrendView(
                trend.dates(),
                trend.slopePerYear(),
                trend.low(),
                trend.high(),
                trend.p(),
                trend.shown(),
                tidy(messages.text(List.of("change.trend-" + (trend.shown() ? "shown" : "none")), args)));
    }

    /** How many stops would show half, once and twice the change that is now the smallest visible one. */
    List<Changes.StopsNeeded> stopsNeeded(Changes.ChangeVerdict change) {
        if (change == null || change.deviation() == null || change.deviation() == 0 || change.smallest() == null) {
            return List.of();
        }
        List<Changes.StopsNeeded> needed = new ArrayList<>();
        double smallest = change.logarithmic() ? Math.log(change.smallest()) : change.smallest();
        for (double factor : new double[] {0.25, 0.5, 0.75, 1, 1.5, 2}) {
            double size = Numbers.significant(smallest * factor, 2);
            needed.add(new Changes.StopsNeeded(
                    size, PairedChange.stopsNeeded(change.deviation(), change.shared(), size, MOST_STOPS)));
        }
        return needed;
    }
}
