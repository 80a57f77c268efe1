package org.morphotera.server.testsets;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of a practice's own sets of tests. Every query names the practice. */
@Mapper
interface TestSetMapper {

    /** A set as it is stored: method ids joined by commas. */
    record Row(UUID id, String name, String methods, int version) {}

    @Select("select id, name, methods, version from test_set where practice_id = #{practice} order by name, id")
    List<Row> all(UUID practice);

    @Select("select id, name, methods, version from test_set where practice_id = #{practice} and id = #{id}")
    Row one(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into test_set (id, practice_id, name, methods, version) "
            + "values (#{s.id}, #{practice}, #{s.name}, #{s.methods}, #{s.version})")
    void insert(@Param("practice") UUID practice, @Param("s") Row set);

    @Update("update test_set set name = #{s.name}, methods = #{s.methods}, version = #{s.version} "
            + "where practice_id = #{practice} and id = #{s.id} and version = #{s.version} - 1")
    int update(@Param("practice") UUID practice, @Param("s") Row set);

    @Delete("delete from test_set where practice_id = #{practice} and id = #{id}")
    int delete(@Param("practice") UUID practice, @Param("id") UUID id);
}
