package org.morphotera.server.jobs;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.morphotera.server.accounts.role.Role;

/** Rows of long work. */
@Mapper
interface JobMapper {

    /** A row: the result as JSON text. */
    record Row(
            UUID id,
            UUID practiceId,
            UUID personId,
            Role role,
            String kind,
            String state,
            long done,
            long total,
            String result,
            Instant startedAt,
            Instant endedAt) {}

    String ROW =
            "select id, practice_id, person_id, role, kind, state, done, total, result, started_at, ended_at from job ";

    @Insert("insert into job (id, practice_id, person_id, role, kind, state, done, total, started_at, "
            + "server_id) values (#{id}, #{practice}, #{person}, #{role}, #{kind}, 'running', 0, 0, #{at}, #{server})")
    void insert(
            @Param("id") UUID id,
            @Param("practice") UUID practice,
            @Param("person") UUID person,
            @Param("role") Role role,
            @Param("kind") String kind,
            @Param("at") Instant at,
            @Param("server") UUID server);

    @Update("update job set state = #{state}, done = #{done}, total = #{total}, result = #{result}, ended_at = #{at} "
            + "where id = #{id}")
    void end(
            @Param("id") UUID id,
            @Param("state") String state,
            @Param("done") long done,
            @Param("total") long total,
            @Param("result") String result,
            @Param("at") Instant at);

    /** What a stopped server left undone. */
    @Update("update job set state = 'failed', result = #{result}, ended_at = #{at} where state = 'running' "
            + "and not exists (select 1 from server s where s.id = job.server_id and s.seen_at > #{gone})")
    int endLeft(@Param("result") String result, @Param("at") Instant at, @Param("gone") Instant gone);

    /** How far it is, for whoever asks another server. */
    @Update("update job set done = #{done}, total = #{total} where id = #{id} and state = 'running'")
    void progress(@Param("id") UUID id, @Param("done") long done, @Param("total") long total);

    @Select(ROW + "where practice_id = #{practice} and id = #{id}")
    Row job(@Param("practice") UUID practice, @Param("id") UUID id);

    /** The newest that somebody may see: an owner all, others their own that need no owner. */
    @Select(ROW + "where practice_id = #{practice} and (#{owner} = true or person_id = #{person} and role <> 'OWNER') "
            + "order by started_at desc, id fetch first 20 rows only")
    List<Row> jobs(@Param("practice") UUID practice, @Param("person") UUID person, @Param("owner") boolean owner);

    @Select("select id from job where ended_at < #{before}")
    List<UUID> endedBefore(Instant before);

    @Delete("delete from job where id = #{id} and state <> 'running'")
    int delete(UUID id);
}
