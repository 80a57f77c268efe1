package org.morphotera.training.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.request.Judgements;

/** Plans of any fields say nothing that no plan may say. {@code -Dplans.fields=10000} runs the whole and prints it. */
class PlansTrialTest {

    private static final int FIELDS = Integer.getInteger("plans.fields", 500);

    private final MethodRegistry methods = Methods.all();
    private final Judgements judgements = new Judgements(
            methods, Calculators.ofPage(methods), CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    @Test
    void noPlanSaysWhatNoneMaySay() {
        Map<String, Integer> faults = new TreeMap<>();
        Map<String, String> first = new LinkedHashMap<>();
        Map<String, Integer> kinds = new TreeMap<>();
        Map<String, Integer> refused = new TreeMap<>();
        for (int i = 0; i < FIELDS; i++) {
            Map<String, Object> body = AnyField.draw(new Random(i), methods);
            Judgements.Result result = judgements.judge(body);
            assertThat(result.faults()).as("field " + i).isEmpty();
            result.answer().plan().proposals().forEach(each -> kinds.merge(each.kind(), 1, Integer::sum));
            result.answer()
                    .plan()
                    .refused()
                    .forEach(each ->
                            refused.merge(each.kind() + ": " + each.reason().split("[:.]")[0], 1, Integer::sum));
            List<String> found = PlanFaults.of(body, result.answer());
            for (String each : found) {
                faults.merge(each, 1, Integer::sum);
                first.putIfAbsent(each, "field " + i + ": " + result.answer().plan());
            }
        }
        System.out.printf("%d fields, proposed %s%n", FIELDS, kinds);
        refused.forEach((what, count) -> System.out.printf("  refused %5d  %s%n", count, what));
        faults.forEach(
                (what, count) -> System.out.printf("  FAULT %5d  %s, first on %s%n", count, what, first.get(what)));
        assertThat(faults).isEmpty();
        // a plan that proposes nothing has no faults either
        assertThat(kinds.keySet())
                .contains("lime", "gypsum", "leach", "drain", "loosen", "cover-crop", "compost", "fertilise");
    }
}
