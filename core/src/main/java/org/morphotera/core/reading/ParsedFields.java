package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * Reads a plain tree (maps with text keys, lists, numbers, texts, booleans, null) and gathers every fault with its
 * path. A faulty required reading reads as the lowest allowed value, so that reading can go on; the faults say that
 * nothing may be done with it.
 */
public final class ParsedFields implements Fields {

    /** The longest text value repeated in a fault. */
    private static final int SHOWN_TEXT = 40;

    private final String path;
    private final Map<?, ?> tree;
    private final Faults faults;
    private final Set<String> known = new LinkedHashSet<>();
    private final Set<String> active = new LinkedHashSet<>();
    private final Map<String, List<List<Fault>>> inactive = new LinkedHashMap<>();
    private final Map<String, Object> presets = new HashMap<>();
    private boolean shapeBroken;

    ParsedFields(String path, Map<?, ?> tree, Faults faults) {
        this.path = path;
        this.tree = tree;
        this.faults = faults;
    }

    /**
     * Reads a whole tree with a reader, names fields that the reader did not ask for, and says whether the shape
     * was sound enough (types and required readings) for checks between readings.
     */
    public static <T> Parsed<T> read(String path, Object tree, Function<Fields, T> reader, Faults faults) {
        if (!(tree instanceof Map<?, ?> map)) {
            faults.add(
                    path.endsWith(".") ? path.substring(0, path.length() - 1) : path,
                    "TYPE",
                    Map.of("wanted", "an object"));
            return new Parsed<>(null, false);
        }
        ParsedFields fields = new ParsedFields(path, map, faults);
        T read = reader.apply(fields);
        fields.finish();
        return new Parsed<>(read, !fields.shapeBroken);
    }

    /**
     * @param value what was read; what was wrong is {@code null} in it
     * @param sound whether types and required readings were right, so that readings can be checked against each other
     */
    public record Parsed<T>(T value, boolean sound) {}

    private interface Converter<T> {
        /** The converted value; {@code null} after adding a fault. */
        T convert(Object raw, String at, Faults into);
    }

    private <T> T take(String name, Need need, T placeholder, Converter<T> converter) {
        known.add(name);
        Object raw = tree.get(name);
        if (!holds(need)) {
            if (raw != null) {
                Faults aside = new Faults();
                converter.convert(raw, at(name), aside);
                inactive.computeIfAbsent(name, key -> new ArrayList<>()).add(aside.found());
            }
            return null;
        }
        active.add(name);
        if (raw == null) {
            if (need.required()) {
                faults.add(at(name), "MISSING");
                shapeBroken = true;
                return placeholder;
            }
            return null;
        }
        T converted = converter.convert(raw, at(name), faults);
        if (converted == null) {
            shapeBroken = true;
            return need.required() ? placeholder : null;
        }
        return converted;
    }

    private boolean holds(Need need) {
        for (Need.Condition condition : need.conditions()) {
            Object said = tree.get(condition.name());
            Object given = said == null ? presets.get(condition.name()) : said;
            if (given == null || !condition.values().contains(given.toString())) {
                return false;
            }
        }
        return true;
    }

    private void finish() {
        inactive.forEach((name, attempts) -> {
            // a reading that doesn't count here must still make sense as one of its declarations
            if (!active.contains(name) && attempts.stream().noneMatch(List::isEmpty)) {
                faults.addAll(attempts.get(0));
            }
        });
        for (Object key : tree.keySet()) {
            String name = String.valueOf(key);
            if (!known.contains(name)) {
                faults.add(at(shorten(name)), "UNKNOWN", Map.of("field", shorten(name)));
            }
        }
    }

    /** What is not said counts as its preset, for conditions too. */
    @Override
    public void preset(String name, Object fallback) {
        presets.put(name, fallback);
    }

    private String at(String name) {
        return path.isEmpty() || path.endsWith(".") ? path + name : path + "." + name;
    }

    private static String shorten(String text) {
        return text.length() <= SHOWN_TEXT ? text : text.substring(0, SHOWN_TEXT) + "…";
    }

    @Override
    public Double number(String name, Unit unit, Range range, Need need) {
        return take(name, need, range.min(), (raw, at, into) -> convertNumber(raw, at, unit, range, into));
    }

    private static Double convertNumber(Object raw, String at, Unit unit, Range range, Faults into) {
        if (!(raw instanceof Number number) || !Double.isFinite(number.doubleValue())) {
            into.add(at, "TYPE", Map.of("wanted", "a number"));
            return null;
        }
        double x = number.doubleValue();
        if (!range.holds(x)) {
            boolean over = x > range.max() && range.overCode() != null;
            into.add(
                    at,
                    over ? range.overCode() : range.above() ? "RANGE_ABOVE" : "RANGE",
                    Map.of("min", range.min(), "max", range.max(), "unit", unit.symbol(), "given", x));
        }
        return x;
    }

    @Override
    public Integer count(String name, Range range, Need need) {
        return take(name, need, (int) range.min(), (raw, at, into) -> convertCount(raw, at, range, into));
    }

    private static Integer convertCount(Object raw, String at, Range range, Faults into) {
        Double number = convertNumber(raw, at, Unit.NONE, range, into);
        if (number == null) {
            return null;
        }
        if (number != Math.rint(number)) {
            into.add(at, "NOT_WHOLE", Map.of("given", number));
            return null;
        }
        return number.intValue();
    }

