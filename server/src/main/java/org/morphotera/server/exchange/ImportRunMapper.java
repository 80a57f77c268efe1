package org.morphotera.server.exchange;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Tables that are being taken in, and what they made so far. */
@Mapper
interface ImportRunMapper {

    /** @param stamp the moment of recording of all that it adds, and of nothing else */
    record Row(UUID id, UUID practiceId, UUID personId, Instant stamp) {}

    @Insert("insert into import_run (id, practice_id, person_id, stamp, server_id) "
            + "values (#{r.id}, #{r.practiceId}, #{r.personId}, #{r.stamp}, #{server})")
    void begin(@Param("r") Row row, @Param("server") UUID server);

    @Select("select id, practice_id, person_id, stamp from import_run r where server_id = #{own} or not exists "
            + "(select 1 from server s where s.id = r.server_id and s.seen_at > #{gone}) order by stamp")
    List<Row> runs(@Param("own") UUID own, @Param("gone") Instant gone);

    @Select("select row_id from import_trace where run_id = #{run} and kind = #{kind} order by row_id")
    List<UUID> traces(@Param("run") UUID run, @Param("kind") String kind);

    @Delete("delete from import_trace where run_id = #{run}")
    void forgetTraces(UUID run);

    @Delete("delete from import_run where id = #{run}")
    void forget(UUID run);
}
