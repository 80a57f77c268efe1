package org.morphotera.core.calibration;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.Sample;

/**
 * How far people agree who scored the same items on one ordered scale: weighted kappa pair by pair (Cohen, 1968) and its
 * mean over the pairs (Light, 1971); and how far each lies from the middle of the others.
 */
public final class Agreement implements Calculator<Agreement.Inputs> {

    /** One person's score of one item. */
    record Score(String person, String item, Double score) {}

    /** @param scale the scores that can be given, rising */
    record Inputs(List<Double> scale, List<Score> scores) {}

    private static final Range ANY = Range.between(-1000, 1000);
    private static final int ID_LENGTH = 100;
    private static final int MOST_SCORES = 4000;
    private static final int MOST_STEPS = 101;

    /** Two scores that differ by less are the same: they were typed, or halved. */
    private static final double SAME = 1e-9;

    /** Fewer common items than these say little of agreement. */
    private static final int FEW_ITEMS = 8;

    @Override
    public String id() {
        return "agreement";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.numbers("scale", Unit.NONE, ANY, Range.between(2, MOST_STEPS), Need.REQUIRED),
                fields.list(
                        "scores",
                        Range.between(1, MOST_SCORES),
                        Need.REQUIRED,
                        score -> new Score(
                                score.text("person", ID_LENGTH, Need.REQUIRED),
                                score.text("item", ID_LENGTH, Need.REQUIRED),
                                score.number("score", Unit.NONE, ANY, Need.REQUIRED))));
    }

    @Override
    public void check(Inputs in, Faults faults) {
        for (int i = 1; i < in.scale().size(); i++) {
            if (in.scale().get(i) - in.scale().get(i - 1) <= SAME) {
                faults.add("scale[" + i + "]", "SCALE_NOT_RISING");
            }
        }
        Set<List<String>> given = new HashSet<>();
        Set<String> people = new HashSet<>();
        for (int i = 0; i < in.scores().size(); i++) {
            Score each = in.scores().get(i);
            people.add(each.person());
            if (step(in.scale(), each.score()) < 0) {
                faults.add("scores[" + i + "].score", "OFF_THE_SCALE", Map.of("given", each.score()));
            }
            if (!given.add(List.of(each.person(), each.item()))) {
                faults.add("scores[" + i + "]", "SCORED_TWICE", Map.of("item", each.item()));
            }
        }
        if (people.size() < 2) {
            faults.add("scores", "TWO_PEOPLE");
        }
    }

    /** Where a score stands on the scale, from 0; −1 where it does not. */
    private static int step(List<Double> scale, double score) {
        for (int i = 0; i < scale.size(); i++) {
            if (Math.abs(scale.get(i) - score) <= SAME) {
                return i;
            }
        }
        return -1;
    }

    @Override
    @SuppressWarnings("unchecked")
    public void makeSound(Map<String, Object> tree, Random random) {
        List<Object> scale = new ArrayList<>();
        int steps = ((List<Object>) tree.get("scale")).size();
        for (int i = 0; i < steps; i++) {
            scale.add((double) i / 2);
        }
        tree.put("scale", scale);
        List<Map<String, Object>> scores = (List<Map<String, Object>>) tree.get("scores");
        if (scores.size() == 1) {
            scores.add(new LinkedHashMap<>(scores.get(0)));
        }
        for (int i = 0; i < scores.size(); i++) {
            scores.get(i).put("person", "p" + i % 3);
            scores.get(i).put("item", "i" + i / 3);
            scores.get(i).put("score", scale.get(random.nextInt(steps)));
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Map<String, Map<String, Double>> byPerson = new TreeMap<>();
        for (Score each : in.scores()) {
            byPerson.computeIfAbsent(each.person(), key -> new TreeMap<>()).put(each.item(), each.score());
        }
        List<String> people = List.copyOf(byPerson.keySet());
        List<Map<String, Object>> pairs = new ArrayList<>();
        List<Double> kappas = new ArrayList<>();
        List<Double> linear = new ArrayList<>();
        int common = 0;
        for (int a = 0; a < people.size(); a++) {
            for (int b = a + 1; b < people.size(); b++) {
                Map<String, Object> pair = pair(people.get(a), people.get(b), byPerson, in.scale(), kappas, linear);
                if (pair != null) {
                    pairs.add(pair);
                    common = Math.max(common, ((Double) pair.get("n")).intValue());
                }
            }
        }
        Evaluation.Builder out = Evaluation.of(id());
        if (!kappas.isEmpty()) {
            out.value("kappa", Sample.of(kappas).mean(), Unit.NONE)
                    .value("kappaLinear", Sample.of(linear).mean(), Unit.NONE)
                    .working(
                            "kappa",
                            Map.of("pairs", kappas.size()),
                            Sample.of(kappas).mean(),
                            Unit.NONE,
                            "Cohen, 1968; Light, 1971");
        } else {
            out.note("NO_KAPPA", Severity.INFO);
        }
        if (!pairs.isEmpty() && common < FEW_ITEMS) {
            out.note("FEW_ITEMS", Severity.INFO, Map.of("n", common));
        }
        return out.series("pairs", pairs)
                .series(
                        "people",
                        people.stream().map(each -> person(each, byPerson)).toList())
                .series("items", items(byPerson, in.scale()))
                .build();
    }

    /** {@code null} of two people with fewer than two common items. */
    private static Map<String, Object> pair(
            String a,
            String b,
            Map<String, Map<String, Double>> byPerson,
            List<Double> scale,
            List<Double> kappas,
            List<Double> linear) {
        List<int[]> both = new ArrayList<>();
        byPerson.get(a).forEach((item, score) -> {
            Double other = byPerson.get(b).get(item);
            if (other != null) {
                both.add(new int[] {step(scale, score), step(scale, other)});
            }
        });
        if (both.size() < 2) {
            return null;
        }
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("a", a);
        row.put("b", b);
        row.put("n", (double) both.size());
        put(row, "kappa", kappa(both, scale.size(), apart -> apart * apart), kappas);
        put(row, "kappaLinear", kappa(both, scale.size(), apart -> apart), linear);
        return row;
    }

    private static void put(Map<String, Object> row, String name, Double figure, Collection<Double> all) {
        if (figure != null) {
            row.put(name, figure);
            all.add(figure);
        }
    }

    /**
     * 1 − Σw·o ÷ Σw·e over all cells of the two people's table.
     *
     * @param weight of two scores that lie a share of the scale apart
     * @return {@code null} where nothing could be expected to differ: both gave one and the same score throughout
     */
    private static Double kappa(List<int[]> both, int steps, DoubleUnaryOperator weight) {
        double seen = 0;
        double expected = 0;
        for (int[] one : both) {
            seen += weight.applyAsDouble(apart(one[0], one[1], steps));
            for (int[] other : both) {
                expected += weight.applyAsDouble(apart(one[0], other[1], steps));
            }
        }
        double byChance = expected / both.size();
        return byChance == 0 ? null : Double.valueOf(1 - seen / byChance);
    }

    private static double apart(int i, int j, int steps) {
        return Math.abs((double) (i - j) / (steps - 1));
    }

    /** How far a person lies from the middle of the others, over the items that others scored too. */
    private static Map<String, Object> person(String person, Map<String, Map<String, Double>> byPerson) {
        List<Double> differences = new ArrayList<>();
        byPerson.get(person).forEach((item, score) -> {
            List<Double> others = byPerson.entrySet().stream()
                    .filter(each ->
                            !each.getKey().equals(person) && each.getValue().containsKey(item))
                    .map(each -> each.getValue().get(item))
                    .toList();
            if (!others.isEmpty()) {
                differences.add(score - Sample.of(others).median());
            }
        });
        Sample sample = Sample.of(differences);
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("person", person);
        row.put("n", (double) sample.size());
        if (sample.size() > 0) {
            row.put("bias", sample.mean());
        }
        if (sample.size() > 1) {
            row.put("low", sample.mean() - sample.halfWidth());
            row.put("high", sample.mean() + sample.halfWidth());
        }
        return row;
    }

    /** What was scored by two or more, those that lie furthest apart first: the places worth a talk. */
    private static List<Map<String, Object>> items(Map<String, Map<String, Double>> byPerson, List<Double> scale) {
        Map<String, List<Double>> byItem = new TreeMap<>();
        byPerson.values()
                .forEach(scores -> scores.forEach((item, score) ->
                        byItem.computeIfAbsent(item, key -> new ArrayList<>()).add(score)));
        List<Map<String, Object>> rows = new ArrayList<>();
        byItem.forEach((item, scores) -> {
            if (scores.size() > 1) {
                double low = scores.stream().min(Double::compare).orElseThrow();
                double high = scores.stream().max(Double::compare).orElseThrow();
                Map<String, Object> row = new LinkedHashMap<>();
                row.put("item", item);
                row.put("n", (double) scores.size());
                row.put("low", low);
                row.put("high", high);
                row.put("median", Sample.of(scores).median());
                row.put("steps", (double) (step(scale, high) - step(scale, low)));
                rows.add(row);
            }
        });
        rows.sort((one, other) -> Double.compare((Double) other.get("steps"), (Double) one.get("steps")));
        return rows;
    }
}
