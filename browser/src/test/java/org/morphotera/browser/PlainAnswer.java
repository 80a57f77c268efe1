package org.morphotera.browser;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** An answer with absent parts left out and all numbers as doubles, so that two answers can be compared exactly. */
final class PlainAnswer {

    private PlainAnswer() {}

    static Object of(Object tree) {
        if (tree instanceof Map<?, ?> map) {
            TreeMap<String, Object> plain = new TreeMap<>();
            map.forEach((key, value) -> {
                if (value != null) {
                    plain.put(String.valueOf(key), of(value));
                }
            });
            return plain;
        }
        if (tree instanceof List<?> list) {
            return list.stream().map(PlainAnswer::of).toList();
        }
        return tree instanceof Number number ? (Object) number.doubleValue() : tree;
    }
}
