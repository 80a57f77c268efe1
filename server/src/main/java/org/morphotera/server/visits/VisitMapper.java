package org.morphotera.server.visits;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of visits, drafts and measurements. Every query names the practice. */
@Mapper
public interface VisitMapper {

    String VISIT = "select v.id, v.field_id, v.person_id, p.name as person, v.visited_on, v.soil_moisture, "
            + "v.days_since_rain, v.soil_temp_c, v.last_management, v.note, v.tests, v.version "
            + "from visit v join person p on p.id = v.person_id ";

    String DRAFT = "select id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, content, supersedes, "
            + "updated_at, version from draft ";

    String MEASUREMENT = "select m.id, m.field_id, m.visit_id, m.stop_id, m.method, m.depth_top_mm, "
            + "m.depth_bottom_mm, m.readings, m.context, m.evaluation, m.core_version, m.benchmarks, m.taken_at, p.name as person, "
            + "m.supersedes, n.id as superseded_by, m.reason, m.note, m.recorded_at "
            + "from measurement m join person p on p.id = m.person_id "
            + "left join measurement n on n.supersedes = m.id ";

    @Select(VISIT + "where v.practice_id = #{practice} and v.id = #{id}")
    Visit visit(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select(VISIT + "where v.practice_id = #{practice} and v.field_id = #{field} order by v.visited_on, v.id")
    List<Visit> visitsOf(@Param("practice") UUID practice, @Param("field") UUID field);

    @Insert("insert into visit (id, practice_id, field_id, person_id, visited_on, soil_moisture, days_since_rain, "
            + "soil_temp_c, last_management, note, tests, version) values (#{v.id}, #{practice}, #{v.fieldId}, #{v.personId}, "
            + "#{v.visitedOn}, #{v.soilMoisture}, #{v.daysSinceRain}, #{v.soilTempC}, #{v.lastManagement}, #{v.note}, "
            + "#{v.tests}, #{v.version})")
    void insertVisit(@Param("practice") UUID practice, @Param("v") Visit visit);

    @Update("update visit set visited_on = #{v.visitedOn}, soil_moisture = #{v.soilMoisture}, "
            + "days_since_rain = #{v.daysSinceRain}, soil_temp_c = #{v.soilTempC}, "
            + "last_management = #{v.lastManagement}, note = #{v.note}, tests = #{v.tests}, version = #{v.version} "
            + "where practice_id = #{practice} and id = #{v.id} and version = #{v.version} - 1")
    int updateVisit(@Param("practice") UUID practice, @Param("v") Visit visit);

    @Select(DRAFT + "where practice_id = #{practice} and visit_id = #{visit} order by updated_at")
    List<StoredDraft> draftsOf(@Param("practice") UUID practice, @Param("visit") UUID visit);

    @Select(DRAFT + "where practice_id = #{practice} and id = #{id}")
    StoredDraft draft(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into draft (id, practice_id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, content, "
            + "supersedes, updated_at, version) values (#{d.id}, #{practice}, #{d.visitId}, #{d.stopId}, #{d.method}, "
            + "#{d.depthTopMm}, #{d.depthBottomMm}, #{d.content}, #{d.supersedes}, #{d.updatedAt}, #{d.version})")
    void insertDraft(@Param("practice") UUID practice, @Param("d") StoredDraft draft);

    @Update("update draft set depth_top_mm = #{d.depthTopMm}, depth_bottom_mm = #{d.depthBottomMm}, "
            + "content = #{d.content}, updated_at = #{d.updatedAt}, version = #{d.version} "
            + "where practice_id = #{practice} and id = #{d.id} and version = #{d.version} - 1")
    int updateDraft(@Param("practice") UUID practice, @Param("d") StoredDraft draft);

    @Delete("delete from draft where practice_id = #{practice} and id = #{id}")
    int deleteDraft(@Param("practice") UUID practice, @Param("id") UUID id);

    /** A test without what was read and made of it: enough for a list. */
    record TestRow(
            UUID id, UUID stopId, String method, Double depthTopMm, Double depthBottomMm, java.time.Instant takenAt) {}

    @Select("select m.id, m.stop_id, m.method, m.depth_top_mm, m.depth_bottom_mm, m.taken_at from measurement m "
            + "where m.practice_id = #{practice} and m.visit_id = #{visit} "
            + "and not exists (select 1 from measurement n where n.supersedes = m.id) order by m.taken_at, m.id")
    List<TestRow> testsOf(@Param("practice") UUID practice, @Param("visit") UUID visit);

    /** A field of some practice, and how many measurements stand there. */
    record Standing(UUID practiceId, UUID fieldId, int count) {}

    @Select("select practice_id, field_id, count(*) as count from measurement m "
            + "where not exists (select 1 from measurement n where n.supersedes = m.id) "
            + "group by practice_id, field_id order by practice_id, field_id")
    List<Standing> standing();

    @Select(MEASUREMENT + "where m.practice_id = #{practice} and m.field_id = #{field} and n.id is null "
            + "order by m.recorded_at, m.id")
    List<StoredMeasurement> standingOf(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select(MEASUREMENT + "where m.practice_id = #{practice} and m.id = #{id}")
    StoredMeasurement measurement(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into measurement (id, practice_id, field_id, visit_id, stop_id, method, depth_top_mm, "
            + "depth_bottom_mm, readings, context, evaluation, core_version, benchmarks, taken_at, person_id, supersedes, reason, "
            + "note, recorded_at) values (#{m.id}, #{practice}, #{m.fieldId}, #{m.visitId}, #{m.stopId}, #{m.method}, "
            + "#{m.depthTopMm}, #{m.depthBottomMm}, #{m.readings}, #{m.context}, #{m.evaluation}, #{m.coreVersion}, #{m.benchmarks}, "
            + "#{m.takenAt}, #{person}, #{m.supersedes}, #{m.reason}, #{m.note}, #{m.recordedAt})")
    void insertMeasurement(
            @Param("practice") UUID practice, @Param("person") UUID person, @Param("m") StoredMeasurement measurement);
}
