package org.morphotera.core.method;

import java.util.List;

/** What comes of an attempt to evaluate: an evaluation, or every fault of what was sent. */
public sealed interface Outcome {

    record Evaluated(Evaluation evaluation) implements Outcome {}

    record Refused(List<Fault> faults) implements Outcome {}
}
