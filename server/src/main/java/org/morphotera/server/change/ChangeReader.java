package org.morphotera.server.change;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.core.trend.ChangeScale;
import org.morphotera.core.trend.History;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.viewcache.ViewCache;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads what may be said of change; also for the report. */
@Service
public class ChangeReader {

    private static final int TOLD_IN_A_REPORT = 8;

    /** What to look at: a series, only some stops, a period. All may be {@code null}. */
    public record Wanted(
            String indicator, String band, String method, List<UUID> stops, LocalDate from, LocalDate to) {}

    private final FieldReader fields;
    private final VisitReader visits;
    private final IndicatorReader indicators;
    private final ChangeSentences sentences;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final ViewCache kept;

    ChangeReader(
            FieldReader fields,
            VisitReader visits,
            IndicatorReader indicators,
            ChangeSentences sentences,
            MethodRegistry methods,
            Benchmarks benchmarks,
            Messages messages,
            ViewCache kept) {
        this.kept = kept;
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
        this.sentences = sentences;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** The series that changed and those that were not comparable, each between its first and its last date. */
    public List<Changes.SeriesChange> told(UUID practice, UUID field) {
        return indicators.series(practice, field).stream()
                .filter(each -> each.visits() > 1)
                .map(each -> read(
                        practice, field, new Wanted(each.indicator(), each.band(), each.method(), null, null, null)))
                .filter(view -> view.change() != null)
                .sorted(Comparator.comparingDouble((Changes.ChangeView view) -> -shown(view.change())))
                .map(view -> new Changes.SeriesChange(view.chosen().label(), view.change()))
                .filter(each -> !each.change().verdict().equals("no-change-shown")
                        && !each.change().verdict().equals("too-few"))
                .limit(TOLD_IN_A_REPORT)
                .toList();
    }

    /** The series that a page begins with, or none where nothing was read. */
    private record FirstSeries(Changes.@Nullable SeriesEntry entry) {}

    /**
     * What changed most against what could be chance, from the first date to the last or after something that was done;
     * where nothing did, what was read on most visits.
     */
    private Changes.@Nullable SeriesEntry first(UUID practice, UUID field, List<Changes.SeriesEntry> series) {
        return kept.of(FirstSeries.class, practice, field, () -> {
                    Changes.SeriesEntry first = null;
                    double most = 0;
                    for (Changes.SeriesEntry each : series) {
                        double shown = each.visits() < 2
                                ? 0
                                : shown(read(
                                        practice,
                                        field,
                                        new Wanted(each.indicator(), each.band(), each.method(), null, null, null)));
                        if (shown > most) {
                            most = shown;
                            first = each;
                        }
                    }
                    return new FirstSeries(first == null ? chosen(series, null, null, null) : first);
                })
                .entry();
    }

    private static double shown(Changes.ChangeView view) {
        double most = shown(view.change());
        for (Changes.EventChange event : view.events()) {
            most = Math.max(most, shown(event.change()));
        }
        return most;
    }

    /** How many times its uncertainty a change is; 0 where none was shown. */
    private static double shown(Changes.@Nullable ChangeVerdict change) {
        if (change == null
                || change.mean() == null
                || !change.verdict().equals("risen") && !change.verdict().equals("fallen")) {
            return 0;
        }
        return Math.abs(change.mean()) / Math.max(1e-9, (change.high() - change.low()) / 2);
    }

    /** @throws NotFoundException when there is no such field, or nothing of what is wanted was read in it */
    public Changes.ChangeView read(UUID practice, UUID id, Wanted wanted) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        List<Changes.SeriesEntry> series = indicators.series(practice, id).stream()
                .map(each -> new Changes.SeriesEntry(
                        each.indicator(),
                        messages.word(each.indicator()),
                        each.band(),
                        messages.text("depth." + each.band()),
                        each.method(),
                        messages.text(each.method() + ".title"),
                        each.visits()))
                .toList();
        Changes.SeriesEntry chosen = wanted.indicator() == null
                ? first(practice, id, series)
                : chosen(series, wanted.indicator(), wanted.band(), wanted.method());
        List<ManagementEvent> events = fields.events(practice, id);
        if (chosen == null) {
            return new Changes.ChangeView(
                    field.name(),
                    series,
                    null,
                    null,
                    null,
                    false,
                    0,
                    null,
                    fields.stops(practice, id),
                    List.of(),
                    List.of(),
                    null,
                    null,
                    List.of(),
                    events,
                    List.of());
        }
        Map<UUID, Visit> known =
                visits.visitsOf(practice, id).stream().collect(Collectors.toMap(Visit::id, Function.identity()));
        List<Stop> places = fields.stops(practice, id);
        Set<UUID> wheelTracks = withRole(places, role -> role == StopRole.WHEEL_TRACK);
        Set<UUID> untreated = withRole(places, StopRole::isUntreated);
        Set<UUID> stops = wanted.stops() == null || wanted.stops().isEmpty() ? null : Set.copyOf(wanted.stops());
        List<IndicatorRow> rows =
                indicators.history(practice, id, chosen.indicator(), chosen.band(), chosen.method()).stream()
                        .filter(row ->
                                stops == null ? !wheelTracks.contains(row.stopId()) : stops.contains(row.stopId()))
                        .filter(row -> within(known.get(row.visitId()).visitedOn(), wanted.from(), wanted.to()))
                        .toList();
        boolean ofStanding = rows.stream().anyMatch(row -> row.figure() == null);
        String unit = ofStanding || rows.isEmpty() ? null : rows.get(0).unit();
        ChangeScale scale = ofStanding ? ChangeScale.STANDING : ChangeScale.of(chosen.indicator(), benchmarks);
        List<Changes.Point> points = rows.stream()
                .map(row -> point(row, ofStanding, known.get(row.visitId())))
                .toList();
        History history = history(methods.get(chosen.method()), scale, rows, points, known, untreated);
        ChangeSentences.Of told = new ChangeSentences.Of(chosen.indicator(), unit, history);
        List<History.Date> dates = history.dates();
        History.Compared change = dates.size() < 2
                ? null
                : history.change(dates.get(0).day(), dates.get(dates.size() - 1).day(), benchmarks);
        return new Changes.ChangeView(
                field.name(),
                series,
                chosen,
                unit,
                ofStanding ? null : messages.optional("figure." + chosen.indicator()),
                ofStanding,
                scale.better(),
                wanted(field, chosen, ofStanding),
                places,
                points,
                dates.stream().map(ChangeSentences::date).toList(),
                change == null ? null : sentences.change(told, change),
                sentences.trend(told),
                events.stream()
                        .map(event -> sentences.around(
                                event,
                                told,
                                history.around(
                                        event.happenedOn(),
                                        event.stopIds() == null ? null : Set.copyOf(event.stopIds()),
                                        benchmarks)))
                        .filter(Objects::nonNull)
                        .toList(),
                events,
                History.stopsNeeded(change).stream()
                        .map(each -> new Changes.StopsNeeded(each.change(), each.stops()))
                        .toList());
    }

