package org.morphotera.server.accounts.role;

import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What is within a limited person's reach, by their id. */
@Mapper
interface AccessScopeMapper {

    @Select("select count(*) from field f join person p on p.grower_id = f.grower_id and p.practice_id = f.practice_id "
            + "where p.id = #{person} and f.id = #{field}")
    int grownBy(@Param("person") UUID person, @Param("field") UUID field);

    @Select("select count(*) from visit_helper h join visit v on v.id = h.visit_id "
            + "where h.person_id = #{person} and v.field_id = #{field}")
    int givenField(@Param("person") UUID person, @Param("field") UUID field);

    @Select("select count(*) from visit_helper where person_id = #{person} and visit_id = #{visit}")
    int given(@Param("person") UUID person, @Param("visit") UUID visit);

    @Select("select visit_id from visit_helper where person_id = #{person}")
    Set<UUID> visits(UUID person);
}
