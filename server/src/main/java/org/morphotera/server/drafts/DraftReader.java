package org.morphotera.server.drafts;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of readings on their way. */
public interface DraftReader {

    String DRAFT = "select id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, content, supersedes, "
            + "updated_at, version from draft ";

    @Select(DRAFT + "where practice_id = #{practice} and visit_id = #{visit} order by updated_at")
    List<StoredDraft> draftsOf(@Param("practice") UUID practice, @Param("visit") UUID visit);

    @Select(DRAFT + "where practice_id = #{practice} and id = #{id}")
    StoredDraft draft(@Param("practice") UUID practice, @Param("id") UUID id);
}
