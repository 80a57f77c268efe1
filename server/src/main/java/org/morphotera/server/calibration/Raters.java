package org.morphotera.server.calibration;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.IndicatorModel;
import org.morphotera.core.judgement.ModelScale;
import org.springframework.stereotype.Component;

/** How far people of a practice lie apart who scored the same places in sessions. */
@Component
public class Raters {

    private static final int SESSIONS = 12;

    private final CalibrationMapper rows;
    private final Scales scales;
    private final Benchmarks benchmarks;

    Raters(CalibrationMapper rows, Scales scales, Benchmarks benchmarks) {
        this.rows = rows;
        this.scales = scales;
        this.benchmarks = benchmarks;
    }

    /**
     * Of the newest sessions that were shown: by indicator, how far each person was off the mean of all at the places that
     * all scored, on the model scale of the indicator.
     */
    public Map<String, List<Double>> of(UUID practice) {
        Map<String, List<Double>> off = new TreeMap<>();
        rows.newest(practice).stream()
                .filter(session -> session.closedAt() != null)
                .limit(SESSIONS)
                .forEach(session -> rows.scores(practice, session.id()).stream()
                        .collect(Collectors.groupingBy(CalibrationMapper.ScoreRow::test))
                        .forEach((test, scores) -> {
                            String indicator = scales.indicator(test);
                            if (indicator != null) {
                                off.computeIfAbsent(indicator, key -> new ArrayList<>())
                                        .addAll(off(test, indicator, scores));
                            }
                        }));
        return off;
    }

    private List<Double> off(String test, String indicator, List<CalibrationMapper.ScoreRow> scores) {
        ModelScale scale = IndicatorModel.of(indicator, benchmarks).scale();
        Map<UUID, Map<Integer, Double>> byPerson = new LinkedHashMap<>();
        scores.forEach(each -> byPerson.computeIfAbsent(each.memberId(), key -> new TreeMap<>())
                .put(each.place(), scale.of(scales.standing(test, each.score()))));
        if (byPerson.size() < 2) {
            return List.of();
        }
        List<Integer> common = byPerson.values().iterator().next().keySet().stream()
                .filter(place -> byPerson.values().stream().allMatch(own -> own.containsKey(place)))
                .toList();
        if (common.isEmpty()) {
            return List.of();
        }
        List<Double> means = byPerson.values().stream()
                .map(own -> common.stream().mapToDouble(own::get).average().orElseThrow())
                .toList();
        double all = means.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        // the mean of few lies nearer to each of them than that of all people would
        double widened = Math.sqrt(means.size() / (means.size() - 1.0));
        return means.stream().map(mean -> (mean - all) * widened).toList();
    }
}
