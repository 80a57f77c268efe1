package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;

/** The readings of a series with all that the model needs of their field, and what was done that fits them. */
final class SeriesData {

    static final double DAYS_A_YEAR = 365.25;

    private static final double SCORE_STEP = 0.25;

    final IndicatorSeries.Id id;
    final JudgedField field;
    final IndicatorModel model;
    final List<JudgedField.Reading> readings;

    /** Whether every reading has a figure. */
    final boolean figures;

    final Map<String, JudgedField.Stop> stops;
    final Map<String, JudgedField.Visit> visits;

    /** What was done until the day it is judged for and can change it, by date. */
    final List<JudgedField.Event> fitting;

    final Map<JudgedField.Event, Expected> expected;

    /** Those between the first and the last visit that read it. */
    final List<JudgedField.Event> within;

    private final LocalDate epoch;

    SeriesData(IndicatorSeries.Id id, JudgedField field, List<JudgedField.Reading> readings, Benchmarks benchmarks) {
        this.id = id;
        this.field = field;
        this.readings = readings;
        this.figures = readings.stream().allMatch(each -> each.figure() != null);
        this.model = model(id.indicator(), figures, benchmarks);
        this.stops = byId(field.stops(), JudgedField.Stop::id);
        this.visits = byId(field.visits(), JudgedField.Visit::id);
        this.epoch = readings.stream()
                .map(each -> visits.get(each.visit()).on())
                .min(Comparator.naturalOrder())
                .orElseThrow();
        this.fitting = field.events().stream()
                .filter(each -> !each.on().isAfter(field.on()) && model.done(each.kind()) != null)
                .sorted(Comparator.comparing(JudgedField.Event::on).thenComparing(JudgedField.Event::id))
                .toList();
        this.expected = fitting.stream()
                .collect(Collectors.toMap(each -> each, each -> expected(each, benchmarks), (one, same) -> one));
        this.within = withinVisits();
    }

    /** The indicator's own model; that of scores where some reading has only one. */
    private static IndicatorModel model(String indicator, boolean figures, Benchmarks benchmarks) {
        IndicatorModel known = IndicatorModel.of(indicator, benchmarks);
        return figures || known.ofScore()
                ? known
                : new IndicatorModel(
                        indicator,
                        new ModelScale.Share(1, SCORE_STEP),
                        true,
                        benchmarks.table("model.score"),
                        benchmarks.table("model-kinds.score"),
                        known.done(),
                        null);
    }

    private static <T> Map<String, T> byId(List<T> list, Function<T, String> id) {
        return list.stream().collect(Collectors.toMap(id, each -> each));
    }

    /** Stops that it was read at. */
    Set<String> stopsRead() {
        return readings.stream().map(JudgedField.Reading::stop).collect(Collectors.toCollection(TreeSet::new));
    }

    /** Years since the first reading. */
    double years(LocalDate day) {
        return ChronoUnit.DAYS.between(epoch, day) / DAYS_A_YEAR;
    }

    private LocalDate lastRead() {
        return readings.stream()
                .map(each -> visits.get(each.visit()).on())
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** Whether something is done at a stop. */
    boolean treats(JudgedField.Event event, String stop) {
        return event.stops() == null
                ? !stops.get(stop).role().isUntreated()
                : event.stops().contains(stop);
    }

    /** Events between the first and the last visit that read it: only these can be seen in the readings. */
    private List<JudgedField.Event> withinVisits() {
        LocalDate last = lastRead();
        return fitting.stream()
                .filter(each -> !each.on().isBefore(epoch) && each.on().isBefore(last))
                .toList();
    }

    /** Its readings as the model takes them. */
    ModelReadings modelReadings() {
        return new ModelReadings(
                field.visits().stream()
                        .map(each -> new ModelReadings.Visit(each.id(), years(each.on())))
                        .toList(),
                field.stops().stream()
                        .map(each -> new ModelReadings.Stop(
                                each.id(), each.inPatch(), each.role().isUntreated()))
                        .toList(),
                within.stream()
                        .map(each -> new ModelReadings.Event(
                                years(each.on()),
                                expected.get(each).mean(),
                                expected.get(each).sd(),
                                each.stops()))
                        .toList(),
                readings.stream().map(this::modelReading).toList());
    }

    ModelReadings.Reading modelReading(JudgedField.Reading each) {
        double value = model.ofScore() ? each.score() : each.figure();
        String kind = id.key() != null
                ? id.key()
                : each.kind() != null ? each.kind() : each.source().code();
        IndicatorModel.Counted counted = model.counted(
                model.scale().of(value), model.sd(each.kind(), each.source(), each.low(), each.high()), each.marks());
        return new ModelReadings.Reading(
                each.stop(),
                each.visit(),
                kind,
                visits.get(each.visit()).person(),
                counted.value(),
                counted.sd(),
                model.kindSd(each.kind(), each.source()));
    }

    /** What an event should do, on the model's scale. */
    record Expected(double mean, double sd) {}

    /** What an event should do: lime by its amount, all else by nothing in particular. */
    private Expected expected(JudgedField.Event event, Benchmarks benchmarks) {
        double sd = model.done(event.kind());
        if (id.indicator().equals("ph") && event.limeTHa() != null) {
            double rise = LimeRise.of(event.limeTHa(), field.place(), benchmarks);
            return new Expected(rise, Math.max(sd / 2, LimeRise.UNCERTAIN * rise));
        }
        return new Expected(0, sd);
    }
}
