package org.morphotera.server.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.Catalogue.ConditionEntry;
import org.morphotera.core.method.Catalogue.ReadingEntry;
import org.morphotera.core.soil.KnownUnits;
import org.morphotera.core.soil.Unit;

/**
 * The readings of one test as figures of their own, each with its path ({@code layers[0].value}) and unit, and back,
 * by what the catalogue says of them.
 */
final class ReadingShape {

    private static final Pattern STEP = Pattern.compile("\\.?([^.\\[\\]]+)|\\[(\\d{1,4})]");
    private static final int DEEPEST = 8;
    private static final int LONGEST_LIST = 500;

    private final List<ReadingEntry> entries;

    ReadingShape(List<ReadingEntry> entries) {
        this.entries = entries;
    }

    /** One figure, word or flag of the readings. */
    record Leaf(String path, Object value, String unit) {}

    /** The readings one by one, in the order in which they are kept. */
    List<Leaf> leaves(Map<String, Object> readings) {
        List<Leaf> leaves = new ArrayList<>();
        group("", readings, entries, leaves);
        return leaves;
    }

    private static void group(String at, Map<?, ?> group, List<ReadingEntry> entries, List<Leaf> leaves) {
        group.forEach((name, value) -> {
            ReadingEntry entry = entry(entries, name.toString(), group);
            each(at.isEmpty() ? name.toString() : at + "." + name, value, entry, leaves);
        });
    }

