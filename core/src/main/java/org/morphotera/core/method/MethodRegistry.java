package org.morphotera.core.method;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.ParsedFields;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;

/** The methods there are, in the order in which they are worked down the soil face. */
public final class MethodRegistry {

    private final Map<String, FieldMethod<?>> methods = new LinkedHashMap<>();

    /** @throws IllegalArgumentException when two have the same id */
    public MethodRegistry(List<FieldMethod<?>> methods) {
        for (FieldMethod<?> method : methods) {
            if (this.methods.put(method.card().id(), method) != null) {
                throw new IllegalArgumentException(
                        "two methods are called " + method.card().id());
            }
        }
    }

    /** All methods, in the order of the soil face. */
    public List<FieldMethod<?>> all() {
        return List.copyOf(methods.values());
    }

    /** Whether there is a method of this id. */
    public boolean has(String id) {
        return methods.containsKey(id);
    }

    /** @throws IllegalArgumentException when there is no such method */
    public FieldMethod<?> get(String id) {
        FieldMethod<?> method = methods.get(id);
        if (method == null) {
            throw new IllegalArgumentException("no method " + id);
        }
        return method;
    }

    /**
     * Evaluates a request body: a tree with {@code readings} and, optionally, {@code context}. Every fault is
     * gathered; contradictions between readings are looked for only when their types are right and none is missing.
     *
     * @throws IllegalArgumentException when there is no such method
     */
    public Outcome evaluate(String id, Object body, Benchmarks benchmarks) {
        Faults faults = new Faults();
        if (!(body instanceof Map<?, ?> parts)) {
            faults.add("", "TYPE", Map.of("wanted", "an object with readings and context"));
            return new Outcome.Refused(faults.found());
        }
        for (Object key : parts.keySet()) {
            if (!"readings".equals(key) && !"context".equals(key)) {
                faults.add("", "UNKNOWN", Map.of("field", String.valueOf(key)));
            }
        }
        return evaluate(get(id), parts.get("readings"), parts.get("context"), benchmarks, faults);
    }

    /**
     * Faults of readings alone: those for which {@link #evaluate} refuses them, whatever the context.
     *
     * @throws IllegalArgumentException when there is no such method
     */
    public List<Fault> check(String id, Object readings) {
        Faults faults = new Faults();
        parse(get(id), readings, faults);
        return faults.found();
    }

    /**
     * What must be said at once of readings that are still being entered.
     *
     * @param readings plain tree in any state; what is no object says nothing
     * @throws IllegalArgumentException when there is no such method
     */
    @SuppressWarnings("unchecked")
    public List<Envelope.NoteText> warnings(String id, Object readings, Messages messages) {
        if (!(readings instanceof Map<?, ?>)) {
            return List.of();
        }
        return get(id).warnings((Map<String, Object>) readings).stream()
                .map(note -> Envelope.NoteText.of(note, id, messages))
                .toList();
    }

    private static <R extends Record> Outcome evaluate(
            FieldMethod<R> method, Object readingsTree, Object contextTree, Benchmarks benchmarks, Faults faults) {
        ParsedFields.Parsed<R> readings = parse(method, readingsTree, faults);
        Context context = Context.parse(contextTree, faults);
        if (!faults.isEmpty()) {
            return new Outcome.Refused(faults.found());
        }
        return new Outcome.Evaluated(method.evaluate(readings.value(), context, benchmarks));
    }

    private static <R extends Record> ParsedFields.Parsed<R> parse(FieldMethod<R> method, Object tree, Faults faults) {
        ParsedFields.Parsed<R> readings = ParsedFields.read("", tree, method::read, faults);
        if (readings.sound()) {
            method.check(readings.value(), faults);
        }
        return readings;
    }
}