    @Override
    public Boolean flag(String name, Need need) {
        return take(name, need, Boolean.FALSE, (raw, at, into) -> {
            if (raw instanceof Boolean flag) {
                return flag;
            }
            into.add(at, "TYPE", Map.of("wanted", "true or false"));
            return null;
        });
    }

    @Override
    public <C extends Coded> C word(String name, List<C> options, Need need) {
        return take(name, need, options.get(0), (raw, at, into) -> convertWord(raw, at, options, into));
    }

    private static <C extends Coded> C convertWord(Object raw, String at, List<C> options, Faults into) {
        if (!(raw instanceof String text)) {
            into.add(at, "TYPE", Map.of("wanted", "a text"));
            return null;
        }
        for (C option : options) {
            if (option.code().equals(text)) {
                return option;
            }
        }
        StringBuilder codes = new StringBuilder();
        for (C option : options) {
            codes.append(codes.length() == 0 ? "" : " | ").append(option.code());
        }
        into.add(at, "WORD", Map.of("options", codes.toString(), "given", shorten(text)));
        return null;
    }

    @Override
    public <C extends Coded> List<C> words(String name, List<C> options, boolean repeats, Range size, Need need) {
        List<C> read = items(name, size, need, (raw, at, into) -> convertWord(raw, at, options, into));
        if (read != null && !repeats && new LinkedHashSet<>(read).size() < read.size()) {
            faults.add(at(name), "REPEATED");
        }
        return read;
    }

    @Override
    public String text(String name, int maxLength, Need need) {
        return take(name, need, "", (raw, at, into) -> convertText(raw, at, maxLength, into));
    }

    private static String convertText(Object raw, String at, int maxLength, Faults into) {
        if (!(raw instanceof String text)) {
            into.add(at, "TYPE", Map.of("wanted", "a text"));
            return null;
        }
        if (text.length() > maxLength) {
            into.add(at, "TOO_LONG", Map.of("max", maxLength));
        }
        return text;
    }

    @Override
    public List<String> texts(String name, int maxLength, Range size, Need need) {
        return items(name, size, need, (raw, at, into) -> convertText(raw, at, maxLength, into));
    }

    @Override
    public List<Double> numbers(String name, Unit unit, Range range, Range size, Need need) {
        return items(name, size, need, (raw, at, into) -> convertNumber(raw, at, unit, range, into));
    }

    @Override
    public Map<String, Integer> counts(String name, Range range, Need need) {
        return take(name, need, Map.of(), (raw, at, into) -> {
            if (!(raw instanceof Map<?, ?> map)) {
                into.add(at, "TYPE", Map.of("wanted", "an object of counts"));
                return null;
            }
            Map<String, Integer> counts = new LinkedHashMap<>();
            boolean sound = true;
            for (Map.Entry<?, ?> entry : map.entrySet()) {
                String key = String.valueOf(entry.getKey());
                Integer count = convertCount(entry.getValue(), at + "." + shorten(key), range, into);
                sound &= count != null;
                counts.put(key, count == null ? 0 : count);
            }
            if (counts.size() > Range.LIST.max()) {
                into.add(at, "TOO_MANY", Map.of("max", Range.LIST.max()));
            }
            return sound ? counts : null;
        });
    }

    @Override
    public <T> List<T> list(String name, Range size, Need need, Function<Fields, T> item) {
        return items(name, size, need, (raw, at, into) -> convertGroup(raw, at, item, into));
    }

    @Override
    public <T> T group(String name, Need need, Function<Fields, T> content) {
        return take(name, need, null, (raw, at, into) -> convertGroup(raw, at, content, into));
    }

    @Override
    public Map<String, Object> geoJson(String name, Need need) {
        return tree(name, need, "a GeoJSON object");
    }

    @Override
    public Map<String, Object> tree(String name, Need need) {
        return tree(name, need, "an object");
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> tree(String name, Need need, String wanted) {
        return take(name, need, Map.of(), (raw, at, into) -> {
            if (raw instanceof Map<?, ?> map) {
                return (Map<String, Object>) map;
            }
            into.add(at, "TYPE", Map.of("wanted", wanted));
            return null;
        });
    }

    private static <T> T convertGroup(Object raw, String at, Function<Fields, T> content, Faults into) {
        Parsed<T> parsed = read(at, raw, content, into);
        return parsed.sound() ? parsed.value() : null;
    }

    private <T> List<T> items(String name, Range size, Need need, Converter<T> converter) {
        return take(name, need, List.of(), (raw, at, into) -> {
            if (!(raw instanceof List<?> given)) {
                into.add(at, "TYPE", Map.of("wanted", "a list"));
                return null;
            }
            if (given.size() > size.max()) {
                // not looked into: a list out of all proportion would bring as many faults
                into.add(at, "TOO_MANY", Map.of("max", size.max(), "given", given.size()));
                return null;
            }
            List<T> items = new ArrayList<>(given.size());
            boolean sound = true;
            for (int i = 0; i < given.size(); i++) {
                T item = converter.convert(given.get(i), at + "[" + i + "]", into);
                sound &= item != null;
                items.add(item);
            }
            if (given.size() < size.min()) {
                into.add(at, "TOO_FEW", Map.of("min", size.min(), "given", given.size()));
                return null;
            }
            return sound ? items : null;
        });
    }
}
