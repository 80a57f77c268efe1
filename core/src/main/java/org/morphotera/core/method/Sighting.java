package org.morphotera.core.method;

/**
 * One thing that a test shows at one stop, in the words of the evidence tables: a figure to be sorted into states, or
 * a state. Exactly one is given.
 *
 * @param finding id in the evidence tables
 */
public record Sighting(String finding, Double figure, String state) {

    /** A figure. */
    public static Sighting of(String finding, double figure) {
        return new Sighting(finding, figure, null);
    }

    /** A state. */
    public static Sighting of(String finding, String state) {
        return new Sighting(finding, null, state);
    }

    /** The state {@code yes} or {@code no}. */
    public static Sighting of(String finding, boolean there) {
        return new Sighting(finding, null, there ? "yes" : "no");
    }
}
