package org.morphotera.core.plan.calculator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Outcome;

class CoverMixtureTest {

    private static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());
    private static final Table SPECIES = CoreData.BENCHMARKS.table("cover.species");

    private static List<String> mixture(Map<String, Object> inputs) {
        return ((Outcome.Evaluated) ALL.evaluate("cover-crop", Map.of("inputs", inputs), CoreData.BENCHMARKS))
                .evaluation().series().get("mixture").stream()
                        .map(row -> (String) row.get("species"))
                        .toList();
    }

    private static Map<String, Object> any(Random random) {
        Map<String, Object> inputs = new LinkedHashMap<>();
        List<String> aims = new ArrayList<>();
        for (CoverCrop.Aim aim : CoverCrop.Aim.values()) {
            if (random.nextInt(4) == 0) {
                aims.add(aim.code());
            }
        }
        inputs.put("aims", aims.isEmpty() ? List.of("crumbs") : aims);
        if (random.nextBoolean()) {
            inputs.put("season", List.of("spring", "summer", "autumn").get(random.nextInt(3)));
        }
        if (random.nextBoolean()) {
            inputs.put(
                    "following", List.of("oilseed", "cereal", "bean", "potato").get(random.nextInt(4)));
        }
        if (random.nextBoolean()) {
            inputs.put("phWater", 4.8 + 3 * random.nextDouble());
        }
        if (random.nextBoolean()) {
            inputs.put("ece", 12 * random.nextDouble());
        }
        if (random.nextBoolean()) {
            inputs.put("stay", List.of("short", "winter", "years").get(random.nextInt(3)));
        }
        List<String> all = List.copyOf(SPECIES.rows().keySet());
        inputs.put("without", all.get(random.nextInt(all.size())) + ", " + all.get(random.nextInt(all.size())));
        inputs.put("wet", random.nextInt(4) == 0);
        return inputs;
    }

    @Test
    void itIsOfTwoToFiveSpeciesThatTheGroundLetsGrow() {
        Random random = new Random(11);
        for (int i = 0; i < 3000; i++) {
            Map<String, Object> inputs = any(random);
            List<String> mixture = mixture(inputs);
            assertThat(mixture)
                    .as(inputs.toString())
                    .hasSizeLessThanOrEqualTo(5)
                    .doesNotHaveDuplicates();
            for (String each : mixture) {
                assertThat((String) inputs.get("without")).doesNotMatch("(.*, )?" + each + "(,.*)?");
                if (inputs.get("ece") instanceof Double ece && ece >= 8) {
                    assertThat(SPECIES.at(each, "salt")).as(each).isGreaterThanOrEqualTo(2);
                }
                if (inputs.get("phWater") instanceof Double ph && ph < 5.2) {
                    assertThat(SPECIES.at(each, "acid")).as(each).isGreaterThanOrEqualTo(2);
                }
                if ("oilseed".equals(inputs.get("following"))) {
                    assertThat(SPECIES.at(each, "brassica")).as(each).isZero();
                }
                if ("cereal".equals(inputs.get("following"))) {
                    assertThat(SPECIES.at(each, "cereal")).as(each).isZero();
                }
            }
        }
    }

    /** Otherwise a species would stand in the table for nothing. */
    @Test
    void everySpeciesIsTheRightOneSomewhere() {
        Random random = new Random(12);
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < 20_000; i++) {
            seen.addAll(mixture(any(random)));
        }
        assertThat(seen).containsAll(SPECIES.rows().keySet());
    }

    @ParameterizedTest
    @CsvSource({
        "layer nitrogen",
        "layer crumbs nitrogen",
        "salt crumbs",
        "waterlogging nitrogen",
        "catch-nitrogen erosion"
    })
    void everyAimIsAnsweredByOneOfThem(String aims) {
        List<String> wanted = List.of(aims.split(" "));
        List<String> mixture = mixture(Map.of("aims", wanted));
        assertThat(mixture).hasSizeGreaterThanOrEqualTo(2);
        for (String aim : wanted) {
            assertThat(mixture).as(aim).anyMatch(each -> SPECIES.at(each, aim) >= 2);
        }
    }
}
