package org.morphotera.core.reading;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * The one place where a method names its readings. An implementation parses them from a plain tree, describes them,
 * or makes them up. A reading that is absent and not required, or whose conditions don't hold, is {@code null}.
 *
 * <p>The same name may be declared twice under conditions that exclude each other, where a reading has other options
 * or another unit in another mode.
 */
public interface Fields {

    /** A finite number in a unit. */
    Double number(String name, Unit unit, Range range, Need need);

    /** A whole number. */
    Integer count(String name, Range range, Need need);

    /** True or false. */
    Boolean flag(String name, Need need);

    /** One of the codes of some options. */
    <C extends Coded> C word(String name, List<C> options, Need need);

    /** Several different ones of the codes of some options, or one option several times where {@code repeats}. */
    <C extends Coded> List<C> words(String name, List<C> options, boolean repeats, Range size, Need need);

    /** Free text of at most some characters. */
    String text(String name, int maxLength, Need need);

    /** Free texts of at most some characters each. */
    List<String> texts(String name, int maxLength, Range size, Need need);

    /** Numbers in one unit. */
    List<Double> numbers(String name, Unit unit, Range range, Range size, Need need);

    /** Whole numbers by a free name. */
    Map<String, Integer> counts(String name, Range range, Need need);

    /** A list of groups of readings. */
    <T> List<T> list(String name, Range size, Need need, Function<Fields, T> item);

    /** A group of readings. */
    <T> T group(String name, Need need, Function<Fields, T> content);

    /** An object as its plain tree: what is in it is for the reader's own check. */
    Map<String, Object> tree(String name, Need need);

    /** A GeoJSON object (RFC 7946) as its plain tree: what is in it is for the reader's own check. */
    Map<String, Object> geoJson(String name, Need need);

    /** The value or, where it is absent, a default, which the description shows. */
    default Double numberOr(String name, Unit unit, Range range, double fallback) {
        Double read = number(name, unit, range, Need.OPTIONAL);
        preset(name, fallback);
        return read == null ? Double.valueOf(fallback) : read;
    }

    default Boolean flagOr(String name, boolean fallback) {
        Boolean read = flag(name, Need.OPTIONAL);
        preset(name, fallback);
        return read == null ? Boolean.valueOf(fallback) : read;
    }

    default <C extends Coded> C wordOr(String name, List<C> options, C fallback) {
        C read = word(name, options, Need.OPTIONAL);
        preset(name, fallback.code());
        return read == null ? fallback : read;
    }

    /** Tells a description what an absent reading counts as. */
    default void preset(String name, Object fallback) {}
}
