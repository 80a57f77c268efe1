package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** Notes down what a method asks for. */
public final class DescribedFields implements Fields {

    private final List<ReadingSpec> specs = new ArrayList<>();

    private DescribedFields() {}

    /**
     * What a reader asks for, found by letting it read.
     *
     * @param reader asks for the same readings whatever it is given
     */
    public static List<ReadingSpec> of(Function<Fields, ?> reader) {
        DescribedFields fields = new DescribedFields();
        reader.apply(fields);
        return List.copyOf(fields.specs);
    }

    private void add(
            String name,
            String type,
            Unit unit,
            Range range,
            Range size,
            Need need,
            List<String> options,
            List<ReadingSpec> items) {
        specs.add(new ReadingSpec(name, type, unit, range, size, need, options, null, items));
    }

    private static List<String> codes(List<? extends Coded> options) {
        List<String> codes = new ArrayList<>();
        for (Coded option : options) {
            codes.add(option.code());
        }
        return codes;
    }

    @Override
    public Double number(String name, Unit unit, Range range, Need need) {
        add(name, "number", unit, range, null, need, List.of(), List.of());
        return need.required() ? range.min() : null;
    }

    @Override
    public Integer count(String name, Range range, Need need) {
        add(name, "count", Unit.NONE, range, null, need, List.of(), List.of());
        return need.required() ? (int) range.min() : null;
    }

    @Override
    public Boolean flag(String name, Need need) {
        add(name, "flag", Unit.NONE, null, null, need, List.of(), List.of());
        return need.required() ? Boolean.FALSE : null;
    }

    @Override
    public <C extends Coded> C word(String name, List<C> options, Need need) {
        add(name, "word", Unit.NONE, null, null, need, codes(options), List.of());
        return need.required() ? options.get(0) : null;
    }

    @Override
    public <C extends Coded> List<C> words(String name, List<C> options, boolean repeats, Range size, Need need) {
        add(name, repeats ? "words" : "set", Unit.NONE, null, size, need, codes(options), List.of());
        return List.of();
    }

    @Override
    public String text(String name, int maxLength, Need need) {
        add(name, "text", Unit.NONE, null, Range.between(0, maxLength), need, List.of(), List.of());
        return need.required() ? "" : null;
    }

    @Override
    public List<String> texts(String name, int maxLength, Range size, Need need) {
        add(name, "texts", Unit.NONE, Range.between(0, maxLength), size, need, List.of(), List.of());
        return List.of();
    }

    @Override
    public List<Double> numbers(String name, Unit unit, Range range, Range size, Need need) {
        add(name, "numbers", unit, range, size, need, List.of(), List.of());
        return List.of();
    }

    @Override
    public Map<String, Integer> counts(String name, Range range, Need need) {
        add(name, "counts", Unit.NONE, range, null, need, List.of(), List.of());
        return Map.of();
    }

    @Override
    public <T> List<T> list(String name, Range size, Need need, Function<Fields, T> item) {
        add(name, "list", Unit.NONE, null, size, need, List.of(), of(item));
        return List.of();
    }

    @Override
    public <T> T group(String name, Need need, Function<Fields, T> content) {
        add(name, "group", Unit.NONE, null, null, need, List.of(), of(content));
        return null;
    }

    @Override
    public Map<String, Object> tree(String name, Need need) {
        add(name, "tree", Unit.NONE, null, null, need, List.of(), List.of());
        return need.required() ? Map.of() : null;
    }

    @Override
    public Map<String, Object> geoJson(String name, Need need) {
        add(name, "geojson", Unit.NONE, null, null, need, List.of(), List.of());
        return need.required() ? Map.of() : null;
    }

    @Override
    public void preset(String name, Object fallback) {
        int last = specs.size() - 1;
        specs.set(last, specs.get(last).withFallback(fallback));
    }
}
