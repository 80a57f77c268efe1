package org.morphotera.server.audit;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface AuditMapper {

    @Insert("insert into audit_entry (practice_id, person_id, at, action, entity, entity_id, detail) "
            + "values (#{practice}, #{person}, #{at}, #{action}, #{entity}, #{id}, #{detail})")
    void insert(
            @Param("practice") UUID practice,
            @Param("person") UUID person,
            @Param("at") Instant at,
            @Param("action") String action,
            @Param("entity") String entity,
            @Param("id") UUID id,
            @Param("detail") String detail);

    /** Which entries: {@code null} leaves a choice open. */
    record Wanted(
            @Nullable UUID person,
            @Nullable String entity,
            @Nullable Instant from,
            @Nullable Instant until,
            @Nullable Long before,
            int most) {}

    @Select({
        "<script>",
        "select a.id as number, a.at, a.person_id, p.name as person, a.action, a.entity, a.entity_id as id, a.detail",
        "from audit_entry a join person p on p.id = a.person_id where a.practice_id = #{practice}",
        "<if test='w.person != null'> and a.person_id = #{w.person}</if>",
        "<if test='w.entity != null'> and a.entity = #{w.entity}</if>",
        "<if test='w.from != null'> and a.at &gt;= #{w.from}</if>",
        "<if test='w.until != null'> and a.at &lt; #{w.until}</if>",
        "<if test='w.before != null'> and a.id &lt; #{w.before}</if>",
        "order by a.id desc fetch first #{w.most} rows only",
        "</script>"
    })
    List<LogController.Entry> entries(@Param("practice") UUID practice, @Param("w") Wanted wanted);

    /** Of the newest entries only, so that a long log takes no longer. */
    @Select("select distinct entity from (select entity from audit_entry where practice_id = #{practice} "
            + "order by id desc fetch first 2000 rows only) newest order by entity")
    List<String> entities(UUID practice);

    @Select("select count(*) from audit_entry where entity_id = #{id} and practice_id = #{practice} "
            + "and action = 'delete' and entity = #{entity}")
    int removals(@Param("practice") UUID practice, @Param("entity") String entity, @Param("id") UUID id);
}
