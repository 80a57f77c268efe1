package org.morphotera.server.faces;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Rows of strips. Every query names the practice, or a row that was found by one that does. */
@Mapper
interface SummaryMapper {

    /** @param followUpOn first day after the last visit on which something done is to be tested, or {@code null} */
    record Summary(String grower, int stops, LocalDate lastVisit, LocalDate followUpOn) {}

    /** What is kept of a field for finding and ordering it, and its strip as text. */
    record FieldRow(
            UUID fieldId,
            String name,
            String grower,
            String search,
            String level,
            double standing,
            LocalDate lastVisit,
            LocalDate dueOn,
            String content) {}

    record VisitBands(UUID visitId, boolean stale, String bands) {}

    /** What to show of the fields: words that must all be found, a level, a grower, an order, a slice; of a person whose reach is limited, what is in it. */
    record Wanted(
            List<String> words,
            String level,
            String grower,
            String order,
            int limit,
            int offset,
            @Nullable UUID grownBy,
            @Nullable UUID givenTo) {}

    @Update("update field_strip set stale = true, marks = marks + 1 "
            + "where practice_id = #{practice} and field_id = #{field}")
    int markField(@Param("practice") UUID practice, @Param("field") UUID field);

    @Insert("insert into field_strip (field_id, practice_id, stale, name, grower, search, standing) "
            + "values (#{field}, #{practice}, true, '', '', '', 2)")
    void addField(@Param("practice") UUID practice, @Param("field") UUID field);

    @Update("update field_strip set stale = true, marks = marks + 1 where practice_id = #{practice} and field_id in "
            + "(select id from field where practice_id = #{practice} and grower_id = #{grower})")
    void markGrower(@Param("practice") UUID practice, @Param("grower") UUID grower);

    @Update("update visit_strip set stale = true, marks = marks + 1 "
            + "where practice_id = #{practice} and field_id = #{field}")
    int markVisits(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select("select count(*) from visit_strip where practice_id = #{practice} and visit_id = #{visit}")
    int countVisit(@Param("practice") UUID practice, @Param("visit") UUID visit);

    @Insert("insert into visit_strip (visit_id, practice_id, field_id, stale) "
            + "values (#{visit}, #{practice}, #{field}, true)")
    void addVisit(@Param("practice") UUID practice, @Param("field") UUID field, @Param("visit") UUID visit);

    @Delete("delete from visit_strip where practice_id = #{practice} and visit_id = #{visit}")
    void removeVisit(@Param("practice") UUID practice, @Param("visit") UUID visit);

    /** A strip that is to be made again, and how often it was marked until now. */
    record Stale(UUID practiceId, UUID fieldId, UUID visitId, long marks) {}

    @Select("select practice_id, field_id, null as visit_id, marks from field_strip where stale "
            + "fetch first #{most} rows only")
    List<Stale> staleFields(int most);

    @Select("select practice_id, field_id, visit_id, marks from visit_strip where stale fetch first #{most} rows only")
    List<Stale> staleVisits(int most);

    /** What a list shows: the strip as it was made, which may be of before the last write. */
    record Strip(UUID fieldId, boolean stale, String content) {}

    @Select("select g.name as grower, (select count(*) from stop s where s.field_id = f.id) as stops, "
            + "(select max(v.visited_on) from visit v where v.field_id = f.id) as last_visit, "
            + "(select min(a.follow_up_on) from action a where a.field_id = f.id and a.state <> 'dropped' and "
            + "a.follow_up_on > (select max(v.visited_on) from visit v where v.field_id = f.id)) as follow_up_on "
            + "from field f join grower g on g.id = f.grower_id where f.practice_id = #{practice} and f.id = #{field}")
    Summary summary(@Param("practice") UUID practice, @Param("field") UUID field);

    /** Keeps a strip; it stays stale where it was marked again since it was read. */
    @Update("update field_strip set stale = (marks <> #{marks}), name = #{r.name}, grower = #{r.grower}, "
            + "search = #{r.search}, "
            + "level = #{r.level}, standing = #{r.standing}, last_visit = #{r.lastVisit}, due_on = #{r.dueOn}, "
            + "content = #{r.content} where field_id = #{r.fieldId}")
    void keepField(@Param("r") FieldRow row, @Param("marks") long marks);

    @Select("select count(*) from field_strip where practice_id = #{practice} and stale")
    int countStale(UUID practice);

    @Select({
        "<script>",
        "select field_id, stale, content from field_strip where practice_id = #{practice}",
        "<foreach item='word' collection='w.words'> and position(#{word} in search) > 0</foreach>",
        "<if test='w.level != null'> and level = #{w.level}</if>",
        "<if test='w.grower != null'> and grower = #{w.grower}</if>",
        "<if test='w.grownBy != null'> and field_id in (select f.id from field f join person p "
                + "on p.grower_id = f.grower_id where p.id = #{w.grownBy})</if>",
        "<if test='w.givenTo != null'> and field_id in (select v.field_id from visit v join visit_helper h "
                + "on h.visit_id = v.id where h.person_id = #{w.givenTo})</if>",
        // the practice is the same for all: so an index that begins with it gives the order
        "order by practice_id,",
        "<choose>",
        "<when test=\"w.order == 'name'\">name, field_id</when>",
        "<when test=\"w.order == 'visit'\">last_visit nulls first, name, field_id</when>",
        "<when test=\"w.order == 'due'\">due_on nulls first, name, field_id</when>",
        "<when test='w.level != null'>level, standing, name, field_id</when>",
        "<otherwise>standing, name, field_id</otherwise>",
        "</choose>",
        "offset #{w.offset} rows fetch next #{w.limit} rows only",
        "</script>"
    })
    List<Strip> strips(@Param("practice") UUID practice, @Param("w") Wanted wanted);

    @Update("update visit_strip set stale = (marks <> #{marks}), bands = #{bands} where visit_id = #{visit}")
    void keepVisit(@Param("visit") UUID visit, @Param("bands") String bands, @Param("marks") long marks);

    @Select("select s.visit_id, s.stale, s.bands from visit_strip s join visit v on v.id = s.visit_id "
            + "where s.practice_id = #{practice} and s.field_id = #{field} "
            + "order by v.visited_on desc, v.id fetch first 24 rows only")
    List<VisitBands> visitBands(@Param("practice") UUID practice, @Param("field") UUID field);
}
