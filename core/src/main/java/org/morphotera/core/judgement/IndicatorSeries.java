package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.FieldModel.Ahead;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.FieldModel.EventEffect;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;

/** All readings of one indicator at one depth of a field, and what the field model makes of them. */
public final class IndicatorSeries {

    /**
     * Which readings belong together.
     *
     * @param key where figures of two keys mean other things, the key; else {@code null}
     */
    public record Id(
            String indicator, String band, @Nullable String key) {}

    /**
     * A figure with its interval of 95 %, its score and its level.
     *
     * @param value low <= value <= high, in the indicator's unit; the score where it has no figure
     * @param score 0 to 1, with the lowest and highest of the interval
     * @param readOn the newest day it was read
     * @param since events since then, whose expected effect is in it
     */
    public record LevelFigure(
            double value,
            double low,
            double high,
            double score,
            double scoreLow,
            double scoreHigh,
            Level level,
            LocalDate readOn,
            List<JudgedField.Event> since) {}

    /** How much readings of one kind count in the field's figure: at how many stops, and their share, 0 to 1. */
    public record Weight(String kind, int stops, double share) {}

    /**
     * A change as it is told.
     *
     * @param mean difference in the indicator's unit, or ratio where the model's scale is logarithmic
     * @param earlier and {@code later}: the treated field's figure on both days
     * @param better 1 where it is for the better, −1 where for the worse, 0 for neither
     */
    public record Told(
            Visit from,
            Visit to,
            double mean,
            double low,
            double high,
            double changed,
            double risen,
            double fallen,
            double earlier,
            double later,
            int better) {

        /** The chance of the likelier direction. */
        public double probability() {
            return Math.max(risen, fallen);
        }
    }

    /** A visit that read it. */
    public record Visit(String id, LocalDate on) {}

    /**
     * What an event did where it was done.
     *
     * @param before the field's figure on the last visit before, {@code null} where there was none
     * @param with and {@code without}: the figure on the last visit read, as it is and as it would be
     */
    public record Did(
            JudgedField.Event event,
            double mean,
            double low,
            double high,
            double risen,
            double fallen,
            @Nullable Double before,
            double with,
            double without,
            LocalDate on,
            int stops,
            int leftAlone,
            int better) {}

    /** The field on a visit, with its interval, and how many stops were read. */
    public record CoursePoint(Visit visit, double value, double low, double high, int stops) {}

    private static final double DAYS_A_YEAR = 365.25;

    /** A score that moved by less than this did not move. */
    private static final double STOOD_STILL = 0.005;

    private final Id id;
    private final JudgedField field;
    private final IndicatorModel model;
    private final List<JudgedField.Reading> readings;
    private final Map<String, JudgedField.Stop> stops;
    private final Map<String, JudgedField.Visit> visits;
    private final List<JudgedField.Event> fitting;
    private final FieldModel fitted;
    private final @Nullable FigureScore scored;
    private final @Nullable StopRole leading;
    private final LocalDate epoch;

    IndicatorSeries(
            Id id,
            JudgedField field,
            List<JudgedField.Reading> readings,
            @Nullable StopRole leading,
            Benchmarks benchmarks) {
        this.id = id;
        this.field = field;
        this.leading = leading;
        IndicatorModel known = IndicatorModel.of(id.indicator(), benchmarks);
        boolean scores = known.ofScore() || readings.stream().anyMatch(each -> each.figure() == null);
        this.model = scores && !known.ofScore()
                ? new IndicatorModel(
                        id.indicator(),
                        new ModelScale.Share(1, SCORE_STEP),
                        true,
                        benchmarks.table("model.score"),
                        benchmarks.table("model-kinds.score"),
                        known.done())
                : known;
        this.readings = readings;
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
        this.scored = model.ofScore() ? null : FigureScore.of(id.indicator(), field.place(), benchmarks);
        List<JudgedField.Event> within = withinVisits();
        this.fitted = FieldModel.of(model.scatter(!within.isEmpty()), modelReadings(within, benchmarks));
        this.within = within;
    }

    private static final double SCORE_STEP = 0.25;
    private final List<JudgedField.Event> within;

    private static <T> Map<String, T> byId(List<T> list, Function<T, String> id) {
        return list.stream().collect(Collectors.toMap(id, each -> each));
    }

