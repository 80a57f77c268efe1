package org.morphotera.core.reading;

import java.util.Map;

/**
 * One thing wrong with what was sent.
 *
 * @param field path relative to the readings, such as {@code points[2].minute}; {@code ""} for the whole; paths of
 *     the context start with {@code context.}
 * @param code such as {@code MISSING}; its text is {@code fault.CODE} in the message catalogue
 * @param args placeholders of the text
 */
public record Fault(String field, String code, Map<String, Object> args) {

    /** Keeps the placeholders as they are now. */
    public Fault {
        args = Map.copyOf(args);
    }
}
