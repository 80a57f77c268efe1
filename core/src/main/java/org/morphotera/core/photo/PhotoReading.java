package org.morphotera.core.photo;

import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.result.Evaluation;

/**
 * Readings of a field method proposed from pictures. What is proposed is for a person to confirm or to change.
 *
 * @param <R> what is said of the pictures
 */
public interface PhotoReading<R extends Record> {

    /** Such as {@code cover}. */
    String kind();

    /** The field method whose readings are proposed; its texts name the figures too. */
    String method();

    /** Names of the pictures, in order: one, or {@code before} and {@code after}. */
    default List<String> pictures() {
        return List.of("image");
    }

    /** Names each input once. */
    R read(Fields fields);

    /** @param pictures as many as there are names, each with something to be seen on it */
    Answer propose(R inputs, List<Picture> pictures);

    /**
     * How much of a proposal was recorded as it stood.
     *
     * @param proposed as {@link #propose} gave it
     * @param recorded readings of the method
     */
    Agreed agreed(Map<String, ?> proposed, Map<String, ?> recorded);

    /**
     * Draws pictures of what a test reads: for sample data, and for a soil that is made up.
     *
     * @param readings of the method, as they would be recorded; what is missing is drawn as usual
     * @param chance evenly in 0..1; the same draws the same
     * @return as many as there are names
     */
    List<Drawn> draw(Map<String, ?> readings, Taken how, DoubleSupplier chance);

    /** A figure of readings in any state; {@code otherwise} where there is none. */
    static double figure(Map<?, ?> readings, String name, double otherwise) {
        return readings.get(name) instanceof Number figure ? figure.doubleValue() : otherwise;
    }

    /** What comes of a look at pictures. */
    sealed interface Answer {

        /** @param readings of the method; what no picture tells is not among them */
        record Proposed(Evaluation evaluation, Map<String, Object> readings) implements Answer {}

        /** The pictures, or what was said of them, are of no use. */
        record Refused(List<Fault> faults) implements Answer {}
    }

    /** Refuses for one reason. */
    static Answer refused(String field, String code) {
        return new Answer.Refused(List.of(new Fault(field, code, Map.of())));
    }
}
