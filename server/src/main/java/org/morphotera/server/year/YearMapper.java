package org.morphotera.server.year;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What is due, read from what other features keep. Every query names the practice. */
@Mapper
interface YearMapper {

    /** A field whose turn it is. {@code level} is that of what limits it, or {@code null}. */
    record FieldRow(UUID fieldId, String field, LocalDate dueOn, LocalDate lastVisit, String level, String content) {}

    record ActionRow(
            UUID id,
            UUID fieldId,
            String field,
            String kind,
            String amount,
            String state,
            LocalDate dueFrom,
            LocalDate dueTo,
            LocalDate followUpOn,
            String followUp,
            LocalDate lastVisit) {}

    @Select("select field_id, name as field, due_on, last_visit, level, content from field_strip "
            + "where practice_id = #{practice} and due_on < #{until} order by practice_id, due_on, name, field_id "
            + "fetch first 400 rows only")
    List<FieldRow> fields(@Param("practice") UUID practice, @Param("until") LocalDate until);

    @Select("select a.id, a.field_id, f.name as field, a.kind, a.amount, a.state, a.due_from, a.due_to, "
            + "a.follow_up_on, a.follow_up, (select max(v.visited_on) from visit v where v.field_id = f.id) as last_visit "
            + "from action a join field f on f.id = a.field_id "
            + "where a.practice_id = #{practice} and a.state <> 'dropped' "
            + "and (a.state = 'agreed' and coalesce(a.due_from, a.due_to) < #{until} "
            + "or a.state = 'done' and a.follow_up_on < #{until}) "
            + "order by coalesce(a.follow_up_on, a.due_from, a.due_to), a.id fetch first 400 rows only")
    List<ActionRow> actions(@Param("practice") UUID practice, @Param("until") LocalDate until);
}
