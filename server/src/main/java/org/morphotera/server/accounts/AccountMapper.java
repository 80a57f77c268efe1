package org.morphotera.server.accounts;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

@Mapper
public interface AccountMapper extends AccountReader {

    @Insert("insert into practice (id, name, created_at) values (#{id}, #{name}, #{at})")
    void insertPractice(@Param("id") UUID id, @Param("name") String name, @Param("at") Instant at);

    @Insert("insert into person (id, practice_id, email, name, role, password_hash, units, theme) "
            + "values (#{id}, #{practiceId}, #{email}, #{name}, #{role}, #{passwordHash}, #{units}, #{theme})")
    void insertPerson(Person person);

    @Update("update person set units = #{units}, theme = #{theme} where id = #{id}")
    void updateSettings(@Param("id") UUID id, @Param("units") String units, @Param("theme") String theme);
}
