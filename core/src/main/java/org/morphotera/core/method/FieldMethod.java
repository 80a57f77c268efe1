package org.morphotera.core.method;

import org.morphotera.core.benchmark.Benchmarks;

/**
 * One field test. Stateless and pure: the same readings, context and benchmarks give the same evaluation.
 *
 * @param <R> the method's readings
 */
public interface FieldMethod<R extends Record> {

    MethodCard card();

    /**
     * Names each reading once, with unit, range and need. Called with different {@link Fields} to parse, to describe
     * and to make up readings; so it only constructs, and never computes on what it gets.
     */
    R read(Fields fields);

    /** Adds what single readings can't show: contradictions between them. */
    default void check(R readings, Faults faults) {}

    /** Works out figures, classes, ratings, notes and series from readings that {@link #check} found in order. */
    Evaluation evaluate(R readings, Context context, Benchmarks benchmarks);
}
