package org.morphotera.server.accounts;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
public interface AccountMapper {

    @Insert("insert into practice (id, name, created_at) values (#{id}, #{name}, #{at})")
    void insertPractice(@Param("id") UUID id, @Param("name") String name, @Param("at") Instant at);

    @Insert("insert into person (id, practice_id, email, name, role, password_hash, units, theme) "
            + "values (#{id}, #{practiceId}, #{email}, #{name}, #{role}, #{passwordHash}, #{units}, #{theme})")
    void insertPerson(Person person);

    @Select("select * from person where email = #{email}")
    Person byEmail(String email);

    @Select("select * from person where id = #{id}")
    Person byId(UUID id);

    @Select("select name from practice where id = #{id}")
    String practiceName(UUID id);

    @Select("select count(*) from person")
    int countPersons();

    @Update("update person set units = #{units}, theme = #{theme} where id = #{id}")
    void updateSettings(@Param("id") UUID id, @Param("units") String units, @Param("theme") String theme);
}
