package org.morphotera.core.soil;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Of one property of one layer the best source speaks alone: laboratory, then meter, then kit. */
public final class SourceOrder {

    private SourceOrder() {}

    /**
     * Leaves out what a better source of the same property speaks on, in the order given.
     *
     * @param property what is read, with the layer that it is read in
     */
    public static <T> List<T> best(Collection<T> all, Function<T, ?> property, Function<T, Source> source) {
        Map<Object, Source> best = new LinkedHashMap<>();
        for (T each : all) {
            best.merge(property.apply(each), source.apply(each), (a, b) -> a.compareTo(b) <= 0 ? a : b);
        }
        return all.stream()
                .filter(each -> source.apply(each) == best.get(property.apply(each)))
                .toList();
    }
}
