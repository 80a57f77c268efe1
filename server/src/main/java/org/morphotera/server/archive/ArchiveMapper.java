package org.morphotera.server.archive;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Rows of what is set for nightly archives. */
@Mapper
interface ArchiveMapper {

    record Row(
            UUID practiceId, boolean nightly, String folder, int keep, Instant lastAt, String lastSaid, int version) {}

    String ROW = "select practice_id, nightly, folder, keep, last_at, last_said, version from archive_setting ";

    @Select(ROW + "where practice_id = #{practice}")
    Row setting(UUID practice);

    @Select(ROW + "where nightly")
    List<Row> nightly();

    @Select("select id from practice order by id")
    List<UUID> practices();

    @Insert("insert into archive_setting (practice_id, nightly, folder, keep, version) "
            + "values (#{r.practiceId}, #{r.nightly}, #{r.folder}, #{r.keep}, #{r.version})")
    void insert(@Param("r") Row row);

    @Update("update archive_setting set nightly = #{r.nightly}, folder = #{r.folder}, keep = #{r.keep}, "
            + "version = #{r.version} where practice_id = #{r.practiceId} and version = #{r.version} - 1")
    int update(@Param("r") Row row);

    /** Takes tonight's on; 0 where another server did. */
    @Update("update archive_setting set last_at = #{at} where practice_id = #{practice} "
            + "and (last_at = #{before} or last_at is null and cast(#{before} as timestamp with time zone) is null)")
    int claim(
            @Param("practice") UUID practice,
            @Param("before") @Nullable Instant before,
            @Param("at") @Nullable Instant at);

    /** Gives it back, for another server to take. */
    @Update("update archive_setting set last_at = #{before} where practice_id = #{practice}")
    void leave(@Param("practice") UUID practice, @Param("before") @Nullable Instant before);

    @Update("update archive_setting set last_at = #{at}, last_said = #{said} where practice_id = #{practice}")
    void made(@Param("practice") UUID practice, @Param("at") Instant at, @Param("said") String said);
}
