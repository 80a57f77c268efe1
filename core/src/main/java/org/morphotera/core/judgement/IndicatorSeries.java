package org.morphotera.core.judgement;

import java.time.LocalDate;
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
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.FieldModel.Ahead;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.FieldModel.EventEffect;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.statistics.Sample;

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

    private final SeriesData data;
    private final ToldFigures figures;
    private final FieldModel fitted;
    private final @Nullable StopRole leading;

    IndicatorSeries(
            Id id,
            JudgedField field,
            List<JudgedField.Reading> readings,
            @Nullable StopRole leading,
            Benchmarks benchmarks) {
        this.data = new SeriesData(id, field, readings, benchmarks);
        this.leading = leading;
        IndicatorModel model = data.model;
        this.figures = new ToldFigures(
                model,
                id.key(),
                data.figures,
                model.ofScore() ? null : FigureScore.of(id.indicator(), field.place(), benchmarks));
        this.fitted = FieldModel.of(model.scatter(!data.within.isEmpty()), data.modelReadings());
    }

    /** What the model is worked out of. */
    SeriesData data() {
        return data;
    }

    public Id id() {
        return data.id;
    }

    /** Its readings, oldest visit first. */
    public List<JudgedField.Reading> readings() {
        return data.readings;
    }

    /** Whether it stands on the score, because it has no figure or a figure that is a score. */
    public boolean ofScore() {
        return data.model.ofScore();
    }

    /** Whether every reading has a figure. */
    public boolean hasFigure() {
        return data.figures;
    }

    /** 1 where more of the figure is better wherever it was read, −1 where less is, 0 for neither or in between. */
    public int moreIsBetter() {
        return figures.moreIsBetter(data.readings);
    }

    /** Whether changes are told as ratios. */
    public boolean ratio() {
        return data.model.scale().ratio();
    }

    /** The unit of its figures; {@code null} for none. */
    public @Nullable String unit() {
        return data.readings.stream()
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
        return new Visit(of.id(), data.visits.get(of.id()).on());
    }

    /** Stops that it was read at. */
    public Set<String> stops() {
        return data.stopsRead();
    }

    private boolean leads(String stop) {
        return leading == null || data.stops.get(stop).role() == leading;
    }

    /** Whether a stop that speaks for the field read it. */
    public boolean speaks() {
        return data.readings.stream().anyMatch(each -> leads(each.stop()));
    }

    /** The newest day that a stop which speaks for the field read it. */
    LocalDate lastSpoke() {
        return data.readings.stream()
                .filter(each -> leads(each.stop()))
                .map(each -> data.visits.get(each.visit()).on())
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** The stops that speak for the field, as the model has them; on a visit, or as they were last read. */
    List<StopScore> stopScores(@Nullable String visit) {
        List<StopScore> scores = new ArrayList<>();
        for (String stop : stops()) {
            LevelFigure level = !leads(stop) ? null : visit == null ? stop(stop) : stop(stop, visit);
            if (level != null) {
                scores.add(new StopScore(stop, data.id.indicator(), layerOf(stop, visit), level.score(), null));
            }
        }
        return scores;
    }

    private @Nullable DepthLayer layerOf(String stop, @Nullable String visit) {
        return data.readings.stream()
                .filter(each -> each.stop().equals(stop)
                        && (visit == null || each.visit().equals(visit)))
                .reduce((one, other) -> other)
                .map(JudgedField.Reading::layer)
                .orElse(null);
    }

    private ModelReadings.Visit newest(Collection<JudgedField.Reading> of) {
        String last = of.stream()
                .map(each -> data.visits.get(each.visit()))
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
                data.readings.stream().filter(each -> leads(each.stop())).toList();
        if (speaking.isEmpty()) {
            return null;
        }
        ModelReadings.Visit last = newest(speaking);
        LocalDate readOn = data.visits.get(last.id()).on();
        List<JudgedField.Event> since = data.fitting.stream()
                .filter(each -> !each.on().isBefore(readOn))
                .toList();
        return figures.level(
                fitted.field(last, speakingPatches(speaking), ahead(readOn, since, speaking)), readOn, since, speaking);
    }

    /** The field as it was on a visit; {@code null} where no stop that speaks for it read it then. */
    public @Nullable LevelFigure field(String visit) {
        List<JudgedField.Reading> speaking = data.readings.stream()
                .filter(each -> leads(each.stop()) && each.visit().equals(visit))
                .toList();
        return speaking.isEmpty()
                ? null
                : figures.level(
                        fitted.field(newest(speaking), speakingPatches(speaking), Ahead.NONE),
                        data.visits.get(visit).on(),
                        List.of(),
                        speaking);
    }

    private List<@Nullable String> speakingPatches(List<JudgedField.Reading> speaking) {
        List<@Nullable String> patches = new ArrayList<>();
        speaking.stream()
                .map(JudgedField.Reading::stop)
                .distinct()
                .forEach(stop -> patches.add(data.stops.get(stop).inPatch()));
        return patches;
    }

    /** What goes on by itself since a day, and what was done since, by the share of the stops that it was done on. */
    private Ahead ahead(LocalDate from, List<JudgedField.Event> since, List<JudgedField.Reading> speaking) {
        double drift = data.model.scatter(false).drift();
        double mean = 0;
        double variance = drift * drift * Math.max(0, data.years(data.field.on()) - data.years(from));
        Set<String> there = speaking.stream().map(JudgedField.Reading::stop).collect(Collectors.toSet());
        for (JudgedField.Event each : since) {
            double share = (double) there.stream()
                            .filter(stop -> data.treats(each, stop))
                            .count()
                    / there.size();
            SeriesData.Expected does = data.expected.get(each);
            mean += share * does.mean();
            variance += share * does.sd() * share * does.sd();
        }
        return new Ahead(mean, variance);
    }

    /** A stop as it was last read, with the hole of that day; {@code null} where it was not. */
    public @Nullable LevelFigure stop(String stop) {
        List<JudgedField.Reading> there =
                data.readings.stream().filter(each -> each.stop().equals(stop)).toList();
        return there.isEmpty() ? null : stop(there, newest(there));
    }

    /** A stop on a visit; {@code null} where it was not read then. */
    public @Nullable LevelFigure stop(String stop, String visit) {
        List<JudgedField.Reading> there = data.readings.stream()
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
        return figures.level(fitted.stop(at, on), data.visits.get(on.id()).on(), List.of(), then);
    }

    /** What the field's figure stands on: the share of each kind of reading, the largest first. */
    public List<Weight> weights() {
        List<JudgedField.Reading> speaking =
                data.readings.stream().filter(each -> leads(each.stop())).toList();
        if (speaking.isEmpty()) {
            return List.of();
        }
        double[] weights = fitted.weights(newest(speaking), speakingPatches(speaking));
        Map<String, Set<String>> at = new LinkedHashMap<>();
        Map<String, Double> shares = new LinkedHashMap<>();
        double all = 0;
        for (int i = 0; i < weights.length; i++) {
            JudgedField.Reading each = data.readings.get(i);
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

    /** The treated stops that speak for the field: the routine ones, or the patch that leads where there are none. */
    private Estimate courseAt(ModelReadings.Visit visit) {
        List<JudgedField.Reading> speaking = data.readings.stream()
                .filter(each -> leads(each.stop()))
                .filter(each -> !data.stops.get(each.stop()).role().isUntreated())
                .toList();
        return speaking.isEmpty()
                ? fitted.course(visit)
                : fitted.estimate(fitted.askField(visit, speakingPatches(speaking)));
    }

    /** The treated field over the visits. */
    public List<CoursePoint> course() {
        return fitted.visits().stream()
                .map(each -> {
                    Estimate at = courseAt(each);
                    double one = figures.shown(at.low());
                    double other = figures.shown(at.high());
                    int read = (int) data.readings.stream()
                            .filter(reading -> reading.visit().equals(each.id()))
                            .map(JudgedField.Reading::stop)
                            .distinct()
                            .count();
                    return new CoursePoint(
                            visit(each), figures.shown(at.value()), Math.min(one, other), Math.max(one, other), read);
                })
                .toList();
    }

    /**
     * Change of the treated field between the first and the last visit of a window that read it.
     *
     * @param from and {@code to}: {@code null} for the first and the last
     * @return {@code null} where fewer than two visits read it
     */
    public @Nullable Told change(@Nullable LocalDate from, @Nullable LocalDate to) {
        FieldModel.Change change = fitted.change(
                from == null ? Double.NEGATIVE_INFINITY : data.years(from),
                to == null ? Double.POSITIVE_INFINITY : data.years(to));
        if (change == null || change.from().equals(change.to())) {
            return null;
        }
        double earlier = courseAt(change.from()).value();
        double later = courseAt(change.to()).value();
        ToldFigures.Moved moved = figures.moved(change.estimate(), earlier, later);
        return new Told(
                visit(change.from()),
                visit(change.to()),
                moved.mean(),
                moved.low(),
                moved.high(),
                change.changed(),
                moved.falls() ? change.fallen() : change.risen(),
                moved.falls() ? change.risen() : change.fallen(),
                figures.shown(earlier),
                figures.shown(later),
                figures.better(earlier, later));
    }

    /** What was done that fits the indicator, between its first and its last visit, and what it did. */
    public List<Did> did() {
        List<Did> found = new ArrayList<>();
        List<EventEffect> effects = fitted.effects();
        List<ModelReadings.Visit> read = fitted.visits();
        ModelReadings.Visit last = last();
        for (int j = 0; j < data.within.size(); j++) {
            EventEffect effect = effects.get(j);
            if (effect.effect() == null) {
                continue;
            }
            JudgedField.Event event = data.within.get(j);
            ModelReadings.Visit before = read.stream()
                    .filter(each -> each.years() <= data.years(event.on()))
                    .reduce((one, other) -> other)
                    .orElse(null);
            double with = fitted.whereDone(j, last).value()
                    + courseAt(last).value()
                    - fitted.course(last).value();
            double without = with - effect.effect().value();
            ToldFigures.Moved moved = figures.moved(effect.effect(), without, with);
            found.add(new Did(
                    event,
                    moved.mean(),
                    moved.low(),
                    moved.high(),
                    moved.falls() ? effect.fallen() : effect.risen(),
                    moved.falls() ? effect.risen() : effect.fallen(),
                    before == null
                            ? null
                            : Double.valueOf(figures.shown(courseAt(before).value())),
                    figures.shown(with),
                    figures.shown(without),
                    data.visits.get(last.id()).on(),
                    (int) stops().stream()
                            .filter(stop -> data.treats(event, stop))
                            .count(),
                    (int) stops().stream()
                            .filter(stop -> !data.treats(event, stop))
                            .count(),
                    figures.better(without, with)));
        }
        return found;
    }

    /**
     * A side of a comparison: a patch, a stop, or the stops that speak for the field.
     *
     * @param kind which of them
     * @param name of the patch or the stop; {@code null} for the routine field
     * @param visit {@code null} for the newest reading
     */
    public record Side(
            Of kind, @Nullable String name, @Nullable String visit) {

        /** What a side is. */
        public enum Of {
            PATCH,
            STOP,
            FIELD
        }

        private boolean isNewestPatch() {
            return kind == Of.PATCH && visit == null;
        }

        /** A patch by its newest data.readings; {@code null} is the routine field. */
        public static Side patch(@Nullable String patch) {
            return new Side(Of.PATCH, patch, null);
        }
    }

    /**
     * One side against another of the same field: of two patches by their newest readings, the difference of their
     * effects.
     *
     * @return other less one, or {@code null} where one of them was not read
     */
    public @Nullable PatchDifference difference(Side one, Side other) {
        SideFigure here = figure(one);
        SideFigure there = figure(other);
        if (here == null || there == null) {
            return null;
        }
        boolean patches = one.isNewestPatch() && other.isNewestPatch();
        double from = fitted.estimate(here.asked()).value();
        Estimate apart =
                patches ? fitted.patch(other.name(), one.name()) : fitted.difference(there.asked(), here.asked());
        if (patches) {
            from = fitted.estimate(fitted.askField(last(), Collections.singletonList(one.name())))
                    .value();
        }
        return difference(apart, from, from + apart.value(), here.stops(), there.stops());
    }

    /**
     * One side against one of another field, each by its own data.model.
     *
     * @param elsewhere the same indicator, depth and key there
     * @return other less one, or {@code null} where one of them was not read
     */
    public @Nullable PatchDifference difference(Side one, IndicatorSeries elsewhere, Side other) {
        SideFigure here = figure(one);
        SideFigure there = elsewhere.figure(other);
        if (here == null || there == null) {
            return null;
        }
        Estimate a = fitted.estimate(here.asked());
        Estimate b = elsewhere.fitted.estimate(there.asked());
        double sd = Math.hypot(a.sd(), b.sd());
        double half = sd
                * Sample.studentTQuantile(Sample.TWO_SIDED_95, Math.min(fitted.degrees(), elsewhere.fitted.degrees()));
        double mean = b.value() - a.value();
        return difference(
                new Estimate(mean, mean - half, mean + half, sd), a.value(), b.value(), here.stops(), there.stops());
    }

    /** What is asked for of a side, on which visit, and at how many stops it was read. */
    private record SideFigure(FieldModel.Asked asked, ModelReadings.Visit visit, int stops) {}

    private @Nullable SideFigure figure(Side side) {
        List<JudgedField.Reading> there = data.readings.stream()
                .filter(each -> side.visit() == null || each.visit().equals(side.visit()))
                .filter(each -> switch (side.kind()) {
                    case PATCH -> Objects.equals(data.stops.get(each.stop()).inPatch(), side.name());
                    case STOP -> each.stop().equals(side.name());
                    case FIELD -> leads(each.stop());
                })
                .toList();
        if (there.isEmpty()) {
            return null;
        }
        ModelReadings.Visit visit = newest(there);
        FieldModel.Asked asked = switch (side.kind()) {
            case STOP -> fitted.askStop(modelStop(side.name()), visit, true);
            case PATCH -> fitted.askField(visit, Collections.singletonList(side.name()));
            case FIELD -> fitted.askField(visit, speakingPatches(there));
        };
        return new SideFigure(asked, visit, stopsOf(there));
    }

    private ModelReadings.Stop modelStop(@Nullable String stop) {
        return fitted.stops().stream()
                .filter(each -> each.id().equals(stop))
                .findFirst()
                .orElseThrow();
    }

    private PatchDifference difference(Estimate apart, double one, double other, int here, int there) {
        ToldFigures.Moved moved = figures.moved(apart, one, other);
        boolean tells = apart.low() > 0 || apart.high() < 0;
        return new PatchDifference(
                figures.shown(one),
                figures.shown(other),
                moved.mean(),
                moved.low(),
                moved.high(),
                tells,
                Math.abs(apart.value()) / Math.max(LEAST_HALF, (apart.high() - apart.low()) / 2),
                figures.better(one, other),
                figures.score(one),
                figures.score(other),
                here,
                there);
    }

    private static final double LEAST_HALF = 1e-12;

    /**
     * How two patches differ.
     *
     * @param one and {@code other}: their figures
     * @param told whether the interval excludes none
     * @param times how many times its half-width it is
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

    private ModelReadings.Visit last() {
        List<ModelReadings.Visit> read = fitted.visits();
        return read.get(read.size() - 1);
    }

    private static int stopsOf(List<JudgedField.Reading> readings) {
        return (int) readings.stream().map(JudgedField.Reading::stop).distinct().count();
    }

    /** The half-width of the change's interval as it is told: from it on a change would show. */
    public double smallest(Told told) {
        return data.model.scale().ratio() ? told.high() / told.mean() : (told.high() - told.low()) / 2;
    }

    /**
     * Mean change a year over the last years.
     *
     * @param dates visits that read it within them
     */
    public record Slope(LocalDate from, LocalDate to, int dates, double aYear, double low, double high) {}

    /** Three dates are the fewest that a course is told from. */
    private static final int COURSE_DATES = 3;

    private static final int COURSE_YEARS = 6;

    /** The mean slope of the course over the last {@value #COURSE_YEARS} years; {@code null} under three dates. */
    public @Nullable Slope slope() {
        List<Visit> all = visits();
        LocalDate last = all.get(all.size() - 1).on();
        List<Visit> within = all.stream()
                .filter(each -> !each.on().isBefore(last.minusYears(COURSE_YEARS)))
                .toList();
        Told told = within.size() < COURSE_DATES ? null : change(within.get(0).on(), last);
        if (told == null) {
            return null;
        }
        double span = Math.max(
                1.0 / SeriesData.DAYS_A_YEAR,
                data.years(last) - data.years(told.from().on()));
        return data.model.scale().ratio()
                ? new Slope(
                        told.from().on(),
                        last,
                        within.size(),
                        Math.pow(told.mean(), 1 / span),
                        Math.pow(told.low(), 1 / span),
                        Math.pow(told.high(), 1 / span))
                : new Slope(
                        told.from().on(),
                        last,
                        within.size(),
                        told.mean() / span,
                        told.low() / span,
                        told.high() / span);
    }

    /** Designs from the one that is walked now, with more stops, more left alone, more visits. */
    public List<Design> designs() {
        return new PlannedVisits(data, figures, fitted).designs();
    }

    /**
     * What one or two more visits would tell.
     *
     * @param stops treated ones read on each
     * @param leftAlone stops that are left alone and read
     * @param visits more visits, a year apart
     * @param change from which change of the field on it would show: in the indicator's unit, or as a ratio
     * @param effect from which effect of what is done now on it would show
     */
    public record Design(int stops, int leftAlone, int visits, double change, double effect) {}
}
