package org.morphotera.server.faces;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** The face of a field: findings beside their own soil, the ground as its tests saw it, the next test in its band. */
@ExtendWith(RunningApp.class)
class FaceTest {

    private static final LocalDate DAY = LocalDate.of(2026, 4, 10);
    private static final Map<String, Object> TOP = Map.of("depthTopMm", 0, "depthBottomMm", 200);
    private static final Map<String, Object> BROWN = Map.of("hue", "10YR", "value", 3, "chroma", 2);

    private final ApiClient advisor;

    FaceTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private Land seen() {
        Land land = new Land(advisor, 3);
        String visit = land.visit(DAY);
        for (int i = 0; i < 3; i++) {
            land.ph(visit, i, 6.4, DAY);
            Land.ok(land.record(
                    visit,
                    i,
                    "roots",
                    Map.of("eightyPctDepthMm", 230 + 10 * i, "deepestMm", 500, "barrier", "none"),
                    DAY,
                    Map.of("depthTopMm", 0, "depthBottomMm", 400)));
            Land.ok(land.record(
                    visit,
                    i,
                    "ground-cover",
                    Map.of("livingPct", 40, "litterPct", 20, "stonePct", 5, "barePct", 35),
                    DAY));
            Land.ok(land.record(visit, i, "colour", Map.of("sample", BROWN, "moist", true), DAY, TOP));
        }
        return land;
    }

    @SuppressWarnings("unchecked")
    private static List<Integer> places(Map<String, Object> band, String name) {
        return (List<Integer>) band.get(name);
    }

    @Test
    void everyFindingStandsInOneBandTheLowestOfItFirst() {
        Map<String, Object> face = seen().face();
        List<Map<String, Object>> findings = Land.rows(face, "findings");
        List<Map<String, Object>> bands = Land.rows(Land.part(face, "layout"), "bands");
        assertThat(bands).hasSize(5);
        List<Integer> placed = new ArrayList<>();
        for (Map<String, Object> band : bands) {
            List<Integer> own = new ArrayList<>(places(band, "shown"));
            own.addAll(places(band, "folded"));
            placed.addAll(own);
            own.forEach(index -> assertThat(Land.number(findings.get(index), "standing"))
                    .isGreaterThanOrEqualTo(Land.number(findings.get(own.get(0)), "standing")));
        }
        assertThat(placed).hasSameSizeAs(findings).doesNotHaveDuplicates();
    }

    @Test
    void theGroundIsDrawnAsTheNewestTestsSawIt() {
        Map<String, Object> ground = Land.part(seen().face(), "ground");
        assertThat(Land.number(ground, "coverShare")).isCloseTo(0.6, within(0.05));
        assertThat(Land.rows(ground, "roots")).hasSize(6);
        assertThat(Land.rows(ground, "tints")).singleElement().satisfies(tint -> {
            assertThat(tint).containsEntry("topMm", 0.0).containsEntry("bottomMm", 200.0);
            // value 3 is dark, hue and chroma are those of a brown soil: red over green over blue
            int colour = Integer.parseInt(tint.get("colour").toString().substring(1), 16);
            int red = colour >> 16;
            int green = colour >> 8 & 0xff;
            int blue = colour & 0xff;
            assertThat(red).isGreaterThan(green).isLessThan(110);
            assertThat(green).isGreaterThan(blue);
        });
        // nobody looked for worms, salt or stones
        assertThat(Land.rows(ground, "dots")).isEmpty();
        assertThat(ground).doesNotContainKeys("panMm", "waterMm");
    }

    @Test
    void aNewerColourOfTheSameBandTakesThePlaceOfTheOneBefore() {
        Land land = seen();
        LocalDate later = DAY.plusDays(200);
        String visit = land.visit(later);
        Map<String, Object> darker = Map.of("hue", "10YR", "value", 2, "chroma", 1);
        for (int i = 0; i < 3; i++) {
            // from another layer of the same band
            Land.ok(land.record(
                    visit,
                    i,
                    "colour",
                    Map.of("sample", darker, "moist", true),
                    later,
                    Map.of("depthTopMm", 0, "depthBottomMm", 220)));
        }
        assertThat(Land.rows(Land.part(land.face(), "ground"), "tints"))
                .singleElement()
                .satisfies(tint -> assertThat(tint).containsEntry("bottomMm", 220.0));
    }

    @Test
    void rootsAreListedWhereTheyEnd() {
        Map<String, Object> face = seen().face();
        List<Map<String, Object>> findings = Land.rows(face, "findings");
        Map<String, Object> low = Land.rows(Land.part(face, "layout"), "bands").get(3);
        assertThat(low).containsEntry("band", "low-200-300");
        List<Integer> own = new ArrayList<>(places(low, "shown"));
        own.addAll(places(low, "folded"));
        assertThat(own.stream().map(index -> findings.get(index).get("indicator")))
                .contains("rooting");
    }

    @Test
    void theNextTestIsTheFirstOfThoseThatTheLimitsOffer() {
        Land land = seen();
        Map<String, Object> next = Land.part(land.face(), "next");
        Map<String, Object> limits =
                advisor.get("/api/fields/" + land.field + "/limits").json();
        assertThat(next).isEqualTo(Land.rows(limits, "next").get(0));
        assertThat(next.get("band").toString()).isNotEmpty();
    }

    @Test
    void anUntestedFieldIsBareAndAsksForNoTestYet() {
        Map<String, Object> face = new Land(advisor, 1).face();
        assertThat(Land.rows(Land.part(face, "ground"), "roots")).isEmpty();
        assertThat(face).doesNotContainKey("next");
    }

    @Test
    void aComparisonDrawsEachSideAsItWasSeenThere() {
        Land land = seen();
        String visit = land.visit(DAY.plusDays(1));
        Land.ok(land.record(
                visit,
                2,
                "ground-cover",
                Map.of("livingPct", 0, "litterPct", 0, "stonePct", 0, "barePct", 100),
                DAY.plusDays(1)));
        Map<String, Object> view = advisor.get("/api/compare?field=" + land.field + "&stop=" + land.stops.get(0)
                        + "&otherField=" + land.field + "&otherStop=" + land.stops.get(2))
                .json();
        assertThat(Land.number(Land.part(Land.part(view, "one"), "ground"), "coverShare"))
                .isGreaterThan(0.5);
        assertThat(Land.number(Land.part(Land.part(view, "other"), "ground"), "coverShare"))
                .isLessThan(0.1);
    }

    @Test
    void nothingIsStartingOnceTheServerAnswers() {
        assertThat(advisor.get("/api/session").json()).doesNotContainKey("starting");
    }
}
