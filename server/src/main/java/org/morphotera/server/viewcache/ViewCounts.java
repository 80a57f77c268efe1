package org.morphotera.server.viewcache;

import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What tells whether a view of a field has to be worked out anew. */
@Mapper
interface ViewCounts {

    /** Counts that rise with each change of what a field shows. */
    record Counts(long marks, long people, long products) {}

    @Select(
            "select s.marks, (select coalesce(sum(p.version), 0) from person p where p.practice_id = s.practice_id) as people, "
                    + "(select coalesce(sum(q.version), 0) + count(*) * 1000000 from product q "
                    + "where q.practice_id = s.practice_id) as products "
                    + "from field_strip s where s.practice_id = #{practice} and s.field_id = #{field}")
    Counts counts(@Param("practice") UUID practice, @Param("field") UUID field);
}
