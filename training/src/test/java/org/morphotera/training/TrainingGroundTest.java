package org.morphotera.training;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.limits.Constraint;
import org.morphotera.training.ground.SoilProperty;

class TrainingGroundTest {

    private final TrainingGround ground =
            new TrainingGround(Methods.all(), CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    private static Map<String, Object> deal(int seed, String level) {
        return Map.of("seed", seed, "level", level);
    }

    private static TrainingPlace place(int seed, Difficulty level) {
        return TrainingPlace.of(new Deal(seed, level, null));
    }

    /** The first seed of a level whose truth is just this. */
    private static int seedOf(Constraint constraint, Difficulty level) {
        return IntStream.range(0, 2000)
                .filter(seed -> List.copyOf(place(seed, level).truth().keySet()).equals(List.of(constraint)))
                .findFirst()
                .orElseThrow();
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> careful(Map<String, Object> deal, String method, Integer top, Integer bottom) {
        Map<String, Object> test = new LinkedHashMap<>();
        test.put("method", method);
        if (top != null) {
            test.put("topMm", top);
            test.put("bottomMm", bottom);
        }
        test.put("readings", ground.scene(deal, method, top == null ? 0 : top).get("readings"));
        return test;
    }

    @Test
    void theSameDealIsTheSamePlaceAndAnotherSeedIsNot() {
        assertThat(ground.deal(deal(7, "usual"))).isEqualTo(ground.deal(deal(7, "usual")));
        assertThat(ground.scene(deal(7, "usual"), "earthworms", 0))
                .isEqualTo(ground.scene(deal(7, "usual"), "earthworms", 0));
        long different = IntStream.range(0, 20)
                .mapToObj(seed -> ground.scene(deal(seed, "usual"), "penetration", 0))
                .distinct()
                .count();
        assertThat(different).isEqualTo(20);
    }

    @Test
    void whatIsNoDealIsRefusedByItsField() {
        assertThat(ground.deal(Map.of("seed", -1, "level", "clear")).toString()).contains("field=seed");
        assertThat(ground.deal(Map.of("seed", 1, "level", "royal")).toString()).contains("field=level");
        assertThat(ground.deal("seed")).containsKey("errors");
        assertThat(ground.verdict(Map.of("seed", 1), List.of(), null, null)).containsKey("errors");
    }

    @Test
    void aClearLevelHasOneStrongLimitOnAGoodDay() {
        for (int seed = 0; seed < 100; seed++) {
            TrainingPlace place = place(seed, Difficulty.CLEAR);
            assertThat(place.truth().values().iterator().next()).isGreaterThanOrEqualTo(0.8);
            assertThat(place.day().dry()).isFalse();
            assertThat(place.day().kitOnly()).isFalse();
        }
    }

    @Test
    void aHardLevelHasKitsAndBadDays() {
        List<TrainingPlace> places = IntStream.range(0, 100)
                .mapToObj(seed -> place(seed, Difficulty.HARD))
                .toList();
        assertThat(places.stream().filter(each -> each.day().dry()).count()).isBetween(35L, 75L);
        assertThat(places.stream().filter(each -> each.day().kitOnly()).count()).isBetween(30L, 70L);
        TrainingPlace kit =
                places.stream().filter(each -> each.day().kitOnly()).findFirst().orElseThrow();
        assertThat(ground.scene(deal(kit.deal().seed(), "hard"), "ph", 0).toString())
                .contains("chipLow")
                .doesNotContain("value=");
    }

    @Test
    void aFieldThatIsResembledKeepsItsTextureUseAndLimits() {
        List<Map<String, Object>> suspected = List.of(
                Map.of("constraint", "salinity", "probability", 1),
                Map.of("constraint", "erosion-risk", "probability", 0));
        for (int seed = 0; seed < 30; seed++) {
            Map<String, Object> deal = Map.of(
                    "seed",
                    seed,
                    "level",
                    "usual",
                    "like",
                    Map.of("landUse", "pasture", "textureClass", "clay-loam", "suspected", suspected));
            assertThat(ground.deal(deal)).containsEntry("landUse", "pasture");
            Map<String, Object> verdict = ground.verdict(deal, List.of(), null, null);
            assertThat(verdict.get("truth").toString()).contains("salinity").doesNotContain("erosion");
            assertThat(verdict.get("ground").toString()).contains("textureClass=clay-loam");
        }
    }

    @Test
    void whatIsReadWithCareNamesAStrongLimitAndScores() {
        int seed = seedOf(Constraint.ACIDITY, Difficulty.CLEAR);
        Map<String, Object> deal = deal(seed, "clear");
        List<Map<String, Object>> made = List.of(careful(deal, "ph", 0, 300));
        Map<String, Object> verdict = ground.verdict(deal, made, "acidity", "lime");
        assertThat(verdict.get("believed").toString()).startsWith("[{");
        assertThat(verdict.get("score").toString()).contains("limit=60").contains("action=20");
        assertThat(verdict.get("truth").toString()).contains("acidity");
        // naming something else gives nothing, whatever the minutes
        Map<String, Object> wrong = ground.verdict(deal, made, "salinity", "leach");
        assertThat(wrong.get("score").toString()).contains("total=0");
    }

    @Test
    void aSoundSoilIsRightlyCalledSound() {
        int seed = IntStream.range(0, 200)
                .filter(each -> place(each, Difficulty.USUAL).truth().isEmpty())
                .findFirst()
                .orElseThrow();
        Map<String, Object> verdict = ground.verdict(deal(seed, "usual"), List.of(), null, null);
        assertThat(verdict.get("score").toString()).contains("limit=60").contains("action=20");
        assertThat(ground.verdict(deal(seed, "usual"), List.of(), "acidity", "lime")
                        .get("score")
                        .toString())
                .contains("total=0");
    }

    @Test
    @SuppressWarnings("unchecked")
    void aReadingThatIsNotWhatItShowedIsSaidToHaveMisled() {
        int seed = seedOf(Constraint.ACIDITY, Difficulty.CLEAR);
        Map<String, Object> deal = deal(seed, "clear");
        Map<String, Object> misread = Map.of(
                "method",
                "ph",
                "topMm",
                0,
                "bottomMm",
                300,
                "readings",
                Map.of("kind", "meter-1to1", "layers", List.of(Map.of("topMm", 0, "bottomMm", 100, "value", 7))));
        Map<String, Object> verdict = ground.verdict(deal, List.of(misread), null, null);
        List<Map<String, Object>> misled = (List<Map<String, Object>>) verdict.get("misled");
        assertThat(misled).anySatisfy(row -> {
            assertThat(row).containsEntry("constraint", "acidity").containsEntry("why", "misread");
            assertThat(row.get("because").toString()).contains("read otherwise");
        });
        assertThat(ground.verdict(deal, List.of(careful(deal, "ph", 0, 300)), null, null)
                        .get("misled")
                        .toString())
                .doesNotContain("misread");
    }

    @Test
    @SuppressWarnings("unchecked")
    void theBestNextTestIsTheOneThatTheRuleNames() {
        Map<String, Object> deal = deal(3, "clear");
        Map<String, Object> verdict = ground.verdict(deal, List.of(), null, null);
        Map<String, Object> next = (Map<String, Object>) verdict.get("next");
        assertThat(next.get("method")).isEqualTo(((List<String>) verdict.get("parTests")).get(0));
        assertThat((Double) next.get("probability")).isBetween(0.0, 1.0);
    }

    @Test
    @SuppressWarnings("unchecked")
    void everyTestOfEveryPlaceCanBeReadAndJudged() {
        for (Difficulty level : Difficulty.values()) {
            for (int seed = 0; seed < 12; seed++) {
                Map<String, Object> deal = deal(seed, level.code());
                List<Map<String, Object>> made = new ArrayList<>();
                for (Map<String, Object> test :
                        (List<Map<String, Object>>) ground.deal(deal).get("tests")) {
                    List<Map<String, Object>> layers = (List<Map<String, Object>>) test.get("layers");
                    String method = (String) test.get("method");
                    if (layers.isEmpty()) {
                        made.add(careful(deal, method, null, null));
                    }
                    for (Map<String, Object> layer : layers) {
                        int top = ((Double) layer.get("topMm")).intValue();
                        made.add(careful(deal, method, top, ((Double) layer.get("bottomMm")).intValue()));
                    }
                }
                Map<String, Object> verdict = ground.verdict(deal, made, null, null);
                List<Map<String, Object>> readings = (List<Map<String, Object>>) verdict.get("readings");
                assertThat(readings).hasSameSizeAs(made);
                for (Map<String, Object> each : readings) {
                    for (Map<String, Object> row : (List<Map<String, Object>>) each.get("rows")) {
                        // read with care: yours is what it showed
                        assertThat(row.get("read")).as("%s", each).isEqualTo(row.get("shown"));
                    }
                }
                assertThat(verdict.get("misled").toString()).doesNotContain("why=misread");
            }
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void aJarSettlesUpwardsAndPassesItsMarks() {
        Map<String, Object> scene = ground.scene(deal(5, "clear"), "texture-jar", 0);
        List<Map<String, Object>> rows =
                ((Map<String, List<Map<String, Object>>>) scene.get("passing")).get("settling");
        Map<String, Object> readings = (Map<String, Object>) scene.get("readings");
        double before = 0;
        for (Map<String, Object> row : rows) {
            assertThat((Double) row.get("mm")).isGreaterThanOrEqualTo(before);
            before = (Double) row.get("mm");
        }
        assertThat(before).isCloseTo(((Number) readings.get("clayMm")).doubleValue(), within(0.5));
        assertThat(height(rows, 75)).isCloseTo(((Number) readings.get("sandMm")).doubleValue(), within(3.0));
        assertThat(height(rows, 46_000)).isCloseTo(((Number) readings.get("siltMm")).doubleValue(), within(3.0));
    }

    private static double height(List<Map<String, Object>> rows, double at) {
        for (int i = 1; i < rows.size(); i++) {
            double from = (Double) rows.get(i - 1).get("seconds");
            double to = (Double) rows.get(i).get("seconds");
            if (at <= to) {
                double share = (Math.log(at) - Math.log(from)) / (Math.log(to) - Math.log(from));
                double low = (Double) rows.get(i - 1).get("mm");
                return low + share * ((Double) rows.get(i).get("mm") - low);
            }
        }
        throw new AssertionError("it ends before " + at);
    }

    @Test
    void aTestOnADryDayShowsMoreToTheProbe() {
        int seed = IntStream.range(0, 200)
                .filter(each -> place(each, Difficulty.HARD).day().dry()
                        && place(each, Difficulty.HARD).get(SoilProperty.PAN_DEPTH) == 0)
                .findFirst()
                .orElseThrow();
        TrainingPlace place = place(seed, Difficulty.HARD);
        var probe = Methods.all().get("penetration");
        double today = firstKpa(place.shown(probe, 0, CoreData.BENCHMARKS));
        double best = firstKpa(place.unscattered(probe, 0, CoreData.BENCHMARKS));
        assertThat(today).isGreaterThan(best * 1.15);
    }

    @SuppressWarnings("unchecked")
    private static double firstKpa(Map<String, Object> readings) {
        var probe = ((List<Map<String, Object>>) readings.get("probes")).get(0);
        return ((Number) ((List<Map<String, Object>>) probe.get("readings"))
                        .get(0)
                        .get("kPa"))
                .doubleValue();
    }
}
