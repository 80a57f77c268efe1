package org.morphotera.server.testsets;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.Methods;
import org.morphotera.server.web.RefusedException;

/** Lists of method ids as they are stored: joined by commas, nothing for all. */
public final class ChosenTests {

    private ChosenTests() {}

    public static @Nullable String text(@Nullable List<String> methods) {
        return methods == null || methods.isEmpty() ? null : String.join(",", methods);
    }

    public static @Nullable List<String> list(@Nullable String text) {
        return text == null ? null : List.of(text.split(","));
    }

    /** @throws RefusedException naming the first that is no method */
    public static void check(@Nullable List<String> methods, String field) {
        if (methods == null) {
            return;
        }
        for (int i = 0; i < methods.size(); i++) {
            if (!Methods.all().has(methods.get(i))) {
                throw RefusedException.of(
                        field + "[" + i + "]", "NO_SUCH_TEST", "There is no such test. Take it out of the list.");
            }
        }
    }
}
