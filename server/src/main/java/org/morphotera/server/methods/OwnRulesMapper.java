package org.morphotera.server.methods;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Own curves and bands, a row for each practice that has, or had, any. */
@Mapper
interface OwnRulesMapper {

    record Row(UUID practiceId, String content, int version, Instant changedAt) {}

    @Select("select version from practice_rules where practice_id = #{practice}")
    Integer version(UUID practice);

    @Select("select * from practice_rules where practice_id = #{practice}")
    Row row(UUID practice);

    @Insert("insert into practice_rules (practice_id, content, version, changed_at) "
            + "values (#{r.practiceId}, #{r.content}, #{r.version}, #{r.changedAt})")
    void insert(@Param("r") Row row);

    @Update("update practice_rules set content = #{r.content}, version = #{r.version}, changed_at = #{r.changedAt} "
            + "where practice_id = #{r.practiceId} and version = #{r.version} - 1")
    int update(@Param("r") Row row);
}
