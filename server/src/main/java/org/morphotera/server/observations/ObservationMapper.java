package org.morphotera.server.observations;

import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

/** Rows of observations. Every query names the practice. */
@Mapper
public interface ObservationMapper extends ObservationReader {

    @Insert("insert into observation (practice_id, field_id, " + COLUMNS + ") values (#{practice}, #{field}, #{o.id}, "
            + "#{o.visitId}, #{o.stopId}, #{o.cropVigour}, #{o.slopePct}, #{o.rills}, #{o.whiteCrust}, "
            + "#{o.standingWater}, #{o.note}, #{o.version})")
    void insert(@Param("practice") UUID practice, @Param("field") UUID field, @Param("o") Observation observation);

    @Update("update observation set crop_vigour = #{o.cropVigour}, slope_pct = #{o.slopePct}, rills = #{o.rills}, "
            + "white_crust = #{o.whiteCrust}, standing_water = #{o.standingWater}, note = #{o.note}, "
            + "version = #{o.version} "
            + "where practice_id = #{practice} and id = #{o.id} and version = #{o.version} - 1")
    int update(@Param("practice") UUID practice, @Param("o") Observation observation);
}
