package org.morphotera.core.soil;

import java.util.Locale;

/** An enumerated word of the domain that is written as a lower-case code with hyphens, such as {@code silt-loam}. */
public interface Coded {

    /** The enum constant's name; enums satisfy this by being enums. */
    String name();

    /** The code written to JSON, the database and data files. */
    default String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /**
     * Finds a constant by its code.
     *
     * @return the constant, or {@code null} when no option has that code
     */
    static <C extends Coded> C find(C[] options, String code) {
        for (C option : options) {
            if (option.code().equals(code)) {
                return option;
            }
        }
        return null;
    }
}
