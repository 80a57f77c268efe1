package org.morphotera.server.visits;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of visits. Every query names the practice, or what was found by one that does. */
public interface VisitReader {

    String VISIT = "select v.id, v.field_id, v.person_id, p.name as person, v.visited_on, v.soil_moisture, "
            + "v.days_since_rain, v.soil_temp_c, v.last_management, v.carbon_added, v.note, v.tests, v.version "
            + "from visit v join person p on p.id = v.person_id ";

    @Select(VISIT + "where v.practice_id = #{practice} and v.id = #{id}")
    Visit visit(@Param("practice") UUID practice, @Param("id") UUID id);

    /** 1 where a visit and a stop are the practice's and of one field, else 0. */
    @Select(
            "select count(*) from visit v join stop s on s.field_id = v.field_id "
                    + "where v.id = #{visit} and v.practice_id = #{practice} and s.id = #{stop} and s.practice_id = #{practice}")
    int together(@Param("practice") UUID practice, @Param("visit") UUID visit, @Param("stop") UUID stop);

    @Select(VISIT + "where v.practice_id = #{practice} and v.field_id = #{field} order by v.visited_on, v.id")
    List<Visit> visitsOf(@Param("practice") UUID practice, @Param("field") UUID field);

    /** The newest visit of a field; {@code null} where there is none. */
    @Select(VISIT + "where v.practice_id = #{practice} and v.field_id = #{field} "
            + "order by v.visited_on desc, v.id desc fetch first 1 rows only")
    Visit newest(@Param("practice") UUID practice, @Param("field") UUID field);

    /** A visit in a list, with how many tests stand. */
    record VisitRow(UUID id, LocalDate visitedOn, String person, String soilMoisture, int measurements) {}

    @Select("select v.id, v.visited_on, p.name as person, v.soil_moisture, "
            + "(select count(*) from measurement m where m.visit_id = v.id and not exists "
            + "(select 1 from measurement n where n.supersedes = m.id)) as measurements "
            + "from visit v join person p on p.id = v.person_id "
            + "where v.practice_id = #{practice} and v.field_id = #{field} "
            + "order by v.visited_on desc, v.id fetch first 24 rows only")
    List<VisitRow> visits(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select("select count(*) from visit where practice_id = #{practice} and field_id = #{field}")
    int countVisits(@Param("practice") UUID practice, @Param("field") UUID field);
}
