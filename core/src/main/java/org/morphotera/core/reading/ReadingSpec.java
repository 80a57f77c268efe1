package org.morphotera.core.reading;

import java.util.List;
import org.morphotera.core.soil.Unit;

/**
 * What is known of one reading without a value.
 *
 * @param name as in JSON
 * @param type {@code number count flag word words text numbers counts list group geojson}
 * @param range of the figure; {@code null} where it has none
 * @param size how many entries a list may have; {@code null} for what is not a list
 * @param options codes to choose from; empty for what is not a word
 * @param fallback what an absent reading counts as, or {@code null}
 * @param items the readings of each entry of a list, or of a group
 */
public record ReadingSpec(
        String name,
        String type,
        Unit unit,
        Range range,
        Range size,
        Need need,
        List<String> options,
        Object fallback,
        List<ReadingSpec> items) {

    ReadingSpec withFallback(Object value) {
        return new ReadingSpec(name, type, unit, range, size, need, options, value, items);
    }
}
