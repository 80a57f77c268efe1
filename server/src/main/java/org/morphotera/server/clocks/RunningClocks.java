package org.morphotera.server.clocks;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

/** What others may do to running clocks. */
public interface RunningClocks {

    /** Stops the clocks of a test that is recorded. */
    @Update("update timer set stopped_at = #{at} where practice_id = #{practice} "
            + "and measurement_id = #{measurement} and stopped_at is null")
    void stopOf(@Param("practice") UUID practice, @Param("measurement") UUID measurement, @Param("at") Instant at);
}
