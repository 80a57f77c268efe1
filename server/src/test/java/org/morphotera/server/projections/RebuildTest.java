package org.morphotera.server.projections;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.RunningApp;
import org.morphotera.server.methods.RulesInForce;
import org.springframework.jdbc.core.JdbcTemplate;

/** What pages read can be made again from the measurements, and is then the same. */
@ExtendWith(RunningApp.class)
class RebuildTest {

    private static final List<String> PROJECTIONS = List.of(
            "select * from indicator_value order by measurement_id, indicator, band",
            "select * from sighting order by measurement_id, finding, stop_id");

    private final JdbcTemplate database;
    private final ProjectionRebuild rebuild;
    private final ApiClient advisor;

    RebuildTest(JdbcTemplate database, ProjectionRebuild rebuild, ApiClient advisor) {
        this.database = database;
        this.rebuild = rebuild;
        this.advisor = advisor;
    }

    private List<List<Map<String, Object>>> projections() {
        return PROJECTIONS.stream().map(database::queryForList).toList();
    }

    private UUID aField() {
        return database.queryForObject("select field_id from sighting fetch first 1 rows only", UUID.class);
    }

    @Test
    void aRebuiltDatabaseEqualsTheMaintainedOne() {
        List<List<Map<String, Object>>> maintained = projections();
        assertThat(maintained.get(0)).hasSizeGreaterThan(1000);
        int projected = rebuild.run();
        assertThat(projected)
                .isEqualTo(database.queryForObject(
                        "select count(*) from measurement m where not exists "
                                + "(select 1 from measurement n where n.supersedes = m.id)",
                        Integer.class));
        assertThat(projections()).isEqualTo(maintained);
    }

    @Test
    void whatWasSpoiltIsMadeGoodAndTheFaceWithIt() {
        UUID field = aField();
        String face = advisor.get("/api/fields/" + field).text();
        List<List<Map<String, Object>>> maintained = projections();
        database.update("delete from indicator_value where field_id = ?", field);
        database.update("update sighting set latest = not latest, figure = 1e6 where field_id = ?", field);
        assertThat(projections()).isNotEqualTo(maintained);
        rebuild.run();
        assertThat(projections()).isEqualTo(maintained);
        assertThat(advisor.get("/api/fields/" + field).text()).isEqualTo(face);
    }

    @Test
    void everyMeasurementIsStampedWithTheRulesThatJudgedIt(RulesInForce rules) {
        assertThat(rules.version()).matches("\\d+\\.\\d+\\.\\d+.*");
        assertThat(rules.benchmarks()).matches("[0-9a-f]{16}");
        // a practice that once had rules of its own has measurements that were judged by those
        assertThat(database.queryForList("select distinct core_version, benchmarks from measurement "
                        + "where practice_id not in (select practice_id from practice_rules)"))
                .containsExactly(Map.of("core_version", rules.version(), "benchmarks", rules.benchmarks()));
    }
}
