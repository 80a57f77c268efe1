package org.morphotera.core.photo;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiPredicate;

/**
 * How much of what a picture proposed was recorded as it stood.
 *
 * @param same of its points, lines, chips or crumbs, 0 to {@code of}
 */
public record Agreed(int same, int of) {

    /** @throws IllegalArgumentException unless {@code same} is 0 to {@code of} */
    public Agreed {
        if (same < 0 || same > of) {
            throw new IllegalArgumentException(same + " of " + of);
        }
    }

    /** Of two lists, place by place; what was recorded otherwise than as a list, or is shorter, differs. */
    public static Agreed ofRows(Object proposed, Object recorded, BiPredicate<Object, Object> alike) {
        List<?> wanted = proposed instanceof List<?> list ? list : List.of();
        List<?> got = recorded instanceof List<?> list ? list : List.of();
        int same = 0;
        for (int i = 0; i < Math.min(wanted.size(), got.size()); i++) {
            same += alike.test(wanted.get(i), got.get(i)) ? 1 : 0;
        }
        return new Agreed(same, wanted.size());
    }

    /**
     * Of figures by name.
     *
     * @param within how far apart two may lie and still be the same, in their unit
     */
    public static Agreed ofFigures(
            Map<String, ?> proposed, Map<String, ?> recorded, List<String> names, double within) {
        int same = 0;
        int of = 0;
        for (String name : names) {
            if (proposed.get(name) instanceof Number wanted) {
                of++;
                same += recorded.get(name) instanceof Number got
                                && Math.abs(wanted.doubleValue() - got.doubleValue()) <= within
                        ? 1
                        : 0;
            }
        }
        return new Agreed(same, of);
    }

    /** Whether two trees say the same under a name. */
    public static BiPredicate<Object, Object> alikeBy(String name) {
        return (proposed, recorded) -> proposed instanceof Map<?, ?> wanted
                && recorded instanceof Map<?, ?> got
                && Objects.equals(wanted.get(name), got.get(name));
    }
}
