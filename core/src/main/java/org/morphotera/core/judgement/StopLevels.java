package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.distribution.TDistribution;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;

/**
 * Where each stop of a field stands by itself on the day that the field is judged for: what lasts there, without the hole
 * of a day. A stop that was not read is one of its patch, with the width that such stops have.
 */
public final class StopLevels {

    private final SeriesData data;
    private final FieldModel fitted;
    private final ModelReadings.Visit last;
    private final Map<String, ModelReadings.Stop> read = new LinkedHashMap<>();

    /** A level on the model's scale, as a Student-t distribution. */
    public static final class Level {

        private final FieldModel.Estimate estimate;
        private final double degrees;
        private final ModelScale scale;
        private final Scatter scatter;

        private Level(FieldModel.Estimate estimate, double degrees, ModelScale scale, Scatter scatter) {
            this.estimate = estimate;
            this.degrees = degrees;
            this.scale = scale;
            this.scatter = scatter;
        }

        /** The middle, as a figure. */
        public double figure() {
            return scale.figure(estimate.value());
        }

        /** The chance that the figure lies under another one. */
        public double under(double figure) {
            double off = scale.of(figure) - estimate.value();
            return TDistribution.of(degrees).cumulativeProbability(off / Math.max(LEAST_SD, estimate.sd()));
        }

        /** The same before anything was read. */
        public double underBefore(double figure) {
            double sd = Math.hypot(scatter.startSd(), scatter.stop());
            return TDistribution.of(scatter.freedom()).cumulativeProbability((scale.of(figure) - scatter.start()) / sd);
        }

        /** The chance that the figure lies under a share of another, independent one of the same scale with logarithms. */
        public double underShareOf(Level other, double share) {
            double off = Math.log(share) - estimate.value() + other.estimate.value();
            double sd = Math.hypot(estimate.sd(), other.estimate.sd());
            return TDistribution.of(Math.min(degrees, other.degrees))
                    .cumulativeProbability(off / Math.max(LEAST_SD, sd));
        }
    }

    private static final double LEAST_SD = 1e-6;

    private StopLevels(SeriesData data) {
        this.data = data;
        this.fitted = FieldModel.of(data.model.scatter(!data.within.isEmpty()), data.modelReadings());
        this.last = fitted.visits().get(fitted.visits().size() - 1);
        fitted.stops().forEach(each -> read.put(each.id(), each));
    }

    /**
     * @param indicator by whose tables the readings scatter
     * @param readings of it, at least one, none after the day that the field is judged for
     * @throws IllegalArgumentException when the benchmarks have no model of the indicator
     */
    public static StopLevels of(
            String indicator, JudgedField field, List<JudgedField.Reading> readings, Benchmarks benchmarks) {
        List<JudgedField.Reading> byDate = new ArrayList<>(readings);
        byDate.sort(Comparator.comparing(JudgedField.Reading::visit)
                .thenComparing(JudgedField.Reading::stop)
                .thenComparing(JudgedField.Reading::id));
        return new StopLevels(new SeriesData(
                new IndicatorSeries.Id(indicator, byDate.get(0).band(), null), field, byDate, benchmarks));
    }

    /** A stop of the field, read or not. */
    public Level at(String stop) {
        ModelReadings.Stop known = read.get(stop);
        FieldModel.Estimate estimate = known != null
                ? fitted.stop(known, last, ahead(stop))
                : unread(data.stops.get(stop).inPatch(), stop);
        return new Level(estimate, fitted.degrees(), data.model.scale(), data.model.scatter(false));
    }

    private FieldModel.Estimate unread(@Nullable String patch, String stop) {
        Scatter scatter = data.model.scatter(false);
        boolean patchRead = fitted.patches().containsKey(patch);
        double apart =
                scatter.stop() * scatter.stop() + (patch != null && !patchRead ? scatter.patch() * scatter.patch() : 0);
        FieldModel.Ahead since = ahead(stop);
        List<@Nullable String> patches = new ArrayList<>();
        patches.add(patch);
        return fitted.field(last, patches, new FieldModel.Ahead(since.mean(), since.variance() + apart));
    }

    /** What goes on by itself since the last reading, and what was done since at the stop. */
    private FieldModel.Ahead ahead(String stop) {
        LocalDate from = data.visits.get(last.id()).on();
        double drift = data.model.scatter(false).drift();
        double mean = 0;
        double variance = drift * drift * Math.max(0, data.years(data.field.on()) - data.years(from));
        for (JudgedField.Event each : data.fitting) {
            if (!each.on().isBefore(from) && data.treats(each, stop)) {
                SeriesData.Expected does = data.expected.get(each);
                mean += does.mean();
                variance += does.sd() * does.sd();
            }
        }
        return new FieldModel.Ahead(mean, variance);
    }
}
