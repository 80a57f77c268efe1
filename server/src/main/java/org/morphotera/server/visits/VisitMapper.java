package org.morphotera.server.visits;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of visits. Every query names the practice. */
@Mapper
public interface VisitMapper extends VisitReader {

    @Insert("insert into visit (id, practice_id, field_id, person_id, visited_on, soil_moisture, days_since_rain, "
            + "soil_temp_c, last_management, carbon_added, note, tests, version) values (#{v.id}, #{practice}, #{v.fieldId}, #{v.personId}, "
            + "#{v.visitedOn}, #{v.soilMoisture}, #{v.daysSinceRain}, #{v.soilTempC}, #{v.lastManagement}, #{v.carbonAdded}, #{v.note}, "
            + "#{v.tests}, #{v.version})")
    void insertVisit(@Param("practice") UUID practice, @Param("v") Visit visit);

    @Update("update visit set visited_on = #{v.visitedOn}, soil_moisture = #{v.soilMoisture}, "
            + "days_since_rain = #{v.daysSinceRain}, soil_temp_c = #{v.soilTempC}, "
            + "last_management = #{v.lastManagement}, carbon_added = #{v.carbonAdded}, note = #{v.note}, tests = #{v.tests}, version = #{v.version} "
            + "where practice_id = #{practice} and id = #{v.id} and version = #{v.version} - 1")
    int updateVisit(@Param("practice") UUID practice, @Param("v") Visit visit);

    @Delete("delete from visit where practice_id = #{practice} and id = #{id}")
    void deleteVisit(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select p.id, p.name, exists (select 1 from visit_helper h where h.visit_id = #{visit} "
            + "and h.person_id = p.id) as given from person p where p.practice_id = #{practice} "
            + "and p.role = 'HELPER' and p.removed_at is null order by p.name, p.id")
    List<HelpersController.Helper> helpers(@Param("practice") UUID practice, @Param("visit") UUID visit);

    @Delete("delete from visit_helper where practice_id = #{practice} and visit_id = #{visit}")
    void clearHelpers(@Param("practice") UUID practice, @Param("visit") UUID visit);

    @Insert("insert into visit_helper (visit_id, practice_id, person_id) values (#{visit}, #{practice}, #{person})")
    void addHelper(@Param("practice") UUID practice, @Param("visit") UUID visit, @Param("person") UUID person);
}
