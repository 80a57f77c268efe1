package org.morphotera.server.measurements;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of measurements. Every query names the practice, or what was found by one that does. */
public interface MeasurementReader {

    String MEASUREMENT = "select m.id, m.field_id, m.visit_id, m.stop_id, m.method, m.depth_top_mm, "
            + "m.depth_bottom_mm, m.readings, m.context, m.evaluation, m.core_version, m.benchmarks, m.taken_at, p.name as person, "
            + "m.supersedes, n.id as superseded_by, m.reason, m.note, m.recorded_at "
            + "from measurement m join person p on p.id = m.person_id "
            + "left join measurement n on n.supersedes = m.id ";

    /** A test without what was read and made of it: enough for a list. */
    record TestRow(
            UUID id, UUID stopId, String method, Double depthTopMm, Double depthBottomMm, java.time.Instant takenAt) {}

    @Select("select m.id, m.stop_id, m.method, m.depth_top_mm, m.depth_bottom_mm, m.taken_at from measurement m "
            + "where m.practice_id = #{practice} and m.visit_id = #{visit} "
            + "and not exists (select 1 from measurement n where n.supersedes = m.id) order by m.taken_at, m.id")
    List<TestRow> testsOf(@Param("practice") UUID practice, @Param("visit") UUID visit);

    /** Those of some methods at one stop that stand, oldest first. */
    @Select({
        "<script>",
        "select m.id, m.stop_id, m.method, m.depth_top_mm, m.depth_bottom_mm, m.taken_at from measurement m",
        "where m.stop_id = #{stop} and m.practice_id = #{practice} and m.method in",
        "<foreach item='each' collection='methods' open='(' separator=',' close=')'>#{each}</foreach>",
        "and not exists (select 1 from measurement n where n.supersedes = m.id) order by m.taken_at, m.id",
        "</script>"
    })
    List<TestRow> testsOfStop(
            @Param("practice") UUID practice, @Param("stop") UUID stop, @Param("methods") List<String> methods);

    @Select({
        "<script>",
        MEASUREMENT + "where m.practice_id = #{practice} and m.id in",
        "<foreach item='each' collection='ids' open='(' separator=',' close=')'>#{each}</foreach>",
        "order by m.taken_at, m.id",
        "</script>"
    })
    List<StoredMeasurement> measurements(@Param("practice") UUID practice, @Param("ids") Collection<UUID> ids);

    /** A field of some practice, and how many measurements stand there. */
    record Active(UUID practiceId, UUID fieldId, int count) {}

    @Select("select practice_id, field_id, count(*) as count from measurement m "
            + "where not exists (select 1 from measurement n where n.supersedes = m.id) "
            + "group by practice_id, field_id order by practice_id, field_id")
    List<Active> active();

    @Select(MEASUREMENT + "where m.practice_id = #{practice} and m.field_id = #{field} and n.id is null "
            + "order by m.recorded_at, m.id")
    List<StoredMeasurement> activeOf(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select(MEASUREMENT + "where m.practice_id = #{practice} and m.id = #{id}")
    StoredMeasurement measurement(@Param("practice") UUID practice, @Param("id") UUID id);

    /** A test that stands, with where it was made. */
    record Newest(
            UUID id,
            UUID fieldId,
            String field,
            String stop,
            String method,
            String readings,
            String context,
            Instant takenAt) {}

    /** The newest of a practice that stand, by when they were made. */
    @Select("select m.id, m.field_id, f.name as field, s.label as stop, m.method, m.readings, m.context, m.taken_at "
            + "from measurement m join field f on f.id = m.field_id join stop s on s.id = m.stop_id "
            + "where m.practice_id = #{practice} and not exists (select 1 from measurement n where n.supersedes = m.id) "
            + "order by m.taken_at desc, m.id fetch first #{most} rows only")
    List<Newest> newest(@Param("practice") UUID practice, @Param("most") int most);
}
