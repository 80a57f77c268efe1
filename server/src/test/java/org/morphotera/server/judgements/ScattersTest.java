package org.morphotera.server.judgements;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Crew;
import org.morphotera.server.InOnesPractice;
import org.morphotera.server.Land;
import org.morphotera.server.LongWork;
import org.morphotera.server.accounts.role.Role;

/** A practice learns of its own readings how they scatter, says so, and is judged by it. */
class ScattersTest extends InOnesPractice {

    private final Random random = new Random(3);

    /** Fields whose stops are far more alike than the tables say. */
    private Land fields(int count) {
        Land last = null;
        for (int field = 0; field < count; field++) {
            last = new Land(owner, 5);
            double level = 5.8 + 0.2 * field;
            for (int year = 2022; year < 2026; year++) {
                LocalDate on = LocalDate.of(year, 4, 10);
                String visit = last.visit(on);
                for (int stop = 0; stop < 5; stop++) {
                    double ph = level + 0.04 * random.nextGaussian();
                    last.ph(visit, stop, Math.round(ph * 100) / 100.0, on);
                }
            }
        }
        return last;
    }

    private double width(Land land) {
        Map<String, Object> ph = Land.rows(land.face(), "findings").stream()
                .filter(each -> each.get("indicator").equals("ph"))
                .findFirst()
                .orElseThrow();
        return ((Number) ph.get("figureHigh")).doubleValue() - ((Number) ph.get("figureLow")).doubleValue();
    }

    private Map<String, Object> learned() {
        Map<String, Object> job = LongWork.ended(owner, owner.post("/api/scatters", Map.of()));
        assertThat(job).as("%s", job).containsEntry("state", "done");
        return owner.get("/api/scatters").json();
    }

    @Test
    void whatIsLearnedIsSaidWithItsReadingsAndJudgedBy() {
        Land land = fields(8);
        double before = width(land);
        assertThat(owner.get("/api/scatters").json())
                .containsEntry("needed", 60)
                .doesNotContainKey("learnedAt");
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        assertThat(advisor.post("/api/scatters", Map.of()).status()).isEqualTo(403);

        Map<String, Object> told = learned();
        assertThat(told).containsKey("learnedAt");
        Map<String, Object> ph = Land.rows(told, "scatters").get(0);
        assertThat(ph)
                .containsEntry("indicator", "ph")
                .containsEntry("readings", 160)
                .containsEntry("fields", 8)
                .doesNotContainKey("person");
        assertThat(((Number) ph.get("stop")).doubleValue()).isLessThan(0.6);
        assertThat(width(land)).isLessThan(0.9 * before);
        // the page's own copy of the rules has it too
        assertThat(advisor.get("/api/core-data").text()).contains("sharpened by 160 readings");
        assertThat(advisor.get("/api/scatters").json()).isEqualTo(told);
        // and another practice has nothing of it
        ApiClient other = Crew.practice(app, "other-" + at("owner"));
        assertThat(Land.rows(other.get("/api/scatters").json(), "scatters")).isEmpty();
        assertThat(other.get("/api/core-data").text()).doesNotContain("sharpened");
    }

    @Test
    void tooFewReadingsChangeNothing() {
        Land land = fields(2);
        double before = width(land);
        assertThat(Land.rows(learned(), "scatters")).isEmpty();
        assertThat(width(land)).isEqualTo(before);
    }

    @Test
    void theNightLearnsWhereSomethingWasRecordedSince() {
        fields(4);
        NightlyLearning night = app.bean(NightlyLearning.class);
        night.work();
        Object first = owner.get("/api/scatters").json().get("learnedAt");
        assertThat(first).isNotNull();
        night.work();
        assertThat(owner.get("/api/scatters").json().get("learnedAt")).isEqualTo(first);
        fields(1);
        night.work();
        assertThat(owner.get("/api/scatters").json().get("learnedAt")).isNotEqualTo(first);
    }

    @Test
    void sessionsInWhichPeopleAgreeNarrowHowFarScorersLieApart() {
        for (int field = 0; field < 4; field++) {
            Land land = new Land(owner, 4);
            for (int year = 2022; year < 2026; year++) {
                LocalDate on = LocalDate.of(year, 4, 10);
                String visit = land.visit(on);
                for (int stop = 0; stop < 4; stop++) {
                    Land.ok(land.record(
                            visit,
                            stop,
                            "smell",
                            Map.of("score", random.nextInt(3)),
                            on,
                            Map.of("depthTopMm", 0, "depthBottomMm", 200)));
                }
            }
        }
        double alone = person("smell");
        for (int session = 0; session < 8; session++) {
            session(List.of("Wick", "Fleet", "Marl"), 6);
        }
        assertThat(person("smell")).isLessThan(alone);
    }

    private double person(String indicator) {
        return Land.rows(learned(), "scatters").stream()
                .filter(each -> each.get("indicator").equals(indicator))
                .mapToDouble(each -> ((Number) each.get("person")).doubleValue())
                .findFirst()
                .orElseThrow();
    }

    /** A session in which all score alike. */
    private void session(List<String> people, int places) {
        String id = UUID.randomUUID().toString();
        Map<String, Object> made = Land.ok(owner.put(
                        "/api/calibrations/" + id,
                        Map.of(
                                "title",
                                "Alike",
                                "tests",
                                List.of("smell"),
                                "places",
                                places,
                                "people",
                                people.size(),
                                "version",
                                0)))
                .json();
        for (String name : people) {
            String member = UUID.randomUUID().toString();
            Land.ok(owner.post(
                    "/api/calibration-members", Map.of("code", made.get("code"), "member", member, "name", name)));
            List<Map<String, Object>> scores = IntStream.rangeClosed(1, places)
                    .mapToObj(place -> Map.<String, Object>of("place", place, "test", "smell", "score", place % 3))
                    .toList();
            Land.ok(owner.put("/api/calibrations/" + id + "/scores/" + member, Map.of("scores", scores)));
        }
    }
}
