package org.morphotera.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.result.Evaluation;

/** What must hold whatever the readings are. */
class PropertiesTest {

    private static final int DRAWS = 100;

    static List<String> methods() {
        return AnyInputTest.methods();
    }

    private static Evaluation evaluate(String method, Map<String, Object> readings, Map<String, Object> context) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("readings", readings);
        body.put("context", context);
        Outcome outcome = Methods.all().evaluate(method, body, CoreData.BENCHMARKS);
        return outcome instanceof Outcome.Evaluated done ? done.evaluation() : null;
    }

    private static double standing(Evaluation evaluation, String indicator) {
        return evaluation.ratings().stream()
                .filter(rating -> rating.indicator().equals(indicator) && rating.standing() != null)
                .findFirst()
                .orElseThrow()
                .standing();
    }

    @ParameterizedTest
    @MethodSource("methods")
    void theSameReadingsGiveTheSameEvaluation(String id) {
        Random random = new Random(31L * id.hashCode());
        for (int i = 0; i < DRAWS; i++) {
            Map<String, Object> readings = RandomFields.sound(Methods.all().get(id), random);
            assertThat(evaluate(id, readings, null)).isEqualTo(evaluate(id, readings, null));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "ground-cover, points",
        "leaf-colour, signs",
        "soil-temperature, areas",
        "penetration, probes",
        "earthworms, blocks",
        "crumb-stability, crumbs",
        "slump, clods",
        "salinity, readings",
        "lab-result, analytes",
        "structure, layers",
        "structure, fractions"
    })
    void theOrderOfReplicatesMakesNoDifference(String id, String list) {
        Random random = new Random(17);
        int compared = 0;
        for (int i = 0; i < 4 * DRAWS; i++) {
            Map<String, Object> readings = RandomFields.sound(Methods.all().get(id), random);
            Evaluation one = evaluate(id, readings, null);
            if (one == null || !(readings.get(list) instanceof List<?> replicates)) {
                continue;
            }
            List<Object> shuffled = new ArrayList<>(replicates);
            Collections.shuffle(shuffled, random);
            Map<String, Object> other = new LinkedHashMap<>(readings);
            other.put(list, shuffled);
            Evaluation two = evaluate(id, other, null);
            one.values()
                    .forEach((name, value) -> assertThat(two.values().get(name).value())
                            .as(name)
                            .isCloseTo(value.value(), within(1e-7 * Math.max(1, Math.abs(value.value())))));
            assertThat(two.values().keySet()).isEqualTo(one.values().keySet());
            assertThat(two.notes().stream().map(Evaluation.Note::code))
                    .containsExactlyInAnyOrderElementsOf(
                            one.notes().stream().map(Evaluation.Note::code).toList());
            compared++;
        }
        assertThat(compared).isPositive();
    }

    @ParameterizedTest
    @ValueSource(strings = {"sand", "loam", "clay"})
    void moreWormsNeverLowerStanding(String texture) {
        double before = 0;
        for (int worms = 0; worms <= 60; worms++) {
            Map<String, Object> block = Map.of(
                    "lengthMm", 200, "widthMm", 200, "depthMm", 300, "adults", worms / 2, "juveniles", (worms + 1) / 2);
            Evaluation found = evaluate(
                    "earthworms", Map.of("blocks", List.of(block, block, block)), Map.of("textureClass", texture));
            double standing = standing(found, "earthworms");
            assertThat(standing).isGreaterThanOrEqualTo(before);
            before = standing;
        }
        assertThat(before).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"3, 8", "12, 40", "0, 1"})
    void theIntervalOfACountHoldsItAndNarrowsWithMoreBlocks(int adults, int juveniles) {
        Map<String, Object> block =
                Map.of("lengthMm", 200, "widthMm", 200, "depthMm", 300, "adults", adults, "juveniles", juveniles);
        double before = Double.POSITIVE_INFINITY;
        for (int blocks = 1; blocks <= 6; blocks++) {
            Evaluation.Value density = evaluate(
                            "earthworms", Map.of("blocks", Collections.nCopies(blocks, block)), null)
                    .values()
                    .get("perM2");
            double width = density.high() - density.low();
            assertThat(density.low()).isLessThan(density.value());
            assertThat(density.high()).isGreaterThan(density.value());
            assertThat(width).isLessThan(before);
            before = width;
        }
    }

    @ParameterizedTest
    @MethodSource("methods")
    void standingLiesWithinItsInterval(String id) {
        Random random = new Random(5L * id.hashCode());
        for (int i = 0; i < DRAWS; i++) {
            Evaluation found = evaluate(id, RandomFields.sound(Methods.all().get(id), random), null);
            if (found != null) {
                found.ratings().stream()
                        .filter(rating -> rating.low() != null && rating.standing() != null)
                        .forEach(rating -> {
                            assertThat(rating.low()).isBetween(0.0, rating.standing());
                            assertThat(rating.high()).isBetween(rating.standing(), 1.0);
                        });
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"texture-jar", "texture-feel"})
    void sharesOfATextureAddUpToAHundred(String id) {
        Random random = new Random(23);
        for (int i = 0; i < DRAWS; i++) {
            Evaluation found = evaluate(id, RandomFields.sound(Methods.all().get(id), random), null);
            if (found == null) {
                continue;
            }
            assertThat(sum(found, "sandPct", "siltPct", "clayPct")).isCloseTo(100, within(0.2));
            if (id.equals("texture-jar") && found.values().containsKey("adjustedClayPct")) {
                assertThat(sum(found, "adjustedSandPct", "adjustedSiltPct", "adjustedClayPct"))
                        .isCloseTo(100, within(1e-6));
                double total = found.series().get("classProbabilities").stream()
                        .mapToDouble(row -> (Double) row.get("probability"))
                        .sum();
                assertThat(total).isCloseTo(1, within(1e-6));
            }
        }
    }

    @Test
    void layersOfOneScoreKeepThatScoreWhateverTheirThickness() {
        List<Map<String, Object>> layers = new ArrayList<>();
        for (double thicknessMm : new double[] {2e-6, 2498.5955896848423, 5000, 2e-6}) {
            layers.add(Map.of("thicknessMm", thicknessMm, "score", 5.0));
        }
        Evaluation found = evaluate("structure", Map.of("key", "spade-block", "layers", layers), null);
        assertThat(found.values().get("score").value()).isEqualTo(5);
        assertThat(standing(found, "structure")).isZero();
    }

    private static double sum(Evaluation evaluation, String... names) {
        double sum = 0;
        for (String name : names) {
            sum += evaluation.values().get(name).value();
        }
        return sum;
    }
}
