package org.morphotera.server.indicators;

import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of sightings. Every query names the practice, or a stop that was found by one that does. */
@Mapper
public interface SightingMapper extends SightingReader {

    @Insert("insert into sighting (measurement_id, finding, practice_id, field_id, stop_id, figure, state, source, "
            + "marks, taken_at, latest) values (#{r.measurementId}, #{r.finding}, #{practice}, #{field}, #{r.stopId}, #{r.figure}, "
            + "#{r.state}, #{r.source}, #{r.marks}, #{r.takenAt}, false)")
    void insert(@Param("practice") UUID practice, @Param("field") UUID field, @Param("r") Row row);

    @Delete("delete from sighting where practice_id = #{practice} and measurement_id = #{id}")
    void delete(@Param("practice") UUID practice, @Param("id") UUID measurement);

    @Delete("delete from sighting where practice_id = #{practice} and field_id = #{field}")
    void deleteOfField(@Param("practice") UUID practice, @Param("field") UUID field);

    /** The newest of a stop, finding and source; {@code null} where there is none. */
    @Select("select measurement_id from sighting where stop_id = #{stop} and finding = #{finding} "
            + "and source = #{source} order by taken_at desc, measurement_id fetch first 1 rows only")
    UUID newest(@Param("stop") UUID stop, @Param("finding") String finding, @Param("source") String source);

    @Update("update sighting set latest = (measurement_id = #{newest}) where stop_id = #{stop} "
            + "and finding = #{finding} and source = #{source} and (latest or measurement_id = #{newest})")
    void markLatest(
            @Param("stop") UUID stop,
            @Param("finding") String finding,
            @Param("source") String source,
            @Param("newest") UUID newest);
}
