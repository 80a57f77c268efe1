package org.morphotera.core.method;

import java.util.List;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * What an evaluated test shows of the soil's properties, in the words of the evidence tables, and what it can be drawn
 * as in the ground.
 *
 * @param <R> the method's readings
 */
@FunctionalInterface
public interface Evidence<R extends Record> {

    /**
     * What it shows; an empty list for a method that speaks of no constraint.
     *
     * @param layer that was sampled, or {@code null}
     */
    List<Sighting> sightings(R readings, Envelope envelope, DepthLayer layer);

    /** Whether what it sees is drawn in the ground; no, unless the method says otherwise. */
    default boolean marksGround() {
        return false;
    }

    /** What it saw that can be drawn in the ground; only for one that {@link #marksGround}. */
    default List<GroundMark> marks(R readings, Envelope envelope, DepthLayer layer) {
        return List.of();
    }

    /** Where its figure comes from: an instrument, unless the method says otherwise. */
    default Source source(R readings) {
        return Source.METER;
    }

    /**
     * The layer that its ratings speak for.
     *
     * @param layer that was sampled, or {@code null}
     */
    default DepthLayer rated(R readings, DepthLayer layer) {
        return layer;
    }

    /** Code of the instrument, key or water by which the figure came about; {@code null} where it makes no difference. */
    default String kind(R readings, Envelope envelope) {
        return null;
    }

    /** Whether figures of two kinds mean other things, so that no change between them can be told. */
    default boolean kindsNeverCompare() {
        return false;
    }

    /** Whether what was read forbids to judge an indicator, such as dispersion in tap water. */
    default boolean hides(String indicator, Envelope envelope) {
        return false;
    }
}
