package org.morphotera.core.method;

import java.util.Set;
import org.morphotera.core.soil.Source;

/**
 * What one test at one stop shows, in the words of the evidence tables: a figure or a state.
 *
 * @param figure in the unit of the finding's bands, or {@code null} when it is a state
 * @param state a state's name, or {@code null} when it is a figure
 * @param marks codes of the notes that were made on it and of the kind it was read by: what may make it count less
 */
public record Sighting(String finding, Double figure, String state, Set<String> marks, Source source) {

    /** Keeps the marks as they are now. */
    public Sighting {
        marks = Set.copyOf(marks);
    }

    /** A figure in the unit of the finding's bands. */
    public static Sighting of(String finding, double figure) {
        return new Sighting(finding, figure, null, Set.of(), Source.METER);
    }

    /** A state of those that the evidence tables name. */
    public static Sighting of(String finding, String state) {
        return new Sighting(finding, null, state, Set.of(), Source.METER);
    }

    /** Seen or looked for in vain. */
    public static Sighting of(String finding, boolean there) {
        return of(finding, there ? "yes" : "no");
    }

    /** The same with where it comes from and what was noted on it. */
    public Sighting with(Source from, Set<String> noted) {
        return new Sighting(finding, figure, state, noted, from);
    }
}
