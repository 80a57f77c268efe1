package org.morphotera.server.methods;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** Calls the core and turns what it refuses into the API's error. */
@Component
public class Evaluator {

    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;

    Evaluator(MethodRegistry methods, Benchmarks benchmarks, Messages messages) {
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /**
     * @param body a plain tree with readings and context
     * @throws RefusedException naming every fault
     * @throws NotFoundException when there is no such method
     */
    public Envelope evaluate(String method, Object body) {
        if (!methods.has(method)) {
            throw new NotFoundException("method");
        }
        Outcome outcome = methods.evaluate(method, body, benchmarks);
        if (outcome instanceof Outcome.Evaluated evaluated) {
            return Envelope.of(evaluated.evaluation(), messages);
        }
        throw new RefusedException(FaultText.of(((Outcome.Refused) outcome).faults(), messages));
    }

    public Envelope evaluate(String method, Map<String, Object> readings, Map<String, Object> context) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("readings", readings);
        body.put("context", context);
        return evaluate(method, body);
    }

    /**
     * Looks for faults without evaluating; readings that have none here are not refused anywhere.
     *
     * @throws RefusedException naming every fault
     */
    public void check(String method, Map<String, Object> readings) {
        List<Fault> faults = methods.check(method, readings);
        if (!faults.isEmpty()) {
            throw new RefusedException(FaultText.of(faults, messages));
        }
    }
}
