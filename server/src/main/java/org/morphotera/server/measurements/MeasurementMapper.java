package org.morphotera.server.measurements;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of measurements. Every query names the practice. */
@Mapper
public interface MeasurementMapper extends MeasurementReader {

    /** By which version of the rules the projections were made. */
    @Select("select max(version) from projection")
    int projectionVersion();

    @Update("update projection set version = #{version}")
    void projected(@Param("version") int version);
}
