package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of what tests say of constraints. Every query names the practice, or what was found by one that does. */
public interface SightingReader {

    /** What one test says. */
    record Row(UUID measurementId, String finding, UUID stopId, Double figure, String state, Instant takenAt) {}

    @Select("select measurement_id, finding, stop_id, figure, state, taken_at from sighting "
            + "where practice_id = #{practice} and measurement_id = #{id}")
    List<Row> ofMeasurement(@Param("practice") UUID practice, @Param("id") UUID measurement);

    @Select("select measurement_id, finding, stop_id, figure, state, taken_at from sighting "
            + "where practice_id = #{practice} and field_id = #{field} and latest and " + IndicatorReader.LEADING)
    List<Row> latestOfField(@Param("practice") UUID practice, @Param("field") UUID field);
}
