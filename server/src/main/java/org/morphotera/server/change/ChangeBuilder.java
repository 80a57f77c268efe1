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
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.statistics.Sample;
import org.morphotera.core.text.Messages;
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

    /** All readings of one indicator at one depth; by figure where every one has a figure, else by standing. */
    record History(
            String indicator, String unit, boolean ofStanding, List<IndicatorRow> rows, Map<UUID, Visit> visits) {

        double value(IndicatorRow row) {
            return ofStanding ? row.standing() : row.figure();
        }

        double halfWidth(IndicatorRow row) {
            Double low = ofStanding ? row.standingLow() : row.figureLow();
            Double high = ofStanding ? row.standingHigh() : row.figureHigh();
            return low == null || high == null ? 0 : (high - low) / 2;
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
                    return new Changes.Date(visit.id(), visit.visitedOn(), rows.size(), middle(history, rows));
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

    /** Change between two visits. */
    Changes.ChangeVerdict change(History history, Visit from, Visit to) {
        List<IndicatorRow[]> pairs = pairs(history, from, to, null);
        double[] differences = differences(history, pairs);
        List<Changes.MismatchView> mismatches = mismatches(history, from, to, pairs);
        return verdict(history, from, to, differences, widening(history, pairs), mismatches);
    }

    private static double[] differences(History history, List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .mapToDouble(pair -> history.value(pair[1]) - history.value(pair[0]))
                .toArray();
    }

    /** Where instrument, key or water differ, both half-widths stand in the way. */
    private static double widening(History history, List<IndicatorRow[]> pairs) {
        return pairs.stream()
                .filter(pair -> !Objects.equals(pair[0].kind(), pair[1].kind()))
                .mapToDouble(pair -> Math.hypot(history.halfWidth(pair[0]), history.halfWidth(pair[1])))
                .average()
                .orElse(0);
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

    private Changes.ChangeVerdict verdict(
            History history,
            Visit from,
            Visit to,
            double[] differences,
            double widening,
            List<Changes.MismatchView> mismatches) {
        boolean alike =
                mismatches.stream().filter(Changes.MismatchView::matters).count() < Likeness.TOO_MANY;
        PairedChange change = PairedChange.ofDifferences(differences, widening, alike);
        Map<String, Object> args = new LinkedHashMap<>();
        args.put("indicator", history.indicator());
        args.put("unit", history.unit() == null ? "" : history.unit());
        args.put("n", change.pairs());
        args.put("mean", shown(change.mean() == null ? null : Double.valueOf(signed(change))));
        args.put("low", shown(change.low()));
        args.put("high", shown(change.high()));
        args.put("smallest", shown(change.smallest()));
        args.put(
                "mismatches",
                mismatches.stream()
                        .filter(Changes.MismatchView::matters)
                        .map(Changes.MismatchView::label)
                        .toList());
        return new Changes.ChangeVerdict(
                from.visitedOn(),
                to.visitedOn(),
                change.verdict().code(),
                change.pairs(),
                change.mean(),
                change.low(),
                change.high(),
                change.smallest(),
                deviation(differences),
                mismatches,
                tidy(messages.text(List.of("change." + change.verdict().code()), args)));
    }

    /** "fallen by" takes the size, everything else the sign too. */
    private static double signed(PairedChange change) {
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
        return Sample.of(values).deviation();
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
        List<IndicatorRow[]> done = pairs(history, before, after, treated);
        double[] control = all.stream()
                .filter(pair -> treated != null && !treated.contains(pair[1].stopId()))
                .mapToDouble(pair -> history.value(pair[1]) - history.value(pair[0]))
                .toArray();
        double[] differences = PairedChange.lessDrift(differences(history, done), control);
        Changes.ChangeVerdict change = verdict(
                history, before, after, differences, widening(history, done), mismatches(history, before, after, done));
        String caution = control.length == 0
                ? messages.text("change.event-alone")
                : messages.text(List.of("change.event-controlled"), Map.of("controls", control.length));
        return new Changes.EventChange(event, change, control.length, caution);
    }

    /** A steady rise or fall over the middles of three dates or more. */
    Changes.TrendView trend(History history, List<Changes.Date> dates) {
        if (dates.isEmpty()) {
            return null;
        }
        LocalDate first = dates.get(0).on();
        double[] years = dates.stream()
                .mapToDouble(date -> ChronoUnit.DAYS.between(first, date.on()) / DAYS_A_YEAR)
                .toArray();
        LongTrend trend = LongTrend.of(
                years, dates.stream().mapToDouble(Changes.Date::middle).toArray());
        if (trend == null) {
            return null;
        }
        Map<String, Object> args = Map.of(
                "n", trend.dates(),
                "indicator", history.indicator(),
                "slope", Numbers.significant(trend.slopePerYear(), 2),
                "unit", history.unit() == null ? "" : history.unit(),
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
        for (double factor : new double[] {0.25, 0.5, 0.75, 1, 1.5, 2}) {
            double size = Numbers.significant(change.smallest() * factor, 2);
            needed.add(new Changes.StopsNeeded(size, PairedChange.stopsNeeded(change.deviation(), size, MOST_STOPS)));
        }
        return needed;
    }
}
