package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.score.StopRole;

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
     * What is told of change of some changes: each sure enough, the surest first, as long as few of them should be wrong.
     *
     * @return their mean chance of being wrong, and which they are
     */
    public static <T> List<T> told(List<T> all, ToDoubleFunction<T> probability) {
        List<T> sure = all.stream()
                .filter(each -> probability.applyAsDouble(each) >= TOLD_FROM)
                .sorted(Comparator.comparingDouble(probability).reversed())
                .toList();
        List<T> told = new ArrayList<>();
        double wrong = 0;
        for (T each : sure) {
            wrong += 1 - probability.applyAsDouble(each);
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
