package org.morphotera.server.clocks;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
public interface TimerMapper extends RunningClocks {

    String TIMER = "select t.id, t.visit_id, t.stop_id, s.label as stop, f.id as field_id, f.name as field, "
            + "t.measurement_id, t.method, t.started_at, t.stopped_at from timer t "
            + "join stop s on s.id = t.stop_id join field f on f.id = s.field_id ";

    /** A clock without its steps. */
    record TimerRow(
            UUID id,
            UUID visitId,
            UUID stopId,
            String stop,
            UUID fieldId,
            String field,
            UUID measurementId,
            String method,
            Instant startedAt,
            Instant stoppedAt) {}

    record StepRow(UUID id, UUID timerId, String code, Instant dueAt, int toleranceSeconds, Instant doneAt) {}

    @Select(TIMER + "where t.practice_id = #{practice} and t.stopped_at is null order by t.started_at, t.id")
    List<TimerRow> running(UUID practice);

    @Select(TIMER + "where t.practice_id = #{practice} and t.id = #{id}")
    TimerRow timer(@Param("practice") UUID practice, @Param("id") UUID id);

    /** How many rows of other practices have this id for a test, recorded or on its way. */
    @Select("select (select count(*) from measurement where id = #{measurement} and practice_id <> #{practice}) + "
            + "(select count(*) from draft where id = #{measurement} and practice_id <> #{practice})")
    int takenElsewhere(@Param("practice") UUID practice, @Param("measurement") UUID measurement);

    @Insert("insert into timer (id, practice_id, visit_id, stop_id, measurement_id, method, started_at) values "
            + "(#{id}, #{practice}, #{t.visitId}, #{t.stopId}, #{t.measurementId}, #{t.method}, #{t.startedAt})")
    void insert(@Param("practice") UUID practice, @Param("id") UUID id, @Param("t") Timer.Write timer);

    @Update("update timer set stopped_at = #{at} where practice_id = #{practice} and id = #{id}")
    void stop(@Param("practice") UUID practice, @Param("id") UUID id, @Param("at") Instant at);

    @Select("select s.id, s.timer_id, s.code, s.due_at, s.tolerance_seconds, s.done_at from timer_step s "
            + "join timer t on t.id = s.timer_id where t.practice_id = #{practice} and t.stopped_at is null "
            + "order by s.due_at, s.id")
    List<StepRow> stepsOfRunning(UUID practice);

    @Select("select id, timer_id, code, due_at, tolerance_seconds, done_at from timer_step "
            + "where practice_id = #{practice} and timer_id = #{timer} order by due_at, id")
    List<StepRow> steps(@Param("practice") UUID practice, @Param("timer") UUID timer);

    @Select("select id, timer_id, code, due_at, tolerance_seconds, done_at from timer_step "
            + "where practice_id = #{practice} and id = #{id}")
    StepRow step(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into timer_step (id, practice_id, timer_id, code, due_at, tolerance_seconds) values "
            + "(#{s.id}, #{practice}, #{timer}, #{s.code}, #{s.dueAt}, #{s.toleranceSeconds})")
    void insertStep(@Param("practice") UUID practice, @Param("timer") UUID timer, @Param("s") Timer.StepWrite step);

    @Update("update timer_step set done_at = #{at} where practice_id = #{practice} and id = #{id}")
    void markDone(@Param("practice") UUID practice, @Param("id") UUID id, @Param("at") Instant at);
}
