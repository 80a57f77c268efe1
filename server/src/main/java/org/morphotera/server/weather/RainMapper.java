package org.morphotera.server.weather;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of rain readings. Every query names the practice. */
@Mapper
interface RainMapper {

    String COLUMNS = "id, field_id, fell_on, rain_mm, version";

    @Select("select " + COLUMNS + " from rain_reading where practice_id = #{practice} and id = #{id}")
    RainReading reading(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + COLUMNS + " from rain_reading where practice_id = #{practice} and field_id = #{field} "
            + "and fell_on >= #{from} order by fell_on desc")
    List<RainReading> since(
            @Param("practice") UUID practice, @Param("field") UUID field, @Param("from") LocalDate from);

    @Select("select " + COLUMNS + " from rain_reading where practice_id = #{practice} and field_id = #{field} "
            + "and fell_on = #{day}")
    RainReading on(@Param("practice") UUID practice, @Param("field") UUID field, @Param("day") LocalDate day);

    @Insert("insert into rain_reading (practice_id, " + COLUMNS + ") values "
            + "(#{practice}, #{r.id}, #{r.fieldId}, #{r.fellOn}, #{r.rainMm}, #{r.version})")
    void insert(@Param("practice") UUID practice, @Param("r") RainReading reading);

    @Update("update rain_reading set rain_mm = #{r.rainMm}, version = #{r.version} "
            + "where practice_id = #{practice} and id = #{r.id} and version = #{r.version} - 1")
    int update(@Param("practice") UUID practice, @Param("r") RainReading reading);

    @Delete("delete from rain_reading where practice_id = #{practice} and id = #{id}")
    int delete(@Param("practice") UUID practice, @Param("id") UUID id);
}
