package org.morphotera.core.calculator;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.result.Evaluation;

/**
 * One calculation of an amendment or of management. Stateless and pure. Its texts stand in the message catalogue under
 * its id.
 *
 * @param <R> the calculator's inputs
 */
public interface Calculator<R extends Record> {

    /** Such as {@code lime}. */
    String id();

    /** Names each input once, with unit, range and need. Only constructs, never computes. */
    R read(Fields fields);

    /** Names of the inputs that belong to the product as bought, such as its strength and its price. */
    default List<String> ofProduct() {
        return List.of();
    }

    /** Adds contradictions between inputs. */
    default void check(R inputs, Faults faults) {}

    /** Adds contradictions between inputs that show only beside the benchmarks; all of them, so the others too. */
    default void check(R inputs, Benchmarks benchmarks, Faults faults) {
        check(inputs, faults);
    }

    /**
     * Takes from random inputs the contradictions that {@link #check} would refuse. For property tests.
     *
     * @param tree inputs within their single limits; changed in place
     */
    default void makeSound(Map<String, Object> tree, Random random) {}

    Evaluation evaluate(R inputs, Benchmarks benchmarks);
}
