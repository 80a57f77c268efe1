package org.morphotera.core;

import java.util.List;
import java.util.Map;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;

/** Answers worked out on the JVM, as the tree that the API would send. */
public final class JvmAnswers {

    private JvmAnswers() {}

    @SuppressWarnings("unchecked")
    public static Map<String, Object> to(String method, Object body) {
        Outcome outcome = Methods.all().evaluate(method, body, CoreData.BENCHMARKS);
        if (outcome instanceof Outcome.Evaluated evaluated) {
            Envelope envelope = Envelope.of(evaluated.evaluation(), CoreData.MESSAGES);
            return WorkedCase.JSON.convertValue(envelope, Map.class);
        }
        List<FaultText> faults = FaultText.of(((Outcome.Refused) outcome).faults(), CoreData.MESSAGES);
        return Map.of("errors", WorkedCase.JSON.convertValue(faults, List.class));
    }
}
