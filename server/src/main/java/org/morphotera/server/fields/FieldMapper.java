package org.morphotera.server.fields;

import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

/** Rows of growers, fields, stops and events. Every query names the practice. */
@Mapper
public interface FieldMapper extends FieldReader {

    @Insert("insert into grower (id, practice_id, name, contact, version) "
            + "values (#{g.id}, #{practice}, #{g.name}, #{g.contact}, #{g.version})")
    void insertGrower(@Param("practice") UUID practice, @Param("g") Grower grower);

    @Update("update grower set name = #{g.name}, contact = #{g.contact}, version = #{g.version} "
            + "where practice_id = #{practice} and id = #{g.id} and version = #{g.version} - 1")
    int updateGrower(@Param("practice") UUID practice, @Param("g") Grower grower);

    @Insert(
            "insert into field (practice_id, " + FIELD + ") values (#{practice}, #{f.id}, #{f.growerId}, #{f.name}, "
                    + "#{f.landUse}, #{f.crop}, #{f.areaHa}, #{f.textureClass}, #{f.purpose}, #{f.soilNote}, #{f.boundary}, #{f.zones}, #{f.avoid}, #{f.version})")
    void insertField(@Param("practice") UUID practice, @Param("f") Field field);

    @Update("update field set grower_id = #{f.growerId}, name = #{f.name}, land_use = #{f.landUse}, crop = #{f.crop}, "
            + "area_ha = #{f.areaHa}, texture_class = #{f.textureClass}, purpose = #{f.purpose}, "
            + "soil_note = #{f.soilNote}, boundary = #{f.boundary}, zones = #{f.zones}, avoid = #{f.avoid}, version = #{f.version} "
            + "where practice_id = #{practice} and id = #{f.id} and version = #{f.version} - 1")
    int updateField(@Param("practice") UUID practice, @Param("f") Field field);

    @Insert("insert into stop (practice_id, " + STOP + ") values (#{practice}, #{s.id}, #{s.fieldId}, #{s.label}, "
            + "#{s.note}, #{s.longitude}, #{s.latitude}, #{s.position}, #{s.role}, #{s.areaSharePct}, #{s.endLongitude}, "
            + "#{s.endLatitude}, #{s.retiredOn}, #{s.version})")
    void insertStop(@Param("practice") UUID practice, @Param("s") Stop stop);

    @Update("update stop set label = #{s.label}, note = #{s.note}, longitude = #{s.longitude}, "
            + "latitude = #{s.latitude}, position = #{s.position}, role = #{s.role}, "
            + "area_share_pct = #{s.areaSharePct}, end_longitude = #{s.endLongitude}, "
            + "end_latitude = #{s.endLatitude}, retired_on = #{s.retiredOn}, version = #{s.version} "
            + "where practice_id = #{practice} and id = #{s.id} and version = #{s.version} - 1")
    int updateStop(@Param("practice") UUID practice, @Param("s") Stop stop);

    @Delete("delete from stop where practice_id = #{practice} and id = #{id}")
    void deleteStop(@Param("practice") UUID practice, @Param("id") UUID id);

    /** Which stops speak for their field; all of them where {@code role} is {@code null}. */
    @Update("update stop set leads = (#{role,jdbcType=VARCHAR} is null or role = #{role,jdbcType=VARCHAR}) "
            + "where practice_id = #{practice} and field_id = #{field}")
    void markLeading(@Param("practice") UUID practice, @Param("field") UUID field, @Param("role") String role);

    @Insert(
            "insert into management_event (practice_id, " + EVENT + ") values (#{practice}, #{e.id}, #{e.fieldId}, "
                    + "#{e.happenedOn}, #{e.kind}, #{e.what}, #{e.rate}, #{e.cost}, #{e.stopIds,typeHandler=org.morphotera.server.web.sql.UuidListTypeHandler}, #{e.version})")
    void insertEvent(@Param("practice") UUID practice, @Param("e") ManagementEvent event);

    @Update("update management_event set happened_on = #{e.happenedOn}, kind = #{e.kind}, what = #{e.what}, "
            + "rate = #{e.rate}, cost = #{e.cost}, stop_ids = #{e.stopIds,typeHandler=org.morphotera.server.web.sql.UuidListTypeHandler}, version = #{e.version} "
            + "where practice_id = #{practice} and id = #{e.id} and version = #{e.version} - 1")
    int updateEvent(@Param("practice") UUID practice, @Param("e") ManagementEvent event);

    @Delete("delete from management_event where practice_id = #{practice} and id = #{id}")
    int deleteEvent(@Param("practice") UUID practice, @Param("id") UUID id);
}
