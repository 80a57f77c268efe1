package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.soil.Coded;

/** Everything that the readings of a field say, by one model for each indicator at each depth. */
public final class FieldJudgement {

    /** A chance from which a change is told. */
    public static final double TOLD_FROM = 0.95;

    /** A chance from which a change is told as probable. */
    public static final double PROBABLE_FROM = 0.8;

    /** Of what is told, this share may be wrong on average. */
    private static final double MOST_MEAN_ERROR = 0.05;

    private final JudgedField field;
    private final List<IndicatorSeries> series;

    /** A series with its change. */
    public record Changed(IndicatorSeries series, IndicatorSeries.Told change) {}

    /** What changed between the first and the last reading, once it was asked for. */
    private @Nullable List<Changed> overall;

    private FieldJudgement(JudgedField field, List<IndicatorSeries> series) {
        this.field = field;
        this.series = series;
    }

    /** @throws IllegalArgumentException when the benchmarks have no model of an indicator that was read */
    public static FieldJudgement of(JudgedField field, Benchmarks benchmarks) {
        Map<String, JudgedField.Visit> visits =
                field.visits().stream().collect(Collectors.toMap(JudgedField.Visit::id, each -> each));
        Map<IndicatorSeries.Id, List<JudgedField.Reading>> groups = new LinkedHashMap<>();
        field.readings().stream()
                .filter(each -> !visits.get(each.visit()).on().isAfter(field.on()))
                .sorted(Comparator.comparing((JudgedField.Reading each) ->
                                visits.get(each.visit()).on())
                        .thenComparing(JudgedField.Reading::visit)
                        .thenComparing(JudgedField.Reading::stop)
                        .thenComparing(JudgedField.Reading::id))
                .forEach(each -> groups.computeIfAbsent(
                                new IndicatorSeries.Id(
                                        each.indicator(), each.band(), each.apart() ? each.kind() : null),
                                key -> new ArrayList<>())
                        .add(each));
        Set<StopRole> roles = field.stops().stream().map(JudgedField.Stop::role).collect(Collectors.toSet());
        StopRole leading = StopRole.leading(roles);
        List<IndicatorSeries> series = new ArrayList<>();
        groups.forEach((id, readings) -> series.add(new IndicatorSeries(id, field, readings, leading, benchmarks)));
        return new FieldJudgement(field, series);
    }

    public JudgedField field() {
        return field;
    }

    /** All that was read, each indicator at each depth. */
    public List<IndicatorSeries> series() {
        return series;
    }

    /**
     * Changes of all series in a window, of those that two visits read in it.
     *
     * @param from and {@code to}: {@code null} for the first and the last
     */
    public List<Changed> changes(@Nullable LocalDate from, @Nullable LocalDate to) {
        if (from != null || to != null) {
            return worked(from, to);
        }
        List<Changed> known = overall;
        if (known == null) {
            known = worked(null, null);
            overall = known;
        }
        return known;
    }

    private List<Changed> worked(@Nullable LocalDate from, @Nullable LocalDate to) {
        List<Changed> found = new ArrayList<>();
        for (IndicatorSeries each : series) {
            IndicatorSeries.Told change = each.change(from, to);
            if (change != null) {
                found.add(new Changed(each, change));
            }
        }
        return List.copyOf(found);
    }

    /** One series; {@code null} where it was not read. */
    public @Nullable IndicatorSeries of(IndicatorSeries.Id id) {
        return series.stream().filter(each -> each.id().equals(id)).findFirst().orElse(null);
    }

    /** A series of an indicator at a depth; the one read last where several keys have one. */
    public @Nullable IndicatorSeries of(String indicator, String band) {
        return series.stream()
                .filter(each -> each.id().indicator().equals(indicator)
                        && each.id().band().equals(band))
                .max(Comparator.comparing(
                        each -> each.visits().get(each.visits().size() - 1).on()))
                .orElse(null);
    }

    /**
     * The field by depth: each stop and the field itself as the model has them.
     *
     * @param visit as it was then; {@code null} for the day that it is judged for
     */
    public FieldFace face(@Nullable String visit) {
        List<StopScore> stops = new ArrayList<>();
        newestOfKeys(visit).forEach(each -> stops.addAll(each.stopScores(visit)));
        return FieldFace.of(stops, standings(visit));
    }

    /** Where the field itself stands, by finding; see {@link #face}. */
    public Map<FieldFace.Group, Double> standings(@Nullable String visit) {
        Map<FieldFace.Group, Double> standing = new LinkedHashMap<>();
        for (IndicatorSeries each : newestOfKeys(visit)) {
            IndicatorSeries.LevelFigure level = visit == null ? each.field() : each.field(visit);
            if (level != null) {
                standing.put(
                        new FieldFace.Group(
                                each.id().indicator(),
                                Coded.find(DepthBand.values(), each.id().band())),
                        level.score());
            }
        }
        return standing;
    }

    /** Of an indicator that was read by keys that never compare, the one that was read last. */
    private List<IndicatorSeries> newestOfKeys(@Nullable String visit) {
        Map<List<String>, IndicatorSeries> newest = new LinkedHashMap<>();
        series.stream()
                .filter(each -> visit == null
                        || each.visits().stream().anyMatch(one -> one.id().equals(visit)))
                .filter(IndicatorSeries::speaks)
                .forEach(each -> newest.merge(
                        List.of(each.id().indicator(), each.id().band()),
                        each,
                        (one, other) -> other.lastSpoke().isBefore(one.lastSpoke()) ? one : other));
        return List.copyOf(newest.values());
    }

    /** What is told of some changes: each sure enough, the surest first, as long as few of them should be wrong. */
    public static List<Changed> told(List<Changed> all) {
        List<Changed> sure = all.stream()
                .filter(each -> each.change().probability() >= TOLD_FROM)
                .sorted(Comparator.comparingDouble(
                                (Changed each) -> each.change().probability())
                        .reversed())
                .toList();
        List<Changed> told = new ArrayList<>();
        double wrong = 0;
        for (Changed each : sure) {
            wrong += 1 - each.change().probability();
            if (wrong / (told.size() + 1) > MOST_MEAN_ERROR) {
                break;
            }
            told.add(each);
        }
        return told;
    }

    /** A verdict in the words of the answer. */
    public static String verdict(double risen, double fallen) {
        double most = Math.max(risen, fallen);
        String way = risen >= fallen ? "risen" : "fallen";
        return most >= TOLD_FROM ? way : most >= PROBABLE_FROM ? "probably-" + way : "cannot-tell";
    }
}
