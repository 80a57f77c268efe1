package org.morphotera.server.measurements;

import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of measurements. Every query names the practice. */
@Mapper
public interface MeasurementMapper extends MeasurementReader {

    @Insert("insert into measurement (id, practice_id, field_id, visit_id, stop_id, method, depth_top_mm, "
            + "depth_bottom_mm, readings, context, evaluation, core_version, benchmarks, taken_at, person_id, supersedes, reason, "
            + "note, recorded_at) values (#{m.id}, #{practice}, #{m.fieldId}, #{m.visitId}, #{m.stopId}, #{m.method}, "
            + "#{m.depthTopMm}, #{m.depthBottomMm}, #{m.readings}, #{m.context}, #{m.evaluation}, #{m.coreVersion}, #{m.benchmarks}, "
            + "#{m.takenAt}, #{person}, #{m.supersedes}, #{m.reason}, #{m.note}, #{m.recordedAt})")
    void insertMeasurement(
            @Param("practice") UUID practice, @Param("person") UUID person, @Param("m") StoredMeasurement measurement);

    /** By which version of the rules the projections were made. */
    @Select("select max(version) from projection")
    int projectionVersion();

    @Update("update projection set version = #{version}")
    void projected(@Param("version") int version);
}
