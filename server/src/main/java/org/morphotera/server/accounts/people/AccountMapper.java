package org.morphotera.server.accounts.people;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.role.Role;

@Mapper
public interface AccountMapper extends AccountReader {

    /** How things stand with a person at this moment. */
    record Status(
            UUID practiceId,
            String name,
            Role role,
            int signInVersion,
            boolean mustChange,
            @Nullable Instant removedAt,
            @Nullable Instant closedAt) {}

    @Select("select p.practice_id, p.name, p.role, p.sign_in_version, p.must_change, p.removed_at, c.closed_at "
            + "from person p join practice c on c.id = p.practice_id where p.id = #{id}")
    Status status(UUID id);

    @Insert("insert into practice (id, name, created_at) values (#{id}, #{name}, #{at})")
    void insertPractice(@Param("id") UUID id, @Param("name") String name, @Param("at") Instant at);

    @Update("update practice set name = #{name}, sheet_school = #{sheetSchool}, hemisphere = #{hemisphere}, "
            + "currency = #{currency}, version = #{version} where id = #{id} and version = #{version} - 1")
    int updatePractice(Practice practice);

    @Update("update practice set closed_at = #{at} where id = #{id}")
    void closePractice(@Param("id") UUID id, @Param("at") @Nullable Instant at);

    @Insert("insert into person (id, practice_id, email, name, role, password_hash, units, theme, grower_id, "
            + "must_change, version) values (#{id}, #{practiceId}, #{email}, #{name}, #{role}, #{passwordHash}, "
            + "#{units}, #{theme}, #{growerId}, #{mustChange}, #{version})")
    void insertPerson(Person person);

    @Update("update person set units = #{units}, theme = #{theme} where id = #{id}")
    void updateSettings(@Param("id") UUID id, @Param("units") String units, @Param("theme") String theme);

    @Select("select * from person where practice_id = #{practice} order by removed_at nulls first, name, id")
    List<Person> people(UUID practice);

    @Select("select * from person where practice_id = #{practice} and id = #{id}")
    Person person(@Param("practice") UUID practice, @Param("id") UUID id);

    /** The owners, locked: two of them who step down at once do it one after the other. */
    @Select("select id from person where practice_id = #{practice} and role = 'OWNER' and removed_at is null "
            + "order by id for update")
    List<UUID> owners(UUID practice);

    @Update("update person set name = #{name}, role = #{role}, grower_id = #{growerId}, version = version + 1, "
            + "sign_in_version = sign_in_version + #{ending} where id = #{id} and version = #{version}")
    int updatePerson(
            @Param("id") UUID id,
            @Param("name") String name,
            @Param("role") Role role,
            @Param("growerId") @Nullable UUID growerId,
            @Param("ending") int ending,
            @Param("version") int version);

    @Update("update person set removed_at = #{at}, email = #{email}, password_hash = '', second_factor = null, "
            + "recovery = null, sign_in_version = sign_in_version + 1, version = version + 1 where id = #{id}")
    void removePerson(@Param("id") UUID id, @Param("email") String email, @Param("at") Instant at);

    /** From now on all sessions that were open have ended. */
    @Update("update person set password_hash = #{hash}, must_change = false, "
            + "sign_in_version = sign_in_version + 1 where id = #{id}")
    void changePassword(@Param("id") UUID id, @Param("hash") String hash);

    @Update("update person set second_factor = #{secret}, factor_step = #{step}, recovery = #{recovery}, "
            + "sign_in_version = sign_in_version + 1 where id = #{id}")
    void changeFactor(
            @Param("id") UUID id,
            @Param("secret") @Nullable String secret,
            @Param("step") @Nullable Long step,
            @Param("recovery") @Nullable String recovery);

    /** Takes a step of the authenticator; 0 where it, or a later one, was taken before. */
    @Update(
            "update person set factor_step = #{step} where id = #{id} and (factor_step is null or factor_step < #{step})")
    int takeStep(@Param("id") UUID id, @Param("step") long step);

    @Update("update person set recovery = #{after} where id = #{id} and recovery = #{before}")
    int takeRecovery(@Param("id") UUID id, @Param("before") String before, @Param("after") String after);

    @Select("select count(*) from grower where practice_id = #{practice} and id = #{grower}")
    int countGrower(@Param("practice") UUID practice, @Param("grower") UUID grower);
}
