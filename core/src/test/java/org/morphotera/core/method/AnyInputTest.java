package org.morphotera.core.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;

/**
 * Whatever is sent, a method evaluates or names faults; whatever it evaluates is finite and in order. Seeded; the
 * number of inputs a method gets is the system property {@code fuzz.inputs}.
 */
public class AnyInputTest {

    private static final int INPUTS = Integer.getInteger("fuzz.inputs", 200);

    static List<String> methods() {
        return Methods.all().all().stream().map(method -> method.card().id()).toList();
    }

    @ParameterizedTest
    @MethodSource("methods")
    void readingsWithinLimitsGiveFiniteFigures(String id) {
        Random random = new Random(id.hashCode());
        FieldMethod<?> method = Methods.all().get(id);
        int evaluated = 0;
        for (int i = 0; i < INPUTS; i++) {
            Map<String, Object> body = new LinkedHashMap<>();
            body.put("readings", RandomFields.sound(method, random));
            body.put("context", RandomFields.tree(Context::read, random));
            Outcome outcome = Methods.all().evaluate(id, body, CoreData.BENCHMARKS);
            if (outcome instanceof Outcome.Evaluated done) {
                evaluated++;
                assertSound(done.evaluation(), body);
            }
        }
        assertThat(evaluated).as("evaluated of " + INPUTS).isGreaterThan(INPUTS / 2);
    }

    @ParameterizedTest
    @MethodSource("methods")
    void spoiltReadingsAreEvaluatedOrRefusedWithNamedFaults(String id) {
        Random random = new Random(7L * id.hashCode());
        FieldMethod<?> method = Methods.all().get(id);
        int refused = 0;
        for (int i = 0; i < INPUTS; i++) {
            Object readings = spoil(RandomFields.sound(method, random), random);
            Map<String, Object> body = new LinkedHashMap<>();
            body.put("readings", readings);
            body.put(
                    "context", random.nextInt(4) == 0 ? spoil(RandomFields.tree(Context::read, random), random) : null);
            Outcome outcome = Methods.all().evaluate(id, body, CoreData.BENCHMARKS);
            if (outcome instanceof Outcome.Evaluated done) {
                assertSound(done.evaluation(), body);
            } else {
                refused++;
                List<Fault> faults = ((Outcome.Refused) outcome).faults();
                assertThat(faults).as("faults of %s", body).isNotEmpty();
                for (FaultText text : FaultText.of(faults, CoreData.MESSAGES)) {
                    assertThat(text.message()).as("text of %s", text.code()).doesNotStartWith("fault.");
                }
            }
        }
        assertThat(refused).as("refused of " + INPUTS).isPositive();
    }

    public static void assertSound(Evaluation evaluation, Object body) {
        assertThat(evaluation.outsideIntervals())
                .as("outside of their intervals in %s", body)
                .isEmpty();
        evaluation.values().forEach((name, value) -> {
            assertThat(value.value()).as("%s of %s", name, body).isFinite();
            if (value.low() != null) {
                assertThat(value.low())
                        .as("low of %s, %s", name, body)
                        .isFinite()
                        .isLessThanOrEqualTo(value.value());
            }
            if (value.high() != null) {
                assertThat(value.high())
                        .as("high of %s, %s", name, body)
                        .isFinite()
                        .isGreaterThanOrEqualTo(value.value());
            }
        });
        for (Evaluation.Rating rating : evaluation.ratings()) {
            if (rating.standing() != null) {
                assertThat(rating.standing())
                        .as("%s of %s", rating.indicator(), body)
                        .isBetween(0.0, 1.0);
            }
        }
        Envelope envelope = Envelope.of(evaluation, CoreData.MESSAGES);
        for (Envelope.NoteText note : envelope.notes()) {
            assertThat(note.text())
                    .as(note.code())
                    .doesNotContain("common.note.")
                    .doesNotContain("{");
        }
        for (Envelope.RatingText rating : envelope.ratings()) {
            assertThat(rating.why())
                    .as(rating.indicator())
                    .doesNotContain("common.why.")
                    .doesNotContain("–");
        }
        for (Envelope.WorkingText line : envelope.working()) {
            assertThat(line.label() + line.formula() + line.numbers())
                    .doesNotContain("common.")
                    .doesNotContain("–");
        }
    }

    /** The same tree with one thing in it replaced by something unexpected. */
    public static Object spoil(Object tree, Random random) {
        if (tree instanceof Map<?, ?> map && !map.isEmpty() && random.nextInt(8) > 0) {
            Map<Object, Object> copy = new LinkedHashMap<>(map);
            List<Object> keys = new ArrayList<>(copy.keySet());
            Object key = keys.get(random.nextInt(keys.size()));
            switch (random.nextInt(4)) {
                case 0 -> copy.remove(key);
                case 1 -> copy.put("unheard-of", 1);
                default -> copy.put(key, spoil(copy.get(key), random));
            }
            return copy;
        }
        if (tree instanceof List<?> list && !list.isEmpty() && random.nextInt(4) > 0) {
            List<Object> copy = new ArrayList<>(list);
            int index = random.nextInt(copy.size());
            copy.set(index, spoil(copy.get(index), random));
            return copy;
        }
        Object[] odd = {
            null,
            Double.NaN,
            Double.POSITIVE_INFINITY,
            -1e308,
            1e308,
            -0.0,
            4.9e-324,
            0,
            -1,
            "",
            "\u0000",
            "holds",
            "NaN",
            true,
            List.of(),
            Map.of(),
            List.of(Map.of()),
            Map.of("a", Map.of("b", List.of())),
            0.5,
            1e9
        };
        return odd[random.nextInt(odd.length)];
    }
}
