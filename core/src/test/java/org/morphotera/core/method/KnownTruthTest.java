package org.morphotera.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.result.Evaluation;

/** Methods on grounds whose truth is known, made by mechanisms that are not their own formulas. */
class KnownTruthTest {

    private static final MethodRegistry METHODS = Methods.all();

    private static Evaluation evaluate(String method, Map<String, Object> readings, Map<String, Object> context) {
        Outcome outcome =
                METHODS.evaluate(method, Map.of("readings", readings, "context", context), CoreData.BENCHMARKS);
        assertThat(outcome).isInstanceOf(Outcome.Evaluated.class);
        return ((Outcome.Evaluated) outcome).evaluation();
    }

    private static double value(Evaluation evaluation, String name) {
        return evaluation.values().get(name).value();
    }

    /** A hole drains through its floor and its wet wall alike, Q = K (πr² + 2πrh); the fall is stepped in seconds. */
    @ParameterizedTest
    @CsvSource({"100, 20", "100, 5", "35, 20", "110, 80"})
    void theHoleTellsTheSoilWhateverTheWidthOfTheAuger(double radiusMm, double permeability) {
        List<Map<String, Object>> points = new ArrayList<>();
        double h = 280;
        for (int second = 0; second <= 3600; second++) {
            if (second % 600 == 0) {
                points.add(Map.of("minute", second / 60.0, "mm", h));
            }
            h -= permeability / 3600 * (1 + 2 * h / radiusMm);
            if (h < 30) {
                break;
            }
        }
        Evaluation hole = evaluate(
                "hole-drainage",
                Map.of(
                        "mode",
                        "stepped",
                        "holeDiameterMm",
                        2 * radiusMm,
                        "holeDepthMm",
                        300,
                        "presoaked",
                        true,
                        "measure",
                        "water-depth",
                        "points",
                        points),
                Map.of());
        assertThat(value(hole, "fieldPermeability")).isCloseTo(permeability, within(0.01 * permeability));
        // what a ruler sees is more than what goes straight down
        assertThat(value(hole, "plainMeanRate")).isGreaterThan(1.5 * permeability);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 2, 6, 15})
    void theIntervalOfWormsHoldsTheTruthNineteenTimesInTwenty(double perBlock) {
        Random random = new Random(17);
        int held = 0;
        int rounds = 1500;
        for (int i = 0; i < rounds; i++) {
            List<Map<String, Object>> blocks = new ArrayList<>();
            for (int b = 0; b < 3; b++) {
                blocks.add(Map.of(
                        "lengthMm",
                        200,
                        "widthMm",
                        200,
                        "depthMm",
                        200,
                        "adults",
                        poisson(perBlock, random),
                        "juveniles",
                        0));
            }
            Evaluation.Value density = evaluate("earthworms", Map.of("blocks", blocks), Map.of())
                    .values()
                    .get("perM2");
            double truth = perBlock / 0.04;
            held += density.low() <= truth && truth <= density.high() ? 1 : 0;
        }
        // the exact interval is never short of its promise
        assertThat((double) held / rounds).isGreaterThanOrEqualTo(0.94);
    }

    private static int poisson(double mean, Random random) {
        double limit = Math.exp(-mean);
        double product = random.nextDouble();
        int count = 0;
        while (product > limit) {
            product *= random.nextDouble();
            count++;
        }
        return count;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.1, 0.5, 0.72, 0.95})
    void theIntervalOfCoverHoldsTheTruthAboutNineteenTimesInTwenty(double cover) {
        Random random = new Random(23);
        int held = 0;
        int rounds = 2000;
        for (int i = 0; i < rounds; i++) {
            List<String> points = new ArrayList<>();
            for (int p = 0; p < 50; p++) {
                points.add(random.nextDouble() < cover ? "living" : "bare");
            }
            Evaluation.Value read = evaluate("ground-cover", Map.of("points", points), Map.of())
                    .values()
                    .get("coverPct");
            held += read.low() <= 100 * cover && 100 * cover <= read.high() ? 1 : 0;
        }
        assertThat((double) held / rounds).isBetween(0.92, 0.99);
    }

    /** Strength that grows evenly with depth meets the limit where the line says, on any tip. */
    @ParameterizedTest
    @CsvSource({"6.5, 12.7", "9, 12.7", "9, 19.05"})
    void theProbeFindsTheDepthOfItsLimit(double kPaPerMm, double tipMm) {
        double limit = CoreData.BENCHMARKS.table("penetration.limit").at("roots", "kPa");
        double scaleMm = 12.7;
        // the gauge's scale is for the small tip: a larger tip pushes against more ground
        double shown = Math.pow(tipMm / scaleMm, 2);
        List<Map<String, Object>> readings = new ArrayList<>();
        for (int depth = 75; depth <= 450; depth += 75) {
            readings.add(Map.of("depthMm", depth, "kPa", kPaPerMm * depth * shown));
        }
        Map<String, Object> push = Map.of("readings", readings);
        Evaluation probe = evaluate(
                "penetration",
                Map.of(
                        "tipDiameterMm", tipMm,
                        "scaleTipDiameterMm", scaleMm,
                        "probes", List.of(push, push, push)),
                Map.of());
        assertThat(value(probe, "limitDepthMm")).isCloseTo(limit / kPaPerMm, within(0.01));
        assertThat(probe.notes().stream().anyMatch(note -> note.code().equals("WRONG_SCALE_CORRECTED")))
                .isEqualTo(tipMm != scaleMm);
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 15, 25, 32})
    void saltIsTheSameWhateverTheWaterWas(double tempC) {
        // conductivity of a salt solution: two per cent more for each degree over 25
        double at25 = 1.6;
        double shown = at25 * (1 + 0.02 * (tempC - 25));
        Evaluation salt = evaluate(
                "salinity",
                Map.of("mode", "slurry-1to1", "compensated", false, "tempC", tempC, "readings", List.of(shown, shown)),
                Map.of("textureClass", "loam"));
        assertThat(value(salt, "ec")).isCloseTo(at25, within(1e-9));
    }

    /** Microbes that breathe twice as fast for every ten degrees give the same breath at 21 °C. */
    @ParameterizedTest
    @ValueSource(doubles = {8, 15, 21, 30})
    void breathIsBroughtToOneTemperature(double tempC) {
        double shown = 40 * Math.pow(2, (tempC - 21) / 10);
        Evaluation breath = evaluate(
                "respiration",
                Map.of("co2MgKgDay", shown, "hours", 24, "incubationTempC", tempC, "sieved", false),
                Map.of());
        assertThat(value(breath, "co2At21")).isCloseTo(40, within(1e-6));
    }

    /** Layers of a jar that was read without a fault are the shares that were put in. */
    @Test
    void aJarReadAtItsOwnMarksGivesWhatWasPutIn() {
        Evaluation jar = evaluate(
                "texture-jar",
                Map.of(
                        "baseOffsetMm",
                        5,
                        "sandMm",
                        5 + 24,
                        "siltMm",
                        5 + 24 + 21,
                        "clayMm",
                        5 + 24 + 21 + 15,
                        "waterColumnMm",
                        150,
                        "waterTempC",
                        20,
                        "dispersant",
                        true,
                        "waterClearAtEnd",
                        true),
                Map.of());
        assertThat(value(jar, "sandPct")).isCloseTo(40, within(1e-9));
        assertThat(value(jar, "siltPct")).isCloseTo(35, within(1e-9));
        assertThat(value(jar, "clayPct")).isCloseTo(25, within(1e-9));
        assertThat(jar.classes()).containsEntry("textureClass", "loam");
    }
}
