package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.SimpleBounds;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.BOBYQAOptimizer;
import org.morphotera.core.benchmark.Table;

/**
 * How stops, spots, visits and people of one practice scatter, by its own readings: the scatters under which all that was
 * read is likeliest once the levels of the fields are summed out (restricted likelihood, Patterson and Thompson, 1971). The
 * table stands behind each of them like as many fields as its {@code freedom} says.
 */
public final class ScatterLearning {

    /** Fewer readings than these sharpen nothing. */
    public static final int READINGS_NEEDED = 60;

    /** The fields read most are enough; each more costs time and changes little. */
    private static final int MOST_SERIES = 300;

    /** No scatter leaves this range of the table's, as a factor. */
    private static final double MOST_FACTOR = 4;

    private static final int MOST_TRIES = 400;
    private static final double FIRST_STEP = 0.35;
    private static final double LAST_STEP = 0.005;

    /**
     * Scatters of one indicator, on its model scale.
     *
     * @param readings that stand behind them
     * @param fields that those are of
     */
    public record Learned(
            String indicator, int readings, int fields, double stop, double spot, double visit, double person) {}

    /** All readings of one indicator of a practice. */
    private record Own(IndicatorModel model, List<SeriesData> series) {}

    private ScatterLearning() {}

    /**
     * @param fields of one practice, judged by the tables as they ship
     * @param raters by indicator: how far each scorer of sessions was off the mean of all, on the model scale
     * @return those with enough readings, by indicator
     */
    public static List<Learned> of(List<FieldJudgement> fields, Map<String, List<Double>> raters) {
        Map<String, Own> byIndicator = new TreeMap<>();
        for (FieldJudgement field : fields) {
            for (IndicatorSeries series : field.series()) {
                SeriesData data = series.data();
                // where some reading has only a score, the scale is that of scores and not the indicator's own
                if (data.model.figures().id().equals("model." + series.id().indicator())) {
                    byIndicator
                            .computeIfAbsent(series.id().indicator(), key -> new Own(data.model, new ArrayList<>()))
                            .series()
                            .add(data);
                }
            }
        }
        List<Learned> learned = new ArrayList<>();
        byIndicator.forEach((indicator, own) -> {
            int readings =
                    own.series().stream().mapToInt(each -> each.readings.size()).sum();
            if (readings >= READINGS_NEEDED) {
                learned.add(learned(indicator, own, readings, raters.getOrDefault(indicator, List.of())));
            }
        });
        return learned;
    }

    private static Learned learned(String indicator, Own own, int readings, List<Double> raters) {
        List<SeriesData> most = own.series().stream()
                .sorted(Comparator.comparingInt((SeriesData each) -> -each.readings.size()))
                .limit(MOST_SERIES)
                .toList();
        List<ModelReadings> all = most.stream().map(SeriesData::modelReadings).toList();
        List<Scatter> tables = most.stream()
                .map(each -> each.model.scatter(!each.within.isEmpty()))
                .toList();
        Scatter table = tables.get(0);
        double[] of = {table.stop(), table.spot(), table.visit(), table.person()};
        double[] factors = likeliest(of, trial -> {
            double sum = 0;
            for (int k = 0; k < of.length; k++) {
                sum -= of[k] == 0 ? 0 : table.freedom() / 2 * (2 * trial[k] + Math.exp(-2 * trial[k]));
            }
            double person = of[3] * Math.exp(trial[3]);
            for (double off : raters) {
                sum -= person == 0 ? 0 : Math.log(person) + off * off / (2 * person * person);
            }
            return sum + likelihood(all, tables, of, trial);
        });
        Set<JudgedField> fields = Collections.newSetFromMap(new IdentityHashMap<>());
        own.series().forEach(each -> fields.add(each.field));
        return new Learned(
                indicator,
                readings,
                fields.size(),
                factors[0] * of[0],
                factors[1] * of[1],
                factors[2] * of[2],
                factors[3] * of[3]);
    }

    private static double likelihood(List<ModelReadings> all, List<Scatter> tables, double[] of, double[] trial) {
        double[] sd = new double[of.length];
        for (int k = 0; k < of.length; k++) {
            sd[k] = of[k] * Math.exp(trial[k]);
        }
        double[] each = new double[all.size()];
        IntStream.range(0, each.length)
                .parallel()
                .forEach(i -> each[i] = FieldModel.of(tables.get(i).with(sd[0], sd[1], sd[2], sd[3]), all.get(i))
                        .logLikelihood());
        // added in order, so that the same readings always give the same figures
        double sum = 0;
        for (double one : each) {
            sum += one;
        }
        return sum;
    }

    /** @return factors of the table's figures; 1 for those that are 0 */
    private static double[] likeliest(double[] of, MultivariateFunction likelihood) {
        List<Integer> free = new ArrayList<>();
        for (int k = 0; k < of.length; k++) {
            if (of[k] > 0) {
                free.add(k);
            }
        }
        double[] factors = {1, 1, 1, 1};
        if (free.size() < 2) {
            return factors;
        }
        double bound = Math.log(MOST_FACTOR);
        double[] lower = new double[free.size()];
        double[] upper = new double[free.size()];
        Arrays.fill(lower, -bound);
        Arrays.fill(upper, bound);
        double[] found = new BOBYQAOptimizer(2 * free.size() + 1, FIRST_STEP, LAST_STEP)
                .optimize(
                        new MaxEval(MOST_TRIES),
                        GoalType.MAXIMIZE,
                        new ObjectiveFunction(trial -> likelihood.value(spread(free, trial, of.length))),
                        new InitialGuess(new double[free.size()]),
                        new SimpleBounds(lower, upper))
                .getPoint();
        for (int i = 0; i < free.size(); i++) {
            factors[free.get(i)] = Math.exp(found[i]);
        }
        return factors;
    }

    private static double[] spread(List<Integer> free, double[] trial, int length) {
        double[] all = new double[length];
        for (int i = 0; i < trial.length; i++) {
            all[free.get(i)] = trial[i];
        }
        return all;
    }

    /** Tables in the form of a data file: those of the benchmarks, with what was learned in the place of theirs. */
    public static String text(List<Learned> learned, Map<String, Table> tables) {
        StringBuilder text = new StringBuilder();
        for (Learned each : learned) {
            Table table = tables.get(each.indicator());
            Map<String, Double> own = new LinkedHashMap<>();
            own.put("stop", each.stop());
            own.put("spot", each.spot());
            own.put("visit", each.visit());
            own.put("person", each.person());
            text.append("[table ").append(table.id()).append("]\n");
            text.append("source = ").append(table.source()).append("; sharpened by ");
            text.append(each.readings()).append(" readings of the practice\n");
            text.append("columns = ").append(String.join(" ", table.columns())).append('\n');
            table.rows().forEach((row, figures) -> {
                double figure = own.getOrDefault(row, figures.get(0));
                text.append(row).append(" = ").append(figure).append('\n');
            });
            text.append('\n');
        }
        return text.toString();
    }
}
