package org.morphotera.server.audit;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

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

    @Select("select count(*) from audit_entry where entity_id = #{id} and practice_id = #{practice} "
            + "and action = 'delete' and entity = #{entity}")
    int removals(@Param("practice") UUID practice, @Param("entity") String entity, @Param("id") UUID id);
}
