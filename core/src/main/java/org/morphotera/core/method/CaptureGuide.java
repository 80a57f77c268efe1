package org.morphotera.core.method;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.Coded;

/**
 * What a picture for entering a test needs beside the readings themselves, so that no figure of the job stands in the
 * page a second time. Figures are metric; their names say the unit, as readings' names do.
 *
 * @param usual readings that a new test starts from, as they would be entered
 * @param drawn limits, steps and counts that the picture draws or goes by
 * @param groups codes of options, or free names, that belong together in the picture; {@code depth} names readings that
 *     say how deep the test goes, where it is not told as a layer
 */
public record CaptureGuide(Map<String, Object> usual, Map<String, Double> drawn, Map<String, List<String>> groups) {

    /** For a method that needs nothing but its readings. */
    public static final CaptureGuide PLAIN = new CaptureGuide(Map.of(), Map.of(), Map.of());

    /** … and a reading that a new test starts from. */
    public CaptureGuide usual(String reading, Object value) {
        return new CaptureGuide(with(usual, reading, value), drawn, groups);
    }

    /** … and a figure that the picture draws or goes by, in the metric unit that its name says. */
    public CaptureGuide drawn(String name, double figure) {
        return new CaptureGuide(usual, with(drawn, name, figure), groups);
    }

    /** … and what belongs together in the picture. */
    public CaptureGuide group(String name, String... members) {
        return new CaptureGuide(usual, drawn, with(groups, name, List.of(members)));
    }

    /** … and options that belong together in the picture. */
    public CaptureGuide group(String name, List<? extends Coded> members) {
        return group(name, members.stream().map(Coded::code).toArray(String[]::new));
    }

    private static <V> Map<String, V> with(Map<String, V> before, String name, V value) {
        Map<String, V> after = new LinkedHashMap<>(before);
        after.put(name, value);
        return after;
    }
}
