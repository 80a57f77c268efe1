package org.morphotera.server.calibration;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.text.Messages;
import org.springframework.stereotype.Component;

/** The tests that are scored by eye, with the steps of their scales: halves between the least and the most. */
@Component
class Scales {

    private static final String SCORE = "score";
    private static final double STEP = 0.5;

    private final Map<String, Calibration.Scaled> tests = new LinkedHashMap<>();
    private final Map<String, String> indicators = new LinkedHashMap<>();
    private final MethodRegistry methods;
    private final Map<String, Catalogue.MethodEntry> entries = new LinkedHashMap<>();
    private final Benchmarks benchmarks;

    Scales(MethodRegistry methods, Messages messages, Benchmarks benchmarks) {
        this.methods = methods;
        this.benchmarks = benchmarks;
        for (FieldMethod<?> method : methods.all()) {
            Catalogue.MethodEntry entry = Catalogue.entry(method, messages, benchmarks);
            entry.readings().stream()
                    .filter(reading -> reading.name().equals(SCORE) && reading.min() != null && reading.max() != null)
                    .findFirst()
                    .ifPresent(reading -> {
                        List<Double> steps = steps(reading.min(), reading.max());
                        boolean lowIsGood = standing(methods, entry, steps.get(0), benchmarks)
                                > standing(methods, entry, steps.get(steps.size() - 1), benchmarks);
                        entries.put(entry.id(), entry);
                        rated(methods, entry, steps.get(0), benchmarks)
                                .ifPresent(rating -> indicators.put(entry.id(), rating.indicator()));
                        tests.put(entry.id(), new Calibration.Scaled(entry.id(), entry.title(), steps, lowIsGood));
                    });
        }
    }

    /** The indicator that a test's score rates; {@code null} where the score alone rates none. */
    @Nullable
    String indicator(String test) {
        return indicators.get(test);
    }

    /** How well a soil of this score stands, 0 to 1. */
    double standing(String test, double score) {
        return standing(methods, entries.get(test), score, benchmarks);
    }

    /** How well a soil of this score stands; 0 where the score alone says nothing. */
    private static double standing(
            MethodRegistry methods, Catalogue.MethodEntry entry, double score, Benchmarks benchmarks) {
        return rated(methods, entry, score, benchmarks)
                .map(Evaluation.Rating::standing)
                .orElse(0.0);
    }

    private static Optional<Evaluation.Rating> rated(
            MethodRegistry methods, Catalogue.MethodEntry entry, double score, Benchmarks benchmarks) {
        Map<String, Object> readings = new LinkedHashMap<>();
        entry.usual().forEach((name, value) -> {
            // lists that wait to be filled in belong to other ways of scoring
            if (!(value instanceof List<?>)) {
                readings.put(name, value);
            }
        });
        readings.put(SCORE, score);
        Outcome outcome = methods.evaluate(entry.id(), Map.of("readings", readings), benchmarks);
        return outcome instanceof Outcome.Evaluated done
                ? done.evaluation().ratings().stream()
                        .filter(rating -> rating.standing() != null)
                        .findFirst()
                : Optional.empty();
    }

    private static List<Double> steps(double from, double to) {
        List<Double> steps = new ArrayList<>();
        for (double each = from; each <= to; each += STEP) {
            steps.add(each);
        }
        return steps;
    }

    /** All of them, in the order of the soil face. */
    List<Calibration.Scaled> all() {
        return List.copyOf(tests.values());
    }

    boolean has(String test) {
        return tests.containsKey(test);
    }

    Calibration.Scaled of(String test) {
        return tests.get(test);
    }
}
