package org.morphotera.server.measurements;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Rows of what pictures proposed. Every query names the practice. */
@Mapper
interface FromPhotoMapper {

    record Row(String kind, String proposed, int asProposed, int ofAll) {}

    record Sum(int photos, long asProposed, long ofAll) {}

    @Insert("insert into photo_reading (measurement_id, practice_id, kind, proposed, as_proposed, of_all, taken_at) "
            + "values (#{id}, #{practice}, #{r.kind}, #{r.proposed}, #{r.asProposed}, #{r.ofAll}, #{takenAt})")
    void add(
            @Param("practice") UUID practice,
            @Param("id") UUID measurement,
            @Param("takenAt") Instant takenAt,
            @Param("r") Row row);

    @Select("select kind, proposed, as_proposed, of_all from photo_reading "
            + "where measurement_id = #{id} and practice_id = #{practice}")
    Row of(@Param("practice") UUID practice, @Param("id") UUID measurement);

    /** Of the newest alone, so that it neither grows with the years nor judges a camera by what it was long ago. */
    @Select("select count(*) as photos, coalesce(sum(as_proposed), 0) as as_proposed, "
            + "coalesce(sum(of_all), 0) as of_all from (select as_proposed, of_all from photo_reading "
            + "where practice_id = #{practice} and kind = #{kind} order by taken_at desc "
            + "fetch first #{most} rows only) newest")
    Sum sum(@Param("practice") UUID practice, @Param("kind") String kind, @Param("most") int most);
}
