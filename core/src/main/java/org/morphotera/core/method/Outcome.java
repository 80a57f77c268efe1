package org.morphotera.core.method;

import java.util.List;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.result.Evaluation;

/** What comes of an attempt to evaluate: an evaluation, or every fault of what was sent. */
public sealed interface Outcome {

    record Evaluated(Evaluation evaluation) implements Outcome {}

    record Refused(List<Fault> faults) implements Outcome {}
}