    /** The crop's window of pH, where pH itself is drawn. */
    private Changes.@Nullable Wanted wanted(Field field, Changes.SeriesEntry chosen, boolean ofStanding) {
        if (ofStanding || !chosen.indicator().equals("ph")) {
            return null;
        }
        PhWindow window = PhWindow.of(
                field.crop(), Coded.find(LandUse.values(), field.landUse()), benchmarks.table("ph.windows"));
        return new Changes.Wanted(window.low(), window.high());
    }

    private static Set<UUID> withRole(List<Stop> stops, Predicate<StopRole> wanted) {
        return stops.stream()
                .filter(stop -> wanted.test(Coded.find(StopRole.values(), stop.role())))
                .map(Stop::id)
                .collect(Collectors.toSet());
    }

    private static boolean within(LocalDate day, LocalDate from, LocalDate to) {
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    /** The one asked for; else the one read on most visits. */
    private static Changes.SeriesEntry chosen(
            List<Changes.SeriesEntry> series, String indicator, String band, String method) {
        if (indicator != null) {
            return NotFoundException.require(
                    series.stream()
                            .filter(each -> each.indicator().equals(indicator)
                                    && (band == null || each.band().equals(band))
                                    && (method == null || each.method().equals(method)))
                            .max(Comparator.comparingInt(Changes.SeriesEntry::visits))
                            .orElse(null),
                    "reading of this indicator in this field");
        }
        return series.stream()
                .max(Comparator.comparingInt(Changes.SeriesEntry::visits))
                .orElse(null);
    }

    private static Changes.Point point(IndicatorRow row, boolean ofStanding, Visit visit) {
        return new Changes.Point(
                row.measurementId(),
                row.stopId(),
                row.visitId(),
                visit.visitedOn(),
                ofStanding ? row.standing() : row.figure(),
                ofStanding ? row.standingLow() : row.figureLow(),
                ofStanding ? row.standingHigh() : row.figureHigh(),
                row.standing(),
                Level.of(row.standing()).code(),
                row.kind());
    }

    private static History history(
            FieldMethod<?> method,
            ChangeScale scale,
            List<IndicatorRow> rows,
            List<Changes.Point> points,
            Map<UUID, Visit> visits,
            Set<UUID> untreated) {
        List<History.Reading> readings = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            Changes.Point point = points.get(i);
            Visit visit = visits.get(point.visitId());
            readings.add(new History.Reading(
                    point.stopId(),
                    new History.Day(
                            visit.id(),
                            visit.visitedOn(),
                            visit.soilMoisture(),
                            visit.daysSinceRain(),
                            visit.soilTempC(),
                            visit.person()),
                    point.value(),
                    point.low(),
                    point.high(),
                    point.standing(),
                    point.kind(),
                    rows.get(i).layer()));
        }
        return new History(method, scale, readings, untreated);
    }
}