    private double years(LocalDate day) {
        return ChronoUnit.DAYS.between(epoch, day) / DAYS_A_YEAR;
    }

    private LocalDate lastRead() {
        return readings.stream()
                .map(each -> visits.get(each.visit()).on())
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** Events between the first and the last visit that read it: only these can be seen in the readings. */
    private List<JudgedField.Event> withinVisits() {
        LocalDate last = lastRead();
        return fitting.stream()
                .filter(each -> !each.on().isBefore(epoch) && each.on().isBefore(last))
                .toList();
    }

    private ModelReadings modelReadings(List<JudgedField.Event> events, Benchmarks benchmarks) {
        return new ModelReadings(
                field.visits().stream()
                        .map(each -> new ModelReadings.Visit(each.id(), years(each.on())))
                        .toList(),
                field.stops().stream()
                        .map(each -> new ModelReadings.Stop(
                                each.id(), each.inPatch(), each.role().isUntreated()))
                        .toList(),
                events.stream()
                        .map(each -> {
                            Expected expected = expected(each, benchmarks);
                            return new ModelReadings.Event(
                                    years(each.on()), expected.mean(), expected.sd(), each.stops());
                        })
                        .toList(),
                readings.stream().map(this::modelReading).toList());
    }

    private ModelReadings.Reading modelReading(JudgedField.Reading each) {
        double value = model.ofScore() ? each.score() : each.figure();
        String kind = id.key() != null
                ? id.key()
                : each.kind() != null ? each.kind() : each.source().code();
        return new ModelReadings.Reading(
                each.stop(),
                each.visit(),
                kind,
                visits.get(each.visit()).person(),
                model.scale().of(value),
                model.sd(each.kind(), each.source(), each.low(), each.high()),
                model.kindSd(each.kind(), each.source()));
    }

    private record Expected(double mean, double sd) {}

    /** What an event should do: lime by its amount, all else by nothing in particular. */
    private Expected expected(JudgedField.Event event, Benchmarks benchmarks) {
        double sd = model.done(event.kind());
        if (id.indicator().equals("ph") && event.limeTHa() != null) {
            double rise = LimeRise.of(event.limeTHa(), field.place(), benchmarks);
            return new Expected(rise, Math.max(sd / 2, LimeRise.UNCERTAIN * rise));
        }
        return new Expected(0, sd);
    }

    // ---- what is asked of it ----

    public Id id() {
        return id;
    }

    /** Its readings, oldest visit first. */
    public List<JudgedField.Reading> readings() {
        return readings;
    }

    /** Whether it stands on the score, because it has no figure or a figure that is a score. */
    public boolean ofScore() {
        return model.ofScore();
    }

    /** Whether changes are told as ratios. */
    public boolean ratio() {
        return model.scale().ratio();
    }

    /** The unit of its figures; {@code null} for none. */
    public @Nullable String unit() {
        return readings.stream()
                .filter(each -> each.figure() != null)
                .map(JudgedField.Reading::unit)
                .findFirst()
                .orElse(null);
    }

    /** Visits that read it, by date. */
    public List<Visit> visits() {
        return fitted.visits().stream().map(this::visit).toList();
    }

    private Visit visit(ModelReadings.Visit of) {
        return new Visit(of.id(), visits.get(of.id()).on());
    }

    /** Stops that it was read at. */
    public Set<String> stops() {
        return readings.stream().map(JudgedField.Reading::stop).collect(Collectors.toCollection(TreeSet::new));
    }

    private boolean leads(String stop) {
        return leading == null || stops.get(stop).role() == leading;
    }

    /** Whether a stop that speaks for the field read it. */
    public boolean speaks() {
        return readings.stream().anyMatch(each -> leads(each.stop()));
    }

    private ModelReadings.Visit newest(Collection<JudgedField.Reading> of) {
        String last = of.stream()
                .map(each -> visits.get(each.visit()))
                .max(Comparator.comparing(JudgedField.Visit::on).thenComparing(JudgedField.Visit::id))
                .orElseThrow()
                .id();
        return fitted.visits().stream()
                .filter(each -> each.id().equals(last))
                .findFirst()
                .orElseThrow();
    }

    /** The field on the day it is judged for, by the stops that speak for it; {@code null} where none of them read it. */
    public @Nullable LevelFigure field() {
        List<JudgedField.Reading> speaking =
                readings.stream().filter(each -> leads(each.stop())).toList();
        if (speaking.isEmpty()) {
            return null;
        }
        ModelReadings.Visit last = newest(speaking);
        LocalDate readOn = visits.get(last.id()).on();
        List<JudgedField.Event> since =
                fitting.stream().filter(each -> !each.on().isBefore(readOn)).toList();
        return level(fitted.field(last, speakingPatches(speaking), ahead(readOn, since, 1)), readOn, since, speaking);
    }

    /** The field as it was on a visit; {@code null} where no stop that speaks for it read it then. */
    public @Nullable LevelFigure field(String visit) {
        List<JudgedField.Reading> speaking = readings.stream()
                .filter(each -> leads(each.stop()) && each.visit().equals(visit))
                .toList();
        return speaking.isEmpty()
                ? null
                : level(
                        fitted.field(newest(speaking), speakingPatches(speaking), Ahead.NONE),
                        visits.get(visit).on(),
                        List.of(),
                        speaking);
    }

    private List<@Nullable String> speakingPatches(List<JudgedField.Reading> speaking) {
        List<@Nullable String> patches = new ArrayList<>();
        speaking.stream()
                .map(JudgedField.Reading::stop)
                .distinct()
                .forEach(stop -> patches.add(stops.get(stop).inPatch()));
        return patches;
    }

    private Ahead ahead(LocalDate from, List<JudgedField.Event> since, double share) {
        double drift = model.scatter(false).drift();
        double mean = 0;
        double variance = drift * drift * Math.max(0, years(field.on()) - years(from));
        for (JudgedField.Event each : since) {
            double sd = model.done(each.kind());
            variance += share * sd * sd;
        }
        return new Ahead(mean, variance);
    }

    /** A stop as it was last read, with the hole of that day; {@code null} where it was not. */
    public @Nullable LevelFigure stop(String stop) {
        List<JudgedField.Reading> there =
                readings.stream().filter(each -> each.stop().equals(stop)).toList();
        return there.isEmpty() ? null : stop(there, newest(there));
    }

    /** A stop on a visit; {@code null} where it was not read then. */
    public @Nullable LevelFigure stop(String stop, String visit) {
        List<JudgedField.Reading> there = readings.stream()
                .filter(each -> each.stop().equals(stop) && each.visit().equals(visit))
                .toList();
        return there.isEmpty() ? null : stop(there, newest(there));
    }

    private LevelFigure stop(List<JudgedField.Reading> there, ModelReadings.Visit on) {
        ModelReadings.Stop at = fitted.stops().stream()
                .filter(each -> each.id().equals(there.get(0).stop()))
                .findFirst()
                .orElseThrow();
        List<JudgedField.Reading> then =
                there.stream().filter(each -> each.visit().equals(on.id())).toList();
        return level(fitted.stop(at, on), visits.get(on.id()).on(), List.of(), then);
    }

    private LevelFigure level(
            Estimate estimate, LocalDate readOn, List<JudgedField.Event> since, List<JudgedField.Reading> by) {
        double value = model.scale().figure(estimate.value());
        double low = model.scale().figure(estimate.low());
        double high = model.scale().figure(estimate.high());
        if (scored == null) {
            String kind = id.key();
            double one = model.shown(low, kind);
            double other = model.shown(high, kind);
            return new LevelFigure(
                    model.shown(value, kind),
                    Math.min(one, other),
                    Math.max(one, other),
                    value,
                    low,
                    high,
                    Level.of(value),
                    readOn,
                    since);
        }
        double off = scored.byCrop()
                ? 0
                : by.stream()
                        .mapToDouble(each -> each.score() - scored.at(each.figure()))
                        .average()
                        .orElse(0);
        double score = within(scored.at(value) + off);
        return new LevelFigure(
                value,
                low,
                high,
                score,
                Math.min(score, within(scored.lowest(low, high) + off)),
                Math.max(score, within(scored.highest(low, high) + off)),
                Level.of(score),
                readOn,
                since);
    }

    private static double within(double score) {
        return Math.max(0, Math.min(1, score));
    }

    /** What the field's figure stands on: the share of each kind of reading, the largest first. */
    public List<Weight> weights() {
        List<JudgedField.Reading> speaking =
                readings.stream().filter(each -> leads(each.stop())).toList();
        if (speaking.isEmpty()) {
            return List.of();
        }
        double[] weights = fitted.weights(newest(speaking), speakingPatches(speaking));
        Map<String, Set<String>> at = new LinkedHashMap<>();
        Map<String, Double> shares = new LinkedHashMap<>();
        double all = 0;
        for (int i = 0; i < weights.length; i++) {
            JudgedField.Reading each = readings.get(i);
            String kind = each.kind() != null ? each.kind() : each.source().code();
            at.computeIfAbsent(kind, key -> new TreeSet<>()).add(each.stop());
            shares.merge(kind, Math.abs(weights[i]), Double::sum);
            all += Math.abs(weights[i]);
        }
        double whole = all;
        return shares.entrySet().stream()
                .map(each -> new Weight(
                        each.getKey(), at.get(each.getKey()).size(), whole == 0 ? 0 : each.getValue() / whole))
                .sorted(Comparator.comparingDouble(Weight::share).reversed().thenComparing(Weight::kind))
                .toList();
    }

    /** The treated field over the visits. */
    public List<CoursePoint> course() {
        return fitted.visits().stream()
                .map(each -> {
                    Estimate at = fitted.course(each);
                    double one = shown(at.low());
                    double other = shown(at.high());
                    int read = (int) readings.stream()
                            .filter(reading -> reading.visit().equals(each.id()))
                            .map(JudgedField.Reading::stop)
                            .distinct()
                            .count();
                    return new CoursePoint(
                            visit(each), shown(at.value()), Math.min(one, other), Math.max(one, other), read);
                })
                .toList();
    }

    private double shown(double onScale) {
        return model.shown(model.scale().figure(onScale), id.key());
    }

    /**
     * Change of the treated field between the first and the last visit of a window that read it.
     *
     * @param from and {@code to}: {@code null} for the first and the last
     * @return {@code null} where fewer than two visits read it
     */
    public @Nullable Told change(@Nullable LocalDate from, @Nullable LocalDate to) {
        FieldModel.Change change = fitted.change(
                from == null ? Double.NEGATIVE_INFINITY : years(from),
                to == null ? Double.POSITIVE_INFINITY : years(to));
        if (change == null || change.from().equals(change.to())) {
            return null;
        }
        double earlier = fitted.course(change.from()).value();
        double later = fitted.course(change.to()).value();
        Moved moved = moved(change.estimate(), earlier, later);
        return new Told(
                visit(change.from()),
                visit(change.to()),
                moved.mean(),
                moved.low(),
                moved.high(),
                change.changed(),
                moved.falls() ? change.fallen() : change.risen(),
                moved.falls() ? change.risen() : change.fallen(),
                shown(earlier),
                shown(later),
                better(earlier, later));
    }

    /** @param falls whether the figure as it is shown falls where the model's value rises */
    private record Moved(double mean, double low, double high, boolean falls) {}

    /** A difference on the model's scale as it is told: a ratio, or the difference of two figures about the same middle. */
    private Moved moved(Estimate estimate, double earlier, double later) {
        if (model.scale().ratio()) {
            return new Moved(Math.exp(estimate.value()), Math.exp(estimate.low()), Math.exp(estimate.high()), false);
        }
        double middle = (earlier + later) / 2;
        double mean = apart(middle, estimate.value());
        double one = apart(middle, estimate.low());
        double other = apart(middle, estimate.high());
        return new Moved(mean, Math.min(one, other), Math.max(one, other), shown(middle + 1) < shown(middle));
    }

    private double apart(double middle, double difference) {
        return shown(middle + difference / 2) - shown(middle - difference / 2);
    }

    /** By what the scores of both figures say. */
    private int better(double earlier, double later) {
        double before = score(earlier);
        double after = score(later);
        return Math.abs(after - before) < STOOD_STILL ? 0 : after > before ? 1 : -1;
    }

    private double score(double onScale) {
        double figure = model.scale().figure(onScale);
        return scored == null ? figure : scored.at(figure);
    }

    /** What was done that fits the indicator, between its first and its last visit, and what it did. */
    public List<Did> did() {
        List<Did> found = new ArrayList<>();
        List<EventEffect> effects = fitted.effects();
        List<ModelReadings.Visit> read = fitted.visits();
        ModelReadings.Visit last = read.get(read.size() - 1);
        for (int j = 0; j < within.size(); j++) {
            EventEffect effect = effects.get(j);
            if (effect.effect() == null) {
                continue;
            }
            JudgedField.Event event = within.get(j);
            ModelReadings.Visit before = read.stream()
                    .filter(each -> each.years() <= years(event.on()))
                    .reduce((one, other) -> other)
                    .orElse(null);
            double with = fitted.whereDone(j, last).value();
            double without = with - effect.effect().value();
            Moved moved = moved(effect.effect(), without, with);
            found.add(new Did(
                    event,
                    moved.mean(),
                    moved.low(),
                    moved.high(),
                    moved.falls() ? effect.fallen() : effect.risen(),
                    moved.falls() ? effect.risen() : effect.fallen(),
                    before == null
                            ? null
                            : Double.valueOf(shown(fitted.course(before).value())),
                    shown(with),
                    shown(without),
                    visits.get(last.id()).on(),
                    (int) stops().stream().filter(stop -> treats(event, stop)).count(),
                    (int) stops().stream().filter(stop -> !treats(event, stop)).count(),
                    better(without, with)));
        }
        return found;
    }

    private boolean treats(JudgedField.Event event, String stop) {
        return event.stops() == null
                ? !stops.get(stop).role().isUntreated()
                : event.stops().contains(stop);
    }

    /**
     * One patch against another.
     *
     * @param one and {@code other}: names of patches, {@code null} for the routine field
     * @return other less one, or {@code null} where one of them was not read
     */
    public @Nullable PatchDifference difference(@Nullable String one, @Nullable String other) {
        List<JudgedField.Reading> here = of(one);
        List<JudgedField.Reading> there = of(other);
        if (here.isEmpty() || there.isEmpty()) {
            return null;
        }
        ModelReadings.Visit last = fitted.visits().get(fitted.visits().size() - 1);
        Estimate apart = fitted.patch(other, one);
        double base =
                fitted.field(last, Collections.singletonList(one), Ahead.NONE).value();
        Moved moved = moved(apart, base, base + apart.value());
        boolean tells = apart.low() > 0 || apart.high() < 0;
        return new PatchDifference(
                shown(base),
                shown(base + apart.value()),
                moved.mean(),
                moved.low(),
                moved.high(),
                tells,
                Math.abs(apart.value()) / Math.max(1e-12, apart.sd()),
                better(base, base + apart.value()),
                score(base),
                score(base + apart.value()),
                stopsOf(here),
                stopsOf(there));
    }

    /**
     * How two patches differ.
     *
     * @param one and {@code other}: their figures
     * @param told whether the interval excludes none
     * @param times how many standard deviations it is
     * @param better 1 where the other stands better, −1 where the one does
     */
    public record PatchDifference(
            double one,
            double other,
            double mean,
            double low,
            double high,
            boolean told,
            double times,
            int better,
            double oneScore,
            double otherScore,
            int oneStops,
            int otherStops) {}

    private List<JudgedField.Reading> of(@Nullable String patch) {
        return readings.stream()
                .filter(each -> Objects.equals(stops.get(each.stop()).inPatch(), patch))
                .toList();
    }

    private static int stopsOf(List<JudgedField.Reading> readings) {
        return (int) readings.stream().map(JudgedField.Reading::stop).distinct().count();
    }

    /**
     * How large a change would show after one more visit a year on.
     *
     * @param stops treated ones read on it
     * @param leftAlone of the stops that are left alone
     * @param smallest half-width of the interval of the change, in the indicator's unit, or the ratio over 1
     */
    public record Design(int stops, int leftAlone, int visits, double smallest) {}

    /** The half-width of the change's interval as it is told: from it on a change would show. */
    public double smallest(Told told) {
        return model.scale().ratio() ? told.high() / told.mean() : (told.high() - told.low()) / 2;
    }
}
