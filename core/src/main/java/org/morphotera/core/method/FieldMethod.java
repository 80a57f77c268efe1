package org.morphotera.core.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.DepthLayer;

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

    /** What an evaluated test shows. */
    Evidence<R> evidence();

    /** What its picture goes by. */
    default Capture capture() {
        return Capture.PLAIN;
    }

    /**
     * What must be said at once, while entry is still partial: dangers, before anything can be evaluated. The
     * evaluation says the same.
     *
     * @param entered plain tree of what was entered so far, in any state
     */
    default List<Evaluation.Note> warnings(Map<String, Object> entered) {
        return List.of();
    }

    /** The code of the class by which it is context for others, as the card names it; {@code null} where it found none. */
    default Object contextCode(Envelope envelope) {
        return envelope.classes().get(card().contextClass());
    }

    /** The layers in which a full visit reads it, the usual one first; empty for what lies above the ground. */
    default List<DepthLayer> layers() {
        MethodCard card = card();
        return card.usualTopMm() == null ? List.of() : List.of(new DepthLayer(card.usualTopMm(), card.usualBottomMm()));
    }
}
