package org.morphotera.server.judgements;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Which practices may have something to learn. */
@Mapper
interface ScatterMapper {

    record Recorded(UUID practiceId, Instant newest) {}

    @Select("select practice_id, max(recorded_at) as newest from measurement group by practice_id "
            + "having count(*) >= 60 order by practice_id")
    List<Recorded> recorded();
}
