package org.morphotera.server.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Crew;
import org.morphotera.server.Land;
import org.morphotera.server.LongWork;
import org.morphotera.server.OwnApp;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.projections.ProjectionRebuild;
import org.springframework.jdbc.core.JdbcTemplate;

/** Curves and bands of a practice's own: looked at beforehand, then everything is judged by them, in this practice only. */
class OwnRulesTest {

    private static final LocalDate DAY = LocalDate.of(2026, 5, 4);

    @TempDir
    static Path folder;

    private static OwnApp app;
    private static int practices;

    private UUID practice;
    private ApiClient owner;
    private Land land;
    private String visit;

    @BeforeAll
    static void start() {
        app = OwnApp.start("--morphotera.data=" + folder.resolve("data"));
    }

    /** A practice of its own for each test. */
    @BeforeEach
    void begin() {
        owner = Crew.practice(app, "rules" + ++practices + "@field.example");
        practice = UUID.fromString(owner.get("/api/practice").json().get("id").toString());
        land = new Land(owner, 2, Map.of("textureClass", "loam"));
        visit = land.visit(DAY);
        for (int stop = 0; stop < 2; stop++) {
            Land.ok(land.record(visit, stop, "microbial-biomass", Map.of("ugCPerG", 150 + 200 * stop), DAY));
        }
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static Map<String, Object> curve(double full) {
        return Map.of(
                "kind", "curve",
                "id", "microbial-biomass",
                "source", "Our own fields, 2019 to 2025",
                "points", List.of(Map.of("figure", 0, "standing", 0), Map.of("figure", full, "standing", 1)));
    }

    private List<String> standings() {
        return app
                .bean(JdbcTemplate.class)
                .queryForList(
                        "select standing from indicator_value where indicator = 'microbial-biomass' "
                                + "and practice_id = ? order by figure",
                        String.class,
                        practice)
                .stream()
                .map(text -> String.valueOf(Math.rint(Double.parseDouble(text) * 1000) / 1000))
                .toList();
    }

    private Answer put(List<Map<String, Object>> rules, int version) {
        return owner.put("/api/own-rules", Map.of("rules", rules, "version", version));
    }

    @Test
    void aCurveIsLookedAtBeforehandAndThenJudgesWhatWasRecorded() {
        List<String> before = standings();
        Map<String, Object> preview = Land.ok(
                        owner.post("/api/own-rules/preview", Map.of("rules", List.of(curve(10_000)), "version", 0)))
                .json();
        assertThat(preview).containsEntry("looked", 2).containsEntry("changed", 2);
        assertThat((List<?>) preview.get("findings"))
                .hasSize(2)
                .allSatisfy(
                        each -> assertThat((Map<?, ?>) each).extracting("after").isEqualTo("failing"));
        assertThat(standings()).as("nothing is kept by looking").isEqualTo(before);

        LongWork.ended(owner, put(List.of(curve(1000)), 0));
        assertThat(standings()).containsExactly("0.15", "0.35");
        // the page judges by them too, and what is recorded next
        assertThat(owner.get("/api/core-data").text()).contains("Our own fields");
        Land.ok(land.record(visit, 0, "microbial-biomass", Map.of("ugCPerG", 500), DAY));
        assertThat(standings()).contains("0.5");
        List<String> own = standings();
        app.bean(ProjectionRebuild.class).run();
        assertThat(standings()).isEqualTo(own);
        // what was recorded keeps how it was judged then
        assertThat(app.bean(JdbcTemplate.class)
                        .queryForObject(
                                "select count(distinct benchmarks) from measurement where practice_id = ?",
                                Integer.class,
                                practice))
                .isEqualTo(2);

        assertThat(put(List.of(), 0).status()).as("a stale write").isEqualTo(409);
        LongWork.ended(owner, put(List.of(), 1));
        assertThat(standings()).containsAll(before);
        assertThat(owner.get("/api/core-data").text()).doesNotContain("Our own fields");
    }

    @Test
    void anotherPracticeIsJudgedAsBefore() {
        LongWork.ended(owner, put(List.of(curve(1000)), 0));
        ApiClient other = Crew.practice(app, "other@field.example");
        assertThat(other.get("/api/core-data").text()).doesNotContain("Our own fields");
        assertThat((List<?>) other.get("/api/own-rules").json().get("own")).isEmpty();
        assertThat((List<?>) owner.get("/api/own-rules").json().get("own")).hasSize(1);
    }

    @Test
    void whatDoesNotFitIsRefusedAtItsPlace() {
        List<Map<String, Object>> rules = new ArrayList<>();
        rules.add(curve(1000));
        Map<String, Object> falling = new LinkedHashMap<>(curve(1000));
        falling.put("points", List.of(Map.of("figure", 5, "standing", 0), Map.of("figure", 1, "standing", 1)));
        rules.add(falling);
        assertRefused(put(rules, 0), "rules[1]", "rise");
        Map<String, Object> unknown = new LinkedHashMap<>(curve(1000));
        unknown.put("id", "unheard-of");
        assertRefused(put(List.of(unknown), 0), "rules[0]", "no curve unheard-of");
        Map<String, Object> bands = Map.of(
                "kind", "bands",
                "id", "compaction",
                "source", "Ours",
                "bands",
                        List.of(
                                Map.of("code", "loose", "limit", 1, "included", false),
                                Map.of("code", "tight", "included", false)));
        assertRefused(put(List.of(bands), 0), "rules[0]", "must keep the codes");
        Map<String, Object> noPoints = new LinkedHashMap<>(curve(1000));
        noPoints.remove("points");
        assertRefused(put(List.of(noPoints), 0), "rules[0].points", "Give its points");
        assertThat(owner.get("/api/own-rules").json()).containsEntry("version", 0);
        ApiClient advisor =
                new Crew(owner, app.port()).join("a" + UUID.randomUUID() + "@field.example", Role.ADVISOR, null);
        assertThat(advisor.put("/api/own-rules", Map.of("rules", List.of(), "version", 0))
                        .status())
                .isEqualTo(403);
        assertThat(advisor.get("/api/own-rules").status()).isEqualTo(200);
    }

    private static void assertRefused(Answer answer, String field, String says) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(422);
        Map<?, ?> fault = (Map<?, ?>) ((List<?>) answer.json().get("errors")).get(0);
        assertThat(fault).extracting("field").isEqualTo(field);
        assertThat(fault.get("message").toString()).contains(says);
    }

    @Test
    void settingsOfThePracticeAreVersioned() {
        Map<String, Object> now = owner.get("/api/practice").json();
        assertThat(now).containsEntry("sheetSchool", "flags").containsEntry("version", 1);
        Map<String, Object> write = Map.of(
                "name", "Renamed", "sheetSchool", "points", "hemisphere", "south", "currency", "€", "version", 1);
        Land.ok(owner.put("/api/practice", write));
        assertThat(owner.get("/api/practice").json())
                .containsEntry("name", "Renamed")
                .containsEntry("hemisphere", "south")
                .containsEntry("version", 2);
        assertThat(owner.put("/api/practice", Map.of("name", "Late", "sheetSchool", "flags", "version", 1))
                        .status())
                .isEqualTo(409);
        // autumn in May
        assertThat(owner.get("/api/fields/" + land.field + "/days").status()).isEqualTo(200);
    }
}
