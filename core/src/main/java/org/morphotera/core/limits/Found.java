package org.morphotera.core.limits;

import java.util.List;
import org.morphotera.core.soil.Source;

/**
 * A finding of a field: the state it was sorted into and how far it can be trusted.
 *
 * @param weight share of its evidence that counts, 0..1
 * @param less why it counts less, as codes under {@code less} in the texts
 * @param source where it comes from
 * @param figure the middle over the stops, or {@code null} for what is a state
 */
public record Found(String state, double weight, List<String> less, Source source, Double figure) {

    /** A finding whose every source weighs this or less is invalid: it cannot name a limit by itself. */
    public static final double INVALID_UP_TO = 0.5;

    /** Keeps the list as it is now. */
    public Found {
        less = List.copyOf(less);
    }

    /** A state that counts in full. */
    public static Found whole(String state) {
        return new Found(state, 1, List.of(), Source.METER, null);
    }

    /** Whether it may name a limit. */
    public boolean valid() {
        return weight > INVALID_UP_TO;
    }
}
