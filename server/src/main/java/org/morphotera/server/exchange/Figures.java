package org.morphotera.server.exchange;

import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;

/** Numbers as they stand in files. */
final class Figures {

    private static final int LONGEST = 40;

    private Figures() {}

    /** A number with a point, or {@code null}; nothing that is infinite or no number at all. */
    static @Nullable Double parsed(String text) {
        if (text.isEmpty() || text.length() > LONGEST) {
            return null;
        }
        try {
            double value = Double.parseDouble(text);
            boolean digits = text.chars().allMatch(c -> c >= '0' && c <= '9' || "+-.eE".indexOf(c) >= 0);
            return digits && Double.isFinite(value) ? value : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** A value as text; a number in its shortest form that reads back as the same. */
    static String text(Object value) {
        if (value instanceof Double number) {
            return number == Math.rint(number) && Math.abs(number) < 1e15
                    ? BigDecimal.valueOf(number).toBigInteger().toString()
                    : number.toString();
        }
        return value.toString();
    }
}
