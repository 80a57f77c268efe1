package org.morphotera.server.visits;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Rows of fixes. Every query names the practice. */
@Mapper
interface FixMapper extends FixReader {

    @Select("select " + COLUMNS + " from fix where practice_id = #{practice} and id = #{id}")
    Fix fix(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into fix (practice_id, " + COLUMNS + ") values (#{practice}, #{f.id}, #{f.visitId}, #{f.stopId}, "
            + "#{f.longitude}, #{f.latitude}, #{f.accuracyM}, #{f.takenAt})")
    void insert(@Param("practice") UUID practice, @Param("f") Fix fix);

    /** The fixes of a visit in the order of standing. */
    @Override
    @Select("select " + COLUMNS + " from fix where practice_id = #{practice} and visit_id = #{visit} "
            + "order by taken_at, id")
    List<Fix> fixesOf(@Param("practice") UUID practice, @Param("visit") UUID visit);
}
