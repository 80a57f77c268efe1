package org.morphotera.core.day;

/**
 * A plan as found by a search.
 *
 * @param person of each step
 * @param start of each step, min
 * @param late sum of what waits exceed their most by, min
 * @param finish end of the last step, min
 */
record Schedule(int[] person, double[] start, double late, double finish) {

    /** Nearer than this two times are the same. */
    static final double SAME = 1e-7;
}
