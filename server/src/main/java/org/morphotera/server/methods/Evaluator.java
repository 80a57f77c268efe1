package org.morphotera.server.methods;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Calls the core and turns what it refuses into the API's error. */
@Component
public class Evaluator {

    private static final Logger LOG = LoggerFactory.getLogger(Evaluator.class);

    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final OwnRules own;
    private final Messages messages;

    Evaluator(MethodRegistry methods, Benchmarks benchmarks, OwnRules own, Messages messages) {
        this.own = own;
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
        return evaluate(method, body, benchmarks);
    }

    private Envelope evaluate(String method, Object body, Benchmarks benchmarks) {
        if (!methods.has(method)) {
            throw new NotFoundException("method");
        }
        Outcome outcome = methods.evaluate(method, body, benchmarks);
        if (outcome instanceof Outcome.Evaluated evaluated) {
            List<String> outside = evaluated.evaluation().outsideIntervals();
            if (!outside.isEmpty()) {
                LOG.warn("{}: {} outside of their own intervals", method, outside);
            }
            return Envelope.of(evaluated.evaluation(), messages);
        }
        throw new RefusedException(FaultText.of(((Outcome.Refused) outcome).faults(), messages));
    }

    /** By the benchmarks that are in force for a practice. */
    public Envelope evaluate(UUID practice, String method, Map<String, Object> readings, Map<String, Object> context) {
        return evaluate(own.benchmarks(practice), method, readings, context);
    }

    /** By benchmarks that were asked for once, for many tests one after the other. */
    public Envelope evaluate(Benchmarks by, String method, Map<String, Object> readings, Map<String, Object> context) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("readings", readings);
        body.put("context", context);
        return evaluate(method, body, by);
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
