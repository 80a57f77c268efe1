package org.morphotera.server.accounts;

import java.util.UUID;
import org.apache.ibatis.annotations.Select;

/** What others may read of practices and persons. */
public interface AccountReader {

    @Select("select * from person where email = #{email}")
    Person byEmail(String email);

    @Select("select * from person where id = #{id}")
    Person byId(UUID id);

    @Select("select name from practice where id = #{id}")
    String practiceName(UUID id);

    @Select("select count(*) from person")
    int countPersons();
}
