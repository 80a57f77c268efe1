package org.morphotera.core.judgement;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** An amount as written beside an event, such as {@code 3.5 t/ha}. */
public final class LimeAmount {

    private static final String UNIT = "t/ha";

    private LimeAmount() {}

    /**
     * Tonnes per hectare of lime.
     *
     * @return {@code null} where the event is no lime, or its amount is written otherwise
     */
    public static @Nullable Double tHa(String kind, @Nullable String amount) {
        if (amount == null || !kind.strip().toLowerCase(Locale.ROOT).startsWith("lime")) {
            return null;
        }
        int unit = amount.indexOf(UNIT);
        if (unit < 0) {
            return null;
        }
        int end = unit;
        while (end > 0 && amount.charAt(end - 1) == ' ') {
            end--;
        }
        int start = end;
        while (start > 0 && (Character.isDigit(amount.charAt(start - 1)) || amount.charAt(start - 1) == '.')) {
            start--;
        }
        try {
            return Double.valueOf(amount.substring(start, end));
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
