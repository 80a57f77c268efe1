package org.morphotera.server.days;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of planned days and their marks. Every query names the practice. */
@Mapper
public interface DayMapper {

    /** A planned day as it is kept. */
    record Row(UUID id, LocalDate plannedOn, String content, int version) {}

    String MARK = "id, plan_id, stop_id, method, step, person, begun_at, ended_at, version";

    @Select("select id, planned_on, content, version from day_plan where practice_id = #{practice} and id = #{id}")
    Row day(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select id, planned_on, content, version from day_plan where practice_id = #{practice} "
            + "and planned_on >= #{from} order by planned_on, id fetch first 60 rows only")
    List<Row> from(@Param("practice") UUID practice, @Param("from") LocalDate from);

    @Insert("insert into day_plan (practice_id, id, planned_on, content, version) "
            + "values (#{practice}, #{r.id}, #{r.plannedOn}, #{r.content}, #{r.version})")
    void insertDay(@Param("practice") UUID practice, @Param("r") Row row);

    @Update("update day_plan set planned_on = #{r.plannedOn}, content = #{r.content}, version = #{r.version} "
            + "where practice_id = #{practice} and id = #{r.id} and version = #{r.version} - 1")
    int updateDay(@Param("practice") UUID practice, @Param("r") Row row);

    @Delete("delete from day_mark where practice_id = #{practice} and plan_id = #{id}")
    void deleteMarks(@Param("practice") UUID practice, @Param("id") UUID day);

    @Delete("delete from day_plan where practice_id = #{practice} and id = #{id}")
    void deleteDay(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + MARK + " from day_mark where practice_id = #{practice} and plan_id = #{day} "
            + "order by begun_at, id")
    List<DayMark> marks(@Param("practice") UUID practice, @Param("day") UUID day);

    @Select("select " + MARK + " from day_mark where practice_id = #{practice} and id = #{id}")
    DayMark mark(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into day_mark (practice_id, " + MARK + ") values (#{practice}, #{m.id}, #{m.planId}, #{m.stopId}, "
            + "#{m.method}, #{m.step}, #{m.person}, #{m.begunAt}, #{m.endedAt}, #{m.version})")
    void insertMark(@Param("practice") UUID practice, @Param("m") DayMark mark);

    @Update("update day_mark set person = #{m.person}, begun_at = #{m.begunAt}, ended_at = #{m.endedAt}, "
            + "version = #{m.version} where practice_id = #{practice} and id = #{m.id} "
            + "and version = #{m.version} - 1")
    int updateMark(@Param("practice") UUID practice, @Param("m") DayMark mark);

    @Delete("delete from day_mark where practice_id = #{practice} and id = #{id}")
    void deleteMark(@Param("practice") UUID practice, @Param("id") UUID id);
}
