package org.morphotera.server.calibration;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of calibration sessions. Every query names the practice. */
@Mapper
interface CalibrationMapper {

    /** A session as it is stored: tests joined by commas. */
    record Row(
            UUID id,
            String code,
            String title,
            String tests,
            int places,
            int people,
            UUID personId,
            Instant madeAt,
            Instant closedAt,
            int version) {}

    record MemberRow(UUID id, UUID personId, String name, int given) {}

    record ScoreRow(UUID memberId, String name, int place, String test, double score) {}

    String COLUMNS = "id, code, title, tests, places, people, person_id, made_at, closed_at, version";

    @Select("select " + COLUMNS + " from calibration where practice_id = #{practice} "
            + "order by made_at desc, id fetch first 100 rows only")
    List<Row> newest(UUID practice);

    @Select("select " + COLUMNS + " from calibration where practice_id = #{practice} and id = #{id}")
    Row one(@Param("practice") UUID practice, @Param("id") UUID id);

    /** Locks it, so that the last two who score at once both see the other's scores. */
    @Select("select " + COLUMNS + " from calibration where practice_id = #{practice} and id = #{id} for update")
    Row locked(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + COLUMNS + " from calibration where practice_id = #{practice} and code = #{code}")
    Row byCode(@Param("practice") UUID practice, @Param("code") String code);

    @Insert(
            "insert into calibration (id, practice_id, code, title, tests, places, people, person_id, made_at, version) "
                    + "values (#{c.id}, #{practice}, #{c.code}, #{c.title}, #{c.tests}, #{c.places}, #{c.people}, #{c.personId}, "
                    + "#{c.madeAt}, #{c.version})")
    void insert(@Param("practice") UUID practice, @Param("c") Row row);

    @Update("update calibration set title = #{c.title}, people = #{c.people}, version = #{c.version} "
            + "where practice_id = #{practice} and id = #{c.id} and version = #{c.version} - 1")
    int update(@Param("practice") UUID practice, @Param("c") Row row);

    @Update("update calibration set closed_at = #{at}, version = version + 1 "
            + "where practice_id = #{practice} and id = #{id} and closed_at is null")
    int close(@Param("practice") UUID practice, @Param("id") UUID id, @Param("at") Instant at);

    @Select("select m.id, m.person_id, m.name, count(s.id) as given from calibration_member m "
            + "left join calibration_score s on s.member_id = m.id "
            + "where m.practice_id = #{practice} and m.calibration_id = #{id} "
            + "group by m.id, m.person_id, m.name, m.joined_at order by m.joined_at, m.id")
    List<MemberRow> members(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into calibration_member (id, practice_id, calibration_id, person_id, name, joined_at) "
            + "values (#{id}, #{practice}, #{calibration}, #{person}, #{name}, #{at})")
    void join(
            @Param("practice") UUID practice,
            @Param("calibration") UUID calibration,
            @Param("id") UUID id,
            @Param("person") UUID person,
            @Param("name") String name,
            @Param("at") Instant at);

    @Select("select s.member_id, m.name, s.place, s.test, s.score from calibration_score s "
            + "join calibration_member m on m.id = s.member_id "
            + "where s.practice_id = #{practice} and m.calibration_id = #{id} order by s.place, m.name, s.test")
    List<ScoreRow> scores(@Param("practice") UUID practice, @Param("id") UUID id);

    @Delete("delete from calibration_score where practice_id = #{practice} and member_id = #{member}")
    void forget(@Param("practice") UUID practice, @Param("member") UUID member);

    @Insert("insert into calibration_score (id, practice_id, member_id, place, test, score) "
            + "values (#{id}, #{practice}, #{member}, #{s.place}, #{s.test}, #{s.score})")
    void score(
            @Param("practice") UUID practice,
            @Param("id") UUID id,
            @Param("member") UUID member,
            @Param("s") Calibration.Score score);

    @Select("select p.id, p.place, m.name from calibration_photo p join calibration_member m on m.id = p.member_id "
            + "where p.practice_id = #{practice} and p.calibration_id = #{id} order by p.place, m.name, p.id")
    List<Calibration.Photo> photos(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select picture from calibration_photo "
            + "where practice_id = #{practice} and calibration_id = #{calibration} and id = #{id}")
    String photo(@Param("practice") UUID practice, @Param("calibration") UUID calibration, @Param("id") UUID id);

    @Insert("insert into calibration_photo (id, practice_id, calibration_id, member_id, place, picture) "
            + "values (#{id}, #{practice}, #{calibration}, #{member}, #{place}, #{picture})")
    void keepPhoto(
            @Param("practice") UUID practice,
            @Param("calibration") UUID calibration,
            @Param("id") UUID id,
            @Param("member") UUID member,
            @Param("place") int place,
            @Param("picture") String picture);
}
