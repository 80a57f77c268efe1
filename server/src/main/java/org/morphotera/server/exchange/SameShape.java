package org.morphotera.server.exchange;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Whether two shapes of GeoJSON are the same, whichever way round their rings are walked. */
final class SameShape {

    private SameShape() {}

    /** @param stored a geometry, or a feature with one */
    static boolean of(@Nullable Object sent, @Nullable Object stored) {
        Object shape =
                stored instanceof Map<?, ?> map && "Feature".equals(map.get("type")) ? map.get("geometry") : stored;
        return sent instanceof Map<?, ?> a
                && shape instanceof Map<?, ?> b
                && Objects.equals(a.get("type"), b.get("type"))
                && alike(a.get("coordinates"), b.get("coordinates"));
    }

    private static boolean alike(@Nullable Object one, @Nullable Object other) {
        if (!(one instanceof List<?> a) || !(other instanceof List<?> b) || a.size() != b.size()) {
            return false;
        }
        if (a.equals(b)) {
            return true;
        }
        boolean nested = !a.isEmpty() && a.get(0) instanceof List<?>;
        if (nested) {
            List<Object> back = new ArrayList<>(b);
            Collections.reverse(back);
            if (a.equals(back)) {
                return true;
            }
        }
        for (int i = 0; nested && i < a.size(); i++) {
            nested = alike(a.get(i), b.get(i));
        }
        return nested;
    }
}
