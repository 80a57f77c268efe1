package org.morphotera.server.accounts.people;

import java.util.UUID;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** What others may read of practices and persons. */
public interface AccountReader {

    @Select("select * from person where email = #{email}")
    Person byEmail(String email);

    @Select("select * from person where id = #{id}")
    Person byId(UUID id);

    /** A practice's settings. */
    record Practice(
            UUID id,
            String name,
            String sheetSchool,
            @Nullable String hemisphere,
            @Nullable String currency,
            int version) {}

    @Select("select id, name, sheet_school, hemisphere, currency, version from practice where id = #{id}")
    Practice practice(UUID id);

    @Select("select name from practice where id = #{id}")
    String practiceName(UUID id);

    @Select("select count(*) from person")
    int countPersons();
}
