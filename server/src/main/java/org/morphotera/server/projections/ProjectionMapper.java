package org.morphotera.server.projections;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** By which version of the rules the projections were made. */
@Mapper
interface ProjectionMapper {

    @Select("select max(version) from projection")
    int projectionVersion();

    @Update("update projection set version = #{version}")
    void projected(@Param("version") int version);
}
