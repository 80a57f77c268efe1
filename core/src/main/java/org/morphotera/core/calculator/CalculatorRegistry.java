package org.morphotera.core.calculator;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Inputs;

/** The calculators of a server or a page. */
public final class CalculatorRegistry {

    private final Map<String, Calculator<?>> calculators = new LinkedHashMap<>();

    /**
     * @param known the calculators, in the order of the Bench
     * @throws IllegalArgumentException when two have the same id
     */
    public CalculatorRegistry(List<Calculator<?>> known) {
        for (Calculator<?> calculator : known) {
            if (calculators.put(calculator.id(), calculator) != null) {
                throw new IllegalArgumentException("two calculators are called " + calculator.id());
            }
        }
    }

    /** All calculators, in the order of the Bench. */
    public List<Calculator<?>> all() {
        return List.copyOf(calculators.values());
    }

    /** Whether there is a calculator of this id. */
    public boolean has(String id) {
        return calculators.containsKey(id);
    }

    /**
     * Works a request body out: a tree with {@code inputs}.
     *
     * @throws IllegalArgumentException when there is no such calculator
     */
    public Outcome evaluate(String id, Object body, Benchmarks benchmarks) {
        Calculator<?> calculator = calculators.get(id);
        if (calculator == null) {
            throw new IllegalArgumentException("no calculator " + id);
        }
        Faults faults = new Faults();
        if (!(body instanceof Map<?, ?> parts)) {
            faults.add("", "TYPE", Map.of("wanted", "an object with inputs"));
            return new Outcome.Refused(faults.found());
        }
        for (Object key : parts.keySet()) {
            if (!"inputs".equals(key)) {
                faults.add("", "UNKNOWN", Map.of("field", String.valueOf(key)));
            }
        }
        return evaluate(calculator, parts.get("inputs"), benchmarks, faults);
    }

    /**
     * What is wrong with the figures of a product: one that a product of this calculator doesn't have, or one out of
     * its range.
     *
     * @throws IllegalArgumentException when there is no such calculator
     */
    public List<Fault> productFaults(String id, Map<String, Object> figures, Benchmarks benchmarks) {
        Outcome outcome = evaluate(id, Map.of("inputs", figures), benchmarks);
        List<String> known = calculators.get(id).ofProduct();
        List<Fault> faults = new ArrayList<>();
        figures.keySet().stream()
                .filter(name -> !known.contains(name))
                .forEach(name -> faults.add(new Fault(name, "UNKNOWN", Map.of("field", name))));
        if (outcome instanceof Outcome.Refused refused) {
            refused.faults().stream()
                    .filter(each -> known.contains(each.field()) && figures.containsKey(each.field()))
                    .forEach(faults::add);
        }
        return faults;
    }

    private static <R extends Record> Outcome evaluate(
            Calculator<R> calculator, Object tree, Benchmarks benchmarks, Faults faults) {
        R inputs =
                Inputs.parse(tree, calculator::read, (read, into) -> calculator.check(read, benchmarks, into), faults);
        return faults.isEmpty()
                ? new Outcome.Evaluated(calculator.evaluate(inputs, benchmarks))
                : new Outcome.Refused(faults.found());
    }
}
