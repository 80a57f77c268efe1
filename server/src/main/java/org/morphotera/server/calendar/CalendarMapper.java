package org.morphotera.server.calendar;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of calendar addresses, and what a calendar shows. Every query names the practice, or a secret. */
@Mapper
interface CalendarMapper {

    record Row(UUID id, UUID practiceId, String name, Instant madeAt, Instant readAt) {}

    String ROW = "select id, practice_id, name, made_at, read_at from calendar_address ";

    /** What somebody made ends with their work in the practice. */
    String OF_THOSE_WHO_WORK =
            "person_id in (select id from person where removed_at is null and role in ('ADVISOR', 'OWNER'))";

    @Insert("insert into calendar_address (id, practice_id, person_id, secret_hash, name, made_at) "
            + "values (#{id}, #{practice}, #{person}, #{hash}, #{name}, #{at})")
    void insert(
            @Param("id") UUID id,
            @Param("practice") UUID practice,
            @Param("person") UUID person,
            @Param("hash") String hash,
            @Param("name") String name,
            @Param("at") Instant at);

    /** Those that answer: of people who still work in the practice. */
    @Select(ROW + "where practice_id = #{practice} and " + OF_THOSE_WHO_WORK + " order by made_at, id")
    List<Row> addresses(UUID practice);

    @Select(ROW + "where practice_id = #{practice} and id = #{id}")
    Row address(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select(ROW + "where secret_hash = #{hash} and " + OF_THOSE_WHO_WORK
            + " and practice_id in (select id from practice where closed_at is null)")
    Row bySecret(String hash);

    @Update("update calendar_address set read_at = #{at} where id = #{id}")
    void read(@Param("id") UUID id, @Param("at") Instant at);

    @Delete("delete from calendar_address where practice_id = #{practice} and id = #{id}")
    void delete(@Param("practice") UUID practice, @Param("id") UUID id);

    /** A moment that a running clock will call out. */
    record ClockRow(UUID id, String method, String code, Instant dueAt, String stop, String field) {}

    @Select("select t.id, c.method, t.code, t.due_at, s.label as stop, f.name as field from timer_step t "
            + "join timer c on c.id = t.timer_id join stop s on s.id = c.stop_id join field f on f.id = s.field_id "
            + "where t.practice_id = #{practice} and c.stopped_at is null and t.done_at is null "
            + "order by t.due_at, t.id fetch first 400 rows only")
    List<ClockRow> clocks(UUID practice);

    record DayRow(UUID id, LocalDate plannedOn) {}

    @Select("select id, planned_on from day_plan where practice_id = #{practice} and planned_on >= #{from} "
            + "order by planned_on, id fetch first 200 rows only")
    List<DayRow> days(@Param("practice") UUID practice, @Param("from") LocalDate from);
}
