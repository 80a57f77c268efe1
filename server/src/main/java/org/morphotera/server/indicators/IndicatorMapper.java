package org.morphotera.server.indicators;

import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

@Mapper
public interface IndicatorMapper extends IndicatorReader {

    @Insert(
            "insert into indicator_value (practice_id, latest, " + COLUMNS + ") values (#{practice}, false, "
                    + "#{r.measurementId}, #{r.indicator}, #{r.fieldId}, #{r.visitId}, #{r.stopId}, #{r.method}, #{r.band}, "
                    + "#{r.depthTopMm}, #{r.depthBottomMm}, #{r.standing}, #{r.standingLow}, #{r.standingHigh}, #{r.code}, "
                    + "#{r.figure}, #{r.figureLow}, #{r.figureHigh}, #{r.unit}, #{r.points}, #{r.kind}, #{r.source}, #{r.takenAt})")
    void insert(@Param("practice") UUID practice, @Param("r") IndicatorRow row);

    @Delete("delete from indicator_value where practice_id = #{practice} and measurement_id = #{id}")
    void delete(@Param("practice") UUID practice, @Param("id") UUID measurement);

    @Delete("delete from indicator_value where practice_id = #{practice} and field_id = #{field}")
    void deleteOfField(@Param("practice") UUID practice, @Param("field") UUID field);

    @Update("update indicator_value set latest = (measurement_id = #{newest}) "
            + "where stop_id = #{stop} and indicator = #{indicator} and band = #{band} and source = #{source} "
            + "and (latest or measurement_id = #{newest})")
    void markLatest(
            @Param("stop") UUID stop,
            @Param("indicator") String indicator,
            @Param("band") String band,
            @Param("source") String source,
            @Param("newest") UUID newest);
}
