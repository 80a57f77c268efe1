package org.morphotera.core;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;

/** Answers worked out on the JVM, as the tree that the API would send. */
public final class JvmAnswers {

    private JvmAnswers() {}

    public static Map<String, Object> to(String method, Object body) {
        return to(Methods.all(), CoreData.BENCHMARKS, CoreData.MESSAGES, method, body);
    }

    /** A calculator's answer. */
    public static Map<String, Object> to(CalculatorRegistry calculators, String calculator, Object body) {
        return tree(calculators.evaluate(calculator, body, CoreData.BENCHMARKS), CoreData.MESSAGES);
    }

    /** What is proposed of pictures. */
    public static Map<String, Object> look(String kind, Object inputs, List<Picture> pictures) {
        PhotoReading.Answer answer = PhotoKinds.all().propose(kind, inputs, pictures);
        if (answer instanceof PhotoReading.Answer.Proposed proposed) {
            Map<String, Object> tree = tree(new Outcome.Evaluated(proposed.evaluation()), CoreData.MESSAGES);
            tree.put("proposal", proposed.readings());
            return tree;
        }
        return tree(new Outcome.Refused(((PhotoReading.Answer.Refused) answer).faults()), CoreData.MESSAGES);
    }

    static Map<String, Object> to(
            MethodRegistry methods, Benchmarks benchmarks, Messages messages, String method, Object body) {
        return tree(methods.evaluate(method, body, benchmarks), messages);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> tree(Outcome outcome, Messages messages) {
        if (outcome instanceof Outcome.Evaluated evaluated) {
            return WorkedCase.JSON.convertValue(Envelope.of(evaluated.evaluation(), messages), Map.class);
        }
        List<FaultText> faults = FaultText.of(((Outcome.Refused) outcome).faults(), CoreData.MESSAGES);
        return Map.of("errors", WorkedCase.JSON.convertValue(faults, List.class));
    }
}
