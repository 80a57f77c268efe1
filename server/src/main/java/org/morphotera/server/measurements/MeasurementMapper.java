package org.morphotera.server.measurements;

import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Reads rows of measurements; {@link MeasurementWriter} writes them. */
@Mapper
public interface MeasurementMapper extends MeasurementReader {

    /** What there is of a test that is being recorded: itself, its draft, a clock that runs. */
    record Begun(boolean recorded, boolean drafted, boolean timed) {}

    @Select("select exists (select 1 from measurement where practice_id = #{practice} and id = #{id}) as recorded, "
            + "exists (select 1 from draft where practice_id = #{practice} and id = #{id}) as drafted, "
            + "exists (select 1 from timer where practice_id = #{practice} and measurement_id = #{id} "
            + "and stopped_at is null) as timed")
    Begun begun(@Param("practice") UUID practice, @Param("id") UUID id);
}
