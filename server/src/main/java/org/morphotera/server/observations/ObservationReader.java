package org.morphotera.server.observations;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of what was seen. Every query names the practice, or what was found by one that does. */
public interface ObservationReader {

    String COLUMNS = "id, visit_id, stop_id, crop_vigour, slope_pct, rills, white_crust, standing_water, note, version";

    @Select("select " + COLUMNS + " from observation where practice_id = #{practice} and id = #{id}")
    Observation observation(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + COLUMNS + " from observation where practice_id = #{practice} and visit_id = #{visit} "
            + "and stop_id = #{stop}")
    Observation at(@Param("practice") UUID practice, @Param("visit") UUID visit, @Param("stop") UUID stop);

    @Select("select " + COLUMNS + " from observation where practice_id = #{practice} and visit_id = #{visit}")
    List<Observation> ofVisit(@Param("practice") UUID practice, @Param("visit") UUID visit);

    /** The newest of each stop of a field. */
    @Select("select o.id, o.visit_id, o.stop_id, o.crop_vigour, o.slope_pct, o.rills, o.white_crust, "
            + "o.standing_water, o.note, o.version from observation o join visit v on v.id = o.visit_id "
            + "join stop s on s.id = o.stop_id and s.leads "
            + "where o.practice_id = #{practice} and o.field_id = #{field} and not exists "
            + "(select 1 from observation n join visit w on w.id = n.visit_id where n.stop_id = o.stop_id "
            + "and (w.visited_on > v.visited_on or w.visited_on = v.visited_on and n.id > o.id))")
    List<Observation> latestOfField(@Param("practice") UUID practice, @Param("field") UUID field);
}
