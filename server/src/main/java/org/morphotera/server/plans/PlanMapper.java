package org.morphotera.server.plans;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of actions and products. Every query names the practice. */
@Mapper
public interface PlanMapper {

    String ACTION = "id, field_id, kind, constraint_code, calculator, inputs, amount, cost, person, due_from, due_to, "
            + "state, reason, confirmed_by, done_on, actual_rate, follow_up_on, follow_up, version, event_id";

    /** An action as it is stored: inputs as text. */
    record ActionRow(
            UUID id,
            UUID fieldId,
            String kind,
            String constraintCode,
            String calculator,
            String inputs,
            String amount,
            Double cost,
            String person,
            LocalDate dueFrom,
            LocalDate dueTo,
            String state,
            String reason,
            String confirmedBy,
            LocalDate doneOn,
            String actualRate,
            LocalDate followUpOn,
            String followUp,
            int version,
            UUID eventId) {}

    /** A product as it is stored: inputs as text. */
    record ProductRow(UUID id, String name, String calculator, String inputs, int version) {}

    @Select("select " + ACTION + " from action where practice_id = #{practice} and field_id = #{field} order by id")
    List<ActionRow> actions(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select("select " + ACTION + " from action where practice_id = #{practice} and id = #{id}")
    ActionRow action(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into action (practice_id, " + ACTION + ") values (#{practice}, #{a.id}, #{a.fieldId}, #{a.kind}, "
            + "#{a.constraintCode}, #{a.calculator}, #{a.inputs}, #{a.amount}, #{a.cost}, #{a.person}, #{a.dueFrom}, "
            + "#{a.dueTo}, #{a.state}, #{a.reason}, #{a.confirmedBy}, #{a.doneOn}, #{a.actualRate}, #{a.followUpOn}, #{a.followUp}, "
            + "#{a.version}, #{a.eventId})")
    void insertAction(@Param("practice") UUID practice, @Param("a") ActionRow action);

    @Update("update action set kind = #{a.kind}, constraint_code = #{a.constraintCode}, calculator = #{a.calculator}, "
            + "inputs = #{a.inputs}, amount = #{a.amount}, cost = #{a.cost}, person = #{a.person}, "
            + "due_from = #{a.dueFrom}, due_to = #{a.dueTo}, state = #{a.state}, reason = #{a.reason}, confirmed_by = #{a.confirmedBy}, "
            + "done_on = #{a.doneOn}, actual_rate = #{a.actualRate}, follow_up_on = #{a.followUpOn}, "
            + "follow_up = #{a.followUp}, version = #{a.version}, event_id = #{a.eventId} "
            + "where practice_id = #{practice} and id = #{a.id} and version = #{a.version} - 1")
    int updateAction(@Param("practice") UUID practice, @Param("a") ActionRow action);

    @Delete("delete from action where practice_id = #{practice} and id = #{id}")
    int deleteAction(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select id, name, calculator, inputs, version from product where practice_id = #{practice} "
            + "order by calculator, name, id")
    List<ProductRow> products(UUID practice);

    @Select("select id, name, calculator, inputs, version from product "
            + "where practice_id = #{practice} and id = #{id}")
    ProductRow product(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into product (id, practice_id, name, calculator, inputs, version) "
            + "values (#{p.id}, #{practice}, #{p.name}, #{p.calculator}, #{p.inputs}, #{p.version})")
    void insertProduct(@Param("practice") UUID practice, @Param("p") ProductRow product);

    @Update("update product set name = #{p.name}, calculator = #{p.calculator}, inputs = #{p.inputs}, "
            + "version = #{p.version} "
            + "where practice_id = #{practice} and id = #{p.id} and version = #{p.version} - 1")
    int updateProduct(@Param("practice") UUID practice, @Param("p") ProductRow product);

    @Delete("delete from product where practice_id = #{practice} and id = #{id}")
    int deleteProduct(@Param("practice") UUID practice, @Param("id") UUID id);
}
