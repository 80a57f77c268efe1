package org.morphotera.core.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;
import org.morphotera.testkit.sound.Sound;

/**
 * Makes up readings that keep to every limit that a method states, as the plain tree that a client would send.
 * Contradictions between readings may remain: those are the method's own to find.
 */
public final class RandomFields implements Fields {

    private static final int LONGEST_LIST = 8;

    private final Random random;
    private final Map<String, Object> tree = new LinkedHashMap<>();
    private final Map<String, Object> presets = new LinkedHashMap<>();

    private RandomFields(Random random) {
        this.random = random;
    }

    /** Random readings of a method that keep its limits and, mostly, its rules between readings. */
    public static Map<String, Object> sound(FieldMethod<?> method, Random random) {
        Map<String, Object> tree = tree(method::read, random);
        Sound.of(method.card().id()).makeSound(tree, random);
        return tree;
    }

    public static Map<String, Object> tree(Function<Fields, ?> reader, Random random) {
        RandomFields fields = new RandomFields(random);
        reader.apply(fields);
        return fields.tree;
    }

    private boolean wanted(Need need) {
        for (Need.Condition condition : need.conditions()) {
            Object given =
                    tree.containsKey(condition.name()) ? tree.get(condition.name()) : presets.get(condition.name());
            if (given == null || !condition.values().contains(given.toString())) {
                return false;
            }
        }
        return need.required() || random.nextInt(3) > 0;
    }

    @Override
    public void preset(String name, Object fallback) {
        presets.put(name, fallback);
    }

    private <T> T give(String name, Object raw, T read) {
        tree.put(name, raw);
        return read;
    }

    private double within(Range range) {
        // mostly small figures, sometimes the ends: that is where methods divide and round
        return switch (random.nextInt(6)) {
            case 0 -> range.max();
            case 1 -> range.above() ? range.min() + 2 * Range.SMALLEST_STEP : range.min();
            case 2 -> range.min() + (range.max() - range.min()) * random.nextDouble();
            default -> Math.min(range.max(), range.min() + (1 - random.nextDouble()) * 300);
        };
    }

    private int sized(Range size) {
        int longest = (int) Math.min(size.max(), size.min() + LONGEST_LIST);
        return (int) size.min() + random.nextInt(longest - (int) size.min() + 1);
    }

    @Override
    public Double number(String name, Unit unit, Range range, Need need) {
        double x = within(range);
        return wanted(need) ? give(name, x, x) : null;
    }

    @Override
    public Integer count(String name, Range range, Need need) {
        int x = (int) Math.ceil(within(range));
        return wanted(need) ? give(name, x, x) : null;
    }

    @Override
    public Boolean flag(String name, Need need) {
        boolean x = random.nextBoolean();
        return wanted(need) ? give(name, x, x) : null;
    }

    @Override
    public <C extends Coded> C word(String name, List<C> options, Need need) {
        C option = options.get(random.nextInt(options.size()));
        return wanted(need) ? give(name, option.code(), option) : null;
    }

    @Override
    public <C extends Coded> List<C> words(String name, List<C> options, boolean repeats, Range size, Need need) {
        if (!wanted(need)) {
            return null;
        }
        List<C> chosen = new ArrayList<>();
        int wantedSize = repeats ? sized(size) : (int) Math.max(1, size.min());
        for (int i = 0; i < wantedSize; i++) {
            chosen.add(options.get(repeats ? random.nextInt(options.size()) : i));
        }
        return give(name, chosen.stream().map(Coded::code).toList(), chosen);
    }

    @Override
    public String text(String name, int maxLength, Need need) {
        String text = "x".repeat(random.nextInt(maxLength + 1));
        return wanted(need) ? give(name, text, text) : null;
    }

    @Override
    public List<String> texts(String name, int maxLength, Range size, Need need) {
        if (!wanted(need)) {
            return null;
        }
        List<String> texts = new ArrayList<>();
        for (int i = sized(size); i > 0; i--) {
            texts.add("x".repeat(random.nextInt(maxLength + 1)));
        }
        return give(name, texts, texts);
    }

    @Override
    public List<Double> numbers(String name, Unit unit, Range range, Range size, Need need) {
        if (!wanted(need)) {
            return null;
        }
        List<Double> numbers = new ArrayList<>();
        for (int i = sized(size); i > 0; i--) {
            numbers.add(within(range));
        }
        return give(name, numbers, numbers);
    }

    @Override
    public Map<String, Integer> counts(String name, Range range, Need need) {
        if (!wanted(need)) {
            return null;
        }
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (int i = random.nextInt(6); i > 0; i--) {
            counts.put("group" + i, (int) within(range));
        }
        return give(name, counts, counts);
    }

    /** A square of some 100 m, somewhere. */
    @Override
    public Map<String, Object> tree(String name, Need need) {
        return wanted(need) ? give(name, new LinkedHashMap<>(), new LinkedHashMap<>()) : null;
    }

    @Override
    public Map<String, Object> geoJson(String name, Need need) {
        if (!wanted(need)) {
            return null;
        }
        double east = random.nextInt(300) - 150;
        double north = random.nextInt(120) - 60;
        double side = 0.0005 + random.nextInt(4) * 0.0005;
        Map<String, Object> square = Map.of(
                "type",
                "Polygon",
                "coordinates",
                List.of(List.of(
                        List.of(east, north),
                        List.of(east + side, north),
                        List.of(east + side, north + side),
                        List.of(east, north + side),
                        List.of(east, north))));
        return give(name, square, square);
    }

    @Override
    public <T> List<T> list(String name, Range size, Need need, Function<Fields, T> item) {
        if (wanted(need)) {
            List<Object> trees = new ArrayList<>();
            for (int i = sized(size); i > 0; i--) {
                trees.add(tree(item, random));
            }
            tree.put(name, trees);
        }
        return List.of();
    }

    @Override
    public <T> T group(String name, Need need, Function<Fields, T> content) {
        if (wanted(need)) {
            tree.put(name, tree(content, random));
        }
        return null;
    }
}
