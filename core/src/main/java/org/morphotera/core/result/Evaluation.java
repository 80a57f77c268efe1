package org.morphotera.core.result;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;

/**
 * What a method makes of its readings: codes and figures only; {@link Envelope} puts the texts to it.
 *
 * @param values figures by name
 * @param classes codes by name: a text, or a list of texts
 * @param series rows by name; a cell is a number, a text or a {@link Value}
 * @param working ordered lines of how the figures came about
 */
public record Evaluation(
        String method,
        Map<String, Value> values,
        Map<String, Object> classes,
        List<Rating> ratings,
        List<Note> notes,
        Map<String, List<Map<String, Object>>> series,
        List<WorkingLine> working) {

    /** Figures are rounded to this many significant digits, so that server and page agree to the last. */
    public static final int DIGITS = 10;

    /** A figure with its unit and, where known, the interval it lies in: low <= value <= high. */
    public record Value(double value, Unit unit, Double low, Double high) {

        public Value {
            value = Numbers.significant(value, DIGITS);
            low = low == null ? null : Double.valueOf(Numbers.significant(low, DIGITS));
            high = high == null ? null : Double.valueOf(Numbers.significant(high, DIGITS));
        }

        /** Whether it lies within its own interval, as it must. */
        public boolean within() {
            return (low == null || low <= value) && (high == null || value <= high);
        }
    }

    /**
     * A judgement of one indicator by one school.
     *
     * @param score the school's own score, or {@code null}
     * @param standing 0..1, or {@code null} where the school gives none
     * @param low lowest standing within the figure's uncertainty, or {@code null}
     * @param why message code under {@code method.why}
     */
    public record Rating(
            String indicator,
            String school,
            Double score,
            Double scoreMax,
            Double standing,
            Double low,
            Double high,
            String why,
            Map<String, Object> args) {}

    /** Something to know, to mind or to fear; the text is {@code method.note.CODE}, else {@code common.note.CODE}. */
    public record Note(String code, Severity severity, Map<String, Object> args) {}

    /**
     * One step of the working. Texts: {@code method.working.key} for the formula, {@code method.numbers.key} for the
     * formula with this reading's numbers.
     *
     * @param result the step's figure
     * @param source author and year, or the benchmark used
     */
    public record WorkingLine(String key, Map<String, Object> args, Value result, String source) {}

    /**
     * Figures and scores that lie outside of their own intervals: there should be none, and they are never moved to hide
     * that there are.
     *
     * @return their names; empty where all is well
     */
    public List<String> outsideIntervals() {
        List<String> outside = new ArrayList<>();
        values.forEach((name, value) -> {
            if (!value.within()) {
                outside.add(name);
            }
        });
        for (Rating rating : ratings) {
            if (rating.standing() != null
                    && !new Value(rating.standing(), Unit.NONE, rating.low(), rating.high()).within()) {
                outside.add(rating.indicator() + " (" + rating.school() + ")");
            }
        }
        return outside;
    }

    /** @param method id of the method or calculator */
    public static Builder of(String method) {
        return new Builder(method);
    }

    /** Gathers an evaluation in the order in which it is worked out. */
    public static final class Builder {

        private final String method;
        private final Map<String, Value> values = new LinkedHashMap<>();
        private final Map<String, Object> classes = new LinkedHashMap<>();
        private final List<Rating> ratings = new ArrayList<>();
        private final List<Note> notes = new ArrayList<>();
        private final Map<String, List<Map<String, Object>>> series = new LinkedHashMap<>();
        private final List<WorkingLine> working = new ArrayList<>();

        private Builder(String method) {
            this.method = method;
        }

        public Builder value(String name, double value, Unit unit) {
            return value(name, value, unit, null, null);
        }

        public Builder value(String name, double value, Unit unit, Double low, Double high) {
            values.put(name, new Value(value, unit, low, high));
            return this;
        }

        public Builder code(String name, Coded code) {
            return code(name, code.code());
        }

        public Builder code(String name, String code) {
            classes.put(name, code);
            return this;
        }

        public Builder codes(String name, List<String> codes) {
            classes.put(name, List.copyOf(codes));
            return this;
        }

        /** A rating of the school {@code standing}. */
        public Builder standing(
                String indicator, double standing, Double low, Double high, String why, Map<String, Object> args) {
            return rating(indicator, "standing", null, null, standing, low, high, why, args);
        }

        /** A rating of the school {@code standing} whose reason is its level. */
        public Builder level(String indicator, double standing, Double low, Double high, Map<String, Object> args) {
            Map<String, Object> all = new LinkedHashMap<>(args);
            all.put("indicator", indicator);
            return standing(indicator, standing, low, high, Level.of(standing).code(), all);
        }

        /** A rating from a curve, its spread from the interval of the figure, and the working of both. */
        public Builder curve(String indicator, Curve curve, double x, Double low, Double high) {
            double standing = curve.at(x);
            Map<String, Object> args = Map.of("figure", x);
            return level(
                            indicator,
                            standing,
                            low == null ? null : Double.valueOf(curve.lowestBetween(low, high)),
                            high == null ? null : Double.valueOf(curve.highestBetween(low, high)),
                            args)
                    .working("curve", Map.of("figure", x, "indicator", indicator), standing, Unit.NONE, curve.source());
        }

        /** A rating that a score out of two gives, with the score itself in the points school. */
        public Builder scoreOfTwo(String indicator, double score) {
            return scoreOfTwo(indicator, score, Level.of(score / 2).code());
        }

        /** @param why reason code, where the level alone does not say it */
        public Builder scoreOfTwo(String indicator, double score, String why) {
            Map<String, Object> args = Map.of("score", score, "indicator", indicator);
            return standing(indicator, score / 2, null, null, why, args)
                    .rating(indicator, "points", score, 2.0, score / 2, null, null, why, args)
                    .working("ofTwo", args, score / 2, Unit.NONE, "Score of 2 as a share");
        }

        public Builder rating(
                String indicator,
                String school,
                Double score,
                Double scoreMax,
                Double standing,
                Double low,
                Double high,
                String why,
                Map<String, Object> args) {
            Value bounded = standing == null ? null : new Value(standing, Unit.NONE, low, high);
            ratings.add(new Rating(
                    indicator,
                    school,
                    score == null ? null : Double.valueOf(Numbers.significant(score, DIGITS)),
                    scoreMax,
                    bounded == null ? null : Double.valueOf(bounded.value()),
                    bounded == null ? null : bounded.low(),
                    bounded == null ? null : bounded.high(),
                    why,
                    args));
            return this;
        }

        public Builder note(String code, Severity severity) {
            return note(code, severity, Map.of());
        }

        public Builder note(String code, Severity severity, Map<String, Object> args) {
            notes.add(new Note(code, severity, args));
            return this;
        }

        public Builder series(String name, List<Map<String, Object>> rows) {
            series.put(name, List.copyOf(rows));
            return this;
        }

        public Builder working(String key, Map<String, Object> args, double result, Unit unit, String source) {
            working.add(new WorkingLine(key, args, new Value(result, unit, null, null), source));
            return this;
        }

        public Evaluation build() {
            return new Evaluation(method, values, classes, ratings, notes, series, working);
        }
    }
}
