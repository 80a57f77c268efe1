package org.morphotera.core.request;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.AnyInputTest;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RandomFields;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;

/** Whole fields sent in: any readings are judged with finite figures in order, or refused where they stand. */
class JudgementsTest {

    static final Judgements JUDGEMENTS = new Judgements(
            Methods.all(),
            Calculators.ofPage(Methods.all()),
            CoreData.BENCHMARKS,
            CoreData.EVIDENCE,
            CoreData.MESSAGES);

    private static final List<String> ROLES =
            List.of("routine", "routine", "poor", "good", "control", "reference", "wheel-track");

    /** Five stops and three visits with tests of any methods. */
    private static Map<String, Object> drawn(Random random) {
        List<Map<String, Object>> stops = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            stops.add(Map.of("id", "s" + i, "role", ROLES.get(random.nextInt(ROLES.size()))));
        }
        List<FieldMethod<?>> methods = Methods.all().all();
        List<Map<String, Object>> visits = new ArrayList<>();
        for (int t = 0; t < 3; t++) {
            List<Map<String, Object>> tests = new ArrayList<>();
            for (int i = 0; i < 25; i++) {
                FieldMethod<?> method = methods.get(random.nextInt(methods.size()));
                Map<String, Object> test = new LinkedHashMap<>();
                test.put("stopId", "s" + random.nextInt(5));
                test.put("method", method.card().id());
                if (random.nextInt(3) > 0) {
                    test.put("depthTopMm", 0);
                    test.put("depthBottomMm", 150 + 100 * random.nextInt(4));
                }
                Map<String, Object> readings = RandomFields.sound(method, random);
                test.put("readings", readings);
                Outcome alone =
                        Methods.all().evaluate(method.card().id(), Map.of("readings", readings), CoreData.BENCHMARKS);
                if (alone instanceof Outcome.Evaluated) {
                    tests.add(test);
                }
            }
            visits.add(Map.of(
                    "id",
                    "v" + t,
                    "visitedOn",
                    "20" + (20 + t) + "-0" + (1 + random.nextInt(9)) + "-10",
                    "person",
                    "p" + random.nextInt(2),
                    "measurements",
                    tests));
        }
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("field", Map.of("landUse", random.nextBoolean() ? "pasture" : "arable", "crop", "barley"));
        body.put("stops", stops);
        body.put("visits", visits);
        body.put(
                "events",
                List.of(
                        Map.of("happenedOn", "2020-11-01", "kind", "lime", "amount", 4),
                        Map.of("happenedOn", "2021-11-01", "kind", "compost", "stopIds", List.of("s0", "s1"))));
        return body;
    }

    private static void finite(Object tree, String at) {
        if (tree instanceof Map<?, ?> map) {
            map.forEach((key, value) -> finite(value, at + "." + key));
        } else if (tree instanceof List<?> list) {
            list.forEach(each -> finite(each, at));
        } else if (tree instanceof Double figure) {
            assertThat(figure).as(at).isFinite();
        }
    }

    @Test
    void anyReadingsAreJudgedWithFiguresInOrder() {
        Random random = new Random(28);
        int judged = 0;
        for (int i = 0; i < 30; i++) {
            Map<String, Object> body = drawn(random);
            Judgements.Result result = JUDGEMENTS.judge(body);
            if (result.answer() == null) {
                assertThat(result.faults()).isNotEmpty();
                continue;
            }
            judged++;
            JudgementAnswer answer = result.answer();
            answer.levels().forEach(each -> {
                assertThat(each.value()).as(each.toString()).isBetween(each.low() - 1e-9, each.high() + 1e-9);
                assertThat(each.score()).as(each.toString()).isBetween(each.scoreLow(), each.scoreHigh());
                assertThat(List.of(each.low(), each.high(), each.scoreLow(), each.scoreHigh()))
                        .as(each.toString())
                        .allSatisfy(figure -> assertThat(figure).isFinite());
            });
            answer.changes().forEach(each -> {
                assertThat(each.mean()).as(each.toString()).isBetween(each.low() - 1e-9, each.high() + 1e-9);
                assertThat(each.sentence())
                        .doesNotContain("{")
                        .doesNotContain("told.")
                        .doesNotContain("NaN");
                boolean sure = each.probability() >= 0.95;
                assertThat(each.verdict().equals("risen") || each.verdict().equals("fallen"))
                        .isEqualTo(sure);
                assertThat(each.told() && !sure).isFalse();
                if (sure && !each.ratio()) {
                    assertThat(each.verdict().equals("risen"))
                            .as(each.sentence())
                            .isEqualTo(each.later() > each.earlier());
                }
                each.events()
                        .forEach(event -> assertThat(event.sentence())
                                .doesNotContain("{")
                                .doesNotContain("did.")
                                .doesNotContain("NaN"));
            });
            answer.compare()
                    .forEach(pair -> pair.differences()
                            .forEach(each -> assertThat(each.sentence()).doesNotContain("{")));
        }
        assertThat(judged).isGreaterThan(15);
    }

    @Test
    void spoiltBodiesAreRefusedWithTexts() {
        Random random = new Random(29);
        int refused = 0;
        for (int i = 0; i < 60; i++) {
            Judgements.Result result = JUDGEMENTS.judge(AnyInputTest.spoil(drawn(random), random));
            for (Fault fault : result.faults()) {
                refused++;
                assertThat(FaultText.of(List.of(fault), CoreData.MESSAGES)
                                .get(0)
                                .message())
                        .as(fault.code())
                        .doesNotStartWith("fault.");
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void ownRulesTakeThePlaceOfBenchmarksAndBrokenOnesAreSaid() {
        Map<String, Object> body = drawn(new Random(3));
        body.put("rules", "[table model.ph]\nnonsense");
        assertThat(JUDGEMENTS.judge(body).faults()).extracting(Fault::code).contains("RULES_UNREADABLE");
    }
}
