package org.morphotera.core.limits;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Source;

/**
 * A finding of a place: the state it was sorted into and how far it can be trusted.
 *
 * @param chances of each state by what was read alone, adding up to 1; {@code null} where the state is certain
 * @param weight share of its evidence that counts, 0..1
 * @param less why it counts less, as codes under {@code less} in the texts
 * @param source where it comes from
 * @param figure the middle, or {@code null} for what is a state
 */
public record Found(
        String state,
        @Nullable Map<String, Double> chances,
        double weight,
        List<String> less,
        Source source,
        @Nullable Double figure) {

    /** A finding whose every source weighs this or less is invalid: it cannot name a limit by itself. */
    public static final double INVALID_UP_TO = 0.5;

    /** Keeps the list as it is now. */
    public Found {
        less = List.copyOf(less);
    }

    /** A state that is certain. */
    public Found(String state, double weight, List<String> less, Source source, @Nullable Double figure) {
        this(state, null, weight, less, source, figure);
    }

    /** The chance of a state. */
    double chance(String of) {
        return chances == null ? of.equals(state) ? 1 : 0 : chances.getOrDefault(of, 0.0);
    }

    /** The same, silent. */
    Found silent(String why) {
        return new Found(state, chances, 0, List.of(why), source, figure);
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
