package org.morphotera.server.methods;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Own curves and bands, a row for each practice that has, or had, any. */
@Mapper
interface OwnRulesMapper {

    record Row(UUID practiceId, String content, int version, Instant changedAt) {}

    @Select("select version from practice_rules where practice_id = #{practice}")
    Integer version(UUID practice);

    /** What is asked at every look: whether anything is another than it was; one of them at least is there. */
    record Versions(@Nullable Integer rules, @Nullable Instant learnedAt) {}

    @Select("select (select version from practice_rules where practice_id = #{practice}) as rules, "
            + "(select max(learned_at) from learned_scatter where practice_id = #{practice}) as learned_at")
    @Nullable
    Versions versions(UUID practice);

    /** How readings scatter by a practice's own, one row for each indicator. */
    record LearnedRow(
            UUID id,
            UUID practiceId,
            String indicator,
            int readings,
            int fields,
            double stop,
            double spot,
            double visit,
            double person,
            Instant learnedAt) {}

    @Select("select * from learned_scatter where practice_id = #{practice} order by indicator")
    List<LearnedRow> learned(UUID practice);

    @Delete("delete from learned_scatter where practice_id = #{practice}")
    void forget(UUID practice);

    @Insert("insert into learned_scatter (id, practice_id, indicator, readings, fields, stop, spot, visit, person, "
            + "learned_at) values (#{r.id}, #{r.practiceId}, #{r.indicator}, #{r.readings}, #{r.fields}, #{r.stop}, "
            + "#{r.spot}, #{r.visit}, #{r.person}, #{r.learnedAt})")
    void learn(@Param("r") LearnedRow row);

    @Select("select * from practice_rules where practice_id = #{practice}")
    Row row(UUID practice);

    @Insert("insert into practice_rules (practice_id, content, version, changed_at) "
            + "values (#{r.practiceId}, #{r.content}, #{r.version}, #{r.changedAt})")
    void insert(@Param("r") Row row);

    @Update("update practice_rules set content = #{r.content}, version = #{r.version}, changed_at = #{r.changedAt} "
            + "where practice_id = #{r.practiceId} and version = #{r.version} - 1")
    int update(@Param("r") Row row);
}
