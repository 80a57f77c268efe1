package org.morphotera.server.faces;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.RunningApp;
import org.springframework.jdbc.core.JdbcTemplate;

/** A strip that is stale or not there yet is shown as it would be made, and stays as it is in the database. */
@ExtendWith(RunningApp.class)
class StripsTest {

    @Test
    @SuppressWarnings("unchecked")
    void readingWritesNothing(ApiClient advisor, FieldSummaries strips, SummaryMapper rows, JdbcTemplate jdbc) {
        Map<String, Object> listed = advisor.get("/api/fields").list().get(0);
        UUID field = UUID.fromString(listed.get("id").toString());
        UUID practice = jdbc.queryForObject("select practice_id from field where id = ?", UUID.class, field);
        Faces.FieldStrip made = strips.shown(practice, new SummaryMapper.Strip(field, true, "{\"old\": true}"));
        assertThat(made.name()).isEqualTo(listed.get("name"));
        assertThat(made.bands()).hasSameSizeAs((List<Object>) listed.get("bands"));
        assertThat(strips.shown(practice, new SummaryMapper.Strip(field, false, null)))
                .isEqualTo(made);
        Map<UUID, List<Faces.Band>> ready = strips.visits(practice, field);
        List<Map<String, Object>> before = jdbc.queryForList("select * from visit_strip where field_id = ?", field);
        assertThat(ready).hasSameSizeAs(before);
        // a visit whose strip is missing: the field's page makes the bands and writes none
        Object one = before.get(0).get("visit_id");
        jdbc.update("update visit_strip set bands = null where visit_id = ?", one);
        assertThat(strips.visits(practice, field)).isEqualTo(ready);
        assertThat(jdbc.queryForList("select bands from visit_strip where visit_id = ?", String.class, one))
                .containsOnlyNulls();
        assertThat(advisor.get("/api/fields/" + field).status()).isEqualTo(200);
        jdbc.update("update visit_strip set stale = true where visit_id = ?", one);
    }

    @Test
    void oneMarkedWhileItWasMadeStaysStale(SummaryMapper rows, JdbcTemplate jdbc) {
        Map<String, Object> visit = jdbc.queryForList(
                        "select visit_id, marks from visit_strip where not stale fetch first 1 rows only")
                .get(0);
        UUID id = (UUID) visit.get("visit_id");
        long read = ((Number) visit.get("marks")).longValue();
        jdbc.update("update visit_strip set stale = true, marks = marks + 1 where visit_id = ?", id);
        rows.keepVisit(id, "[]", read);
        assertThat(jdbc.queryForObject("select stale from visit_strip where visit_id = ?", Boolean.class, id))
                .isTrue();
    }
}
