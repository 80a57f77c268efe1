package org.morphotera.core.reading;

import java.util.function.BiConsumer;
import java.util.function.Function;

/** Parses a plain tree with a reader that names each entry once, for other things than field methods. */
public final class Inputs {

    private Inputs() {}

    /**
     * @param tree maps, lists, numbers, texts, booleans
     * @param check looks for contradictions; called only when types are right and nothing is missing
     * @param faults gathers everything that is wrong; the result is of use only while it is empty
     */
    public static <R> R parse(Object tree, Function<Fields, R> reader, BiConsumer<R, Faults> check, Faults faults) {
        ParsedFields.Parsed<R> parsed = ParsedFields.read("", tree, reader, faults);
        if (parsed.sound()) {
            check.accept(parsed.value(), faults);
        }
        return parsed.value();
    }
}