    private static void each(String at, Object value, @Nullable ReadingEntry entry, List<Leaf> leaves) {
        List<ReadingEntry> items = entry == null ? List.of() : entry.items();
        if (value instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                String path = at + "[" + i + "]";
                if (list.get(i) instanceof Map<?, ?> map) {
                    group(path, map, items, leaves);
                } else {
                    each(path, list.get(i), entry, leaves);
                }
            }
        } else if (value instanceof Map<?, ?> map) {
            group(at, map, items, leaves);
        } else if (value != null) {
            String unit = entry == null || entry.unit() == null ? "" : entry.unit();
            leaves.add(new Leaf(at, value, unit));
        }
    }

    /** The entry of a name that counts beside the other readings of its group. */
    private static @Nullable ReadingEntry entry(List<ReadingEntry> entries, String name, Map<?, ?> beside) {
        List<ReadingEntry> named =
                entries.stream().filter(each -> each.name().equals(name)).toList();
        return named.stream()
                .filter(each -> each.when().stream().allMatch(when -> holds(when, beside)))
                .findFirst()
                .orElse(named.isEmpty() ? null : named.get(0));
    }

    private static boolean holds(ConditionEntry when, Map<?, ?> beside) {
        return when.values().contains(Objects.toString(beside.get(when.name()), ""));
    }

    /** A figure as it comes in: text and unit as written, and where it stands. */
    record Cell(String text, String unit, long line) {}

    /** A cell that can't be used. */
    static final class Unusable extends Exception {

        private static final long serialVersionUID = 1L;

        private final transient Cell cell;
        private final String column;

        private Unusable(Cell cell, String column, String message) {
            super(message);
            this.cell = cell;
            this.column = column;
        }

        Cell cell() {
            return cell;
        }

        String column() {
            return column;
        }
    }

    /**
     * The tree that cells by path make, figures in the units of the catalogue.
     *
     * @throws Unusable at the first cell that has no place, or a unit that is not known
     */
    Map<String, Object> tree(Map<String, Cell> cells) throws Unusable {
        Map<String, Object> raw = new LinkedHashMap<>();
        for (Map.Entry<String, Cell> each : cells.entrySet()) {
            place(raw, steps(each.getKey(), each.getValue()), each.getValue());
        }
        return read(raw, entries);
    }

    private static List<Object> steps(String path, Cell cell) throws Unusable {
        List<Object> steps = new ArrayList<>();
        Matcher step = STEP.matcher(path);
        int end = 0;
        while (step.find() && step.start() == end) {
            steps.add(step.group(1) != null ? step.group(1) : Integer.valueOf(step.group(2)));
            end = step.end();
        }
        if (end != path.length() || steps.isEmpty() || steps.size() > DEEPEST || steps.get(0) instanceof Integer) {
            throw new Unusable(cell, "name", "This is no name of a reading. Write it as in an export.");
        }
        return steps;
    }

    @SuppressWarnings("unchecked")
    private static void place(Map<String, Object> root, List<Object> steps, Cell cell) throws Unusable {
        Object at = root;
        for (int i = 0; i < steps.size(); i++) {
            boolean last = i == steps.size() - 1;
            boolean listNext = !last && steps.get(i + 1) instanceof Integer;
            Object next = last ? cell : listNext ? new ArrayList<>() : new LinkedHashMap<>();
            if (steps.get(i) instanceof String name && at instanceof Map<?, ?>) {
                Object there = ((Map<String, Object>) at).putIfAbsent(name, next);
                at = there == null ? next : there;
            } else if (steps.get(i) instanceof Integer index && at instanceof List<?>) {
                List<Object> list = (List<Object>) at;
                if (index > list.size() || index >= LONGEST_LIST) {
                    throw new Unusable(cell, "name", "Entries of a list must follow each other from [0] on.");
                }
                if (index == list.size()) {
                    list.add(next);
                }
                at = list.get(index);
            } else {
                at = null;
            }
            if (at == null || last && at != cell) {
                throw new Unusable(cell, "name", "This reading is there twice, or in two forms. Leave one of them.");
            }
        }
    }

    private static Map<String, Object> read(Map<String, Object> raw, List<ReadingEntry> entries) throws Unusable {
        Map<String, Object> words = new LinkedHashMap<>();
        raw.forEach((name, value) -> words.put(name, value instanceof Cell cell ? cell.text() : ""));
        Map<String, Object> tree = new LinkedHashMap<>();
        for (Map.Entry<String, Object> each : raw.entrySet()) {
            tree.put(each.getKey(), read(each.getValue(), entry(entries, each.getKey(), words)));
        }
        return tree;
    }

    @SuppressWarnings("unchecked")
    private static Object read(Object raw, @Nullable ReadingEntry entry) throws Unusable {
        if (raw instanceof List<?> list) {
            List<Object> read = new ArrayList<>();
            for (Object each : list) {
                read.add(read(each, entry));
            }
            return read;
        }
        if (raw instanceof Map<?, ?> map) {
            Map<String, Object> group = (Map<String, Object>) map;
            if (entry != null && entry.type().equals("counts")) {
                // whole numbers by a free name
                Map<String, Object> counts = new LinkedHashMap<>();
                for (Map.Entry<String, Object> each : group.entrySet()) {
                    counts.put(each.getKey(), each.getValue() instanceof Cell cell ? whole(number(cell, null)) : "");
                }
                return counts;
            }
            return read(group, entry == null ? List.of() : entry.items());
        }
        return value((Cell) raw, entry);
    }

    private static Object value(Cell cell, @Nullable ReadingEntry entry) throws Unusable {
        if (entry == null) {
            throw new Unusable(cell, "name", "This test has no such reading. Correct the name, or take the line out.");
        }
        return switch (entry.type()) {
            case "number", "numbers" -> number(cell, entry.unit());
            case "count" -> whole(number(cell, entry.unit()));
            case "flag" -> flag(cell);
            default -> cell.text();
        };
    }

    private static Object whole(Object number) {
        double value = ((Number) number).doubleValue();
        return value == Math.rint(value) && Math.abs(value) < 1e9 ? (Object) (int) value : number;
    }

    private static Object flag(Cell cell) throws Unusable {
        return switch (cell.text().toLowerCase(java.util.Locale.ROOT)) {
            case "true", "yes", "1" -> true;
            case "false", "no", "0" -> false;
            default -> throw new Unusable(cell, "value", "It must be yes or no.");
        };
    }

    private static Object number(Cell cell, @Nullable String symbol) throws Unusable {
        Double value = Figures.parsed(cell.text());
        if (value == null) {
            throw new Unusable(cell, "value", "This is no number. Write it with digits and a point.");
        }
        Unit wanted = Unit.NONE;
        for (Unit unit : Unit.values()) {
            if (unit.symbol().equals(symbol)) {
                wanted = unit;
            }
        }
        Double metric = KnownUnits.toMetric(value, cell.unit(), wanted);
        if (metric == null) {
            throw new Unusable(
                    cell,
                    "unit",
                    "This unit is not known here. "
                            + (wanted == Unit.NONE
                                    ? "Leave it empty."
                                    : "Use " + wanted.symbol() + " or another of "
                                            + String.join(", ", KnownUnits.ways(wanted)) + "."));
        }
        return metric;
    }

    /** The same readings, however their numbers are written and their names are ordered. */
    static boolean same(Object stored, Object sent) {
        if (stored instanceof Number a && sent instanceof Number b) {
            return a.doubleValue() == b.doubleValue();
        }
        if (stored instanceof List<?> a && sent instanceof List<?> b) {
            boolean alike = a.size() == b.size();
            for (int i = 0; alike && i < a.size(); i++) {
                alike = same(a.get(i), b.get(i));
            }
            return alike;
        }
        if (stored instanceof Map<?, ?> a && sent instanceof Map<?, ?> b) {
            return a.keySet().equals(b.keySet())
                    && a.entrySet().stream().allMatch(each -> same(each.getValue(), b.get(each.getKey())));
        }
        return Objects.equals(stored, sent);
    }
}
