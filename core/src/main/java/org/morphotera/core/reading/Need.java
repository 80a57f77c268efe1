package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.soil.Coded;

/**
 * Whether a reading must be given: always, never, or when other readings of the same group have certain values. A
 * reading whose conditions don't hold has no meaning there and reads as {@code null}.
 *
 * @param required must be given (where the conditions hold)
 * @param conditions all of them must hold for the reading to count
 */
public record Need(boolean required, List<Condition> conditions) {

    public static final Need REQUIRED = new Need(true, List.of());
    public static final Need OPTIONAL = new Need(false, List.of());

    /** The reading {@code name} has one of the values (codes, or booleans written true and false). */
    public record Condition(String name, List<String> values) {}

    /** Keeps the conditions as they are now. */
    public Need {
        conditions = List.copyOf(conditions);
    }

    /** Required when another reading has one of these values. */
    public static Need when(String name, Coded... values) {
        return REQUIRED.and(name, values);
    }

    /** Possible, but not required, when another reading has one of these values. */
    public static Need optionalWhen(String name, Coded... values) {
        return OPTIONAL.and(name, values);
    }

    /** … and another reading has one of these values. */
    public Need and(String name, Coded... values) {
        List<String> codes = new ArrayList<>();
        for (Coded value : values) {
            codes.add(value.code());
        }
        return and(new Condition(name, codes));
    }

    /** … and another reading is true. */
    public Need andTrue(String name) {
        return and(new Condition(name, List.of("true")));
    }

    /** … and another reading is false. */
    public Need andFalse(String name) {
        return and(new Condition(name, List.of("false")));
    }

    private Need and(Condition condition) {
        List<Condition> all = new ArrayList<>(conditions);
        all.add(condition);
        return new Need(required, all);
    }
}
