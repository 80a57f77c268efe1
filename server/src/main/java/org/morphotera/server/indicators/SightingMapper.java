package org.morphotera.server.indicators;

import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Takes rows of sightings away. Every query names the practice. */
@Mapper
public interface SightingMapper extends SightingReader {

    @Delete("delete from sighting where practice_id = #{practice} and measurement_id = #{id}")
    void delete(@Param("practice") UUID practice, @Param("id") UUID measurement);

    @Delete("delete from sighting where practice_id = #{practice} and field_id = #{field}")
    void deleteOfField(@Param("practice") UUID practice, @Param("field") UUID field);
}
