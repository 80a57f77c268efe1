package org.morphotera.server.accounts.people;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of addresses that work once. Every query names the practice, or the hash of a secret. */
@Mapper
interface InvitationMapper {

    @Insert("insert into invitation (id, practice_id, person_id, email, name, role, grower_id, secret_hash, made_by, "
            + "made_at, expires_at) values (#{id}, #{practiceId}, #{personId}, #{email}, #{name}, #{role}, #{growerId}, "
            + "#{secretHash}, #{madeBy}, #{madeAt}, #{expiresAt})")
    void insert(Invitation invitation);

    @Select("select * from invitation where practice_id = #{practice} and used_at is null and expires_at > #{now} "
            + "order by made_at desc, id")
    List<Invitation> unused(@Param("practice") UUID practice, @Param("now") Instant now);

    @Select("select * from invitation where practice_id = #{practice} and id = #{id}")
    Invitation one(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select i.* from invitation i join practice p on p.id = i.practice_id where secret_hash = #{hash} "
            + "and used_at is null and expires_at > #{now} and p.closed_at is null")
    Invitation open(@Param("hash") String hash, @Param("now") Instant now);

    /** Uses it up; 0 where it was before. */
    @Update("update invitation set used_at = #{at} where id = #{id} and used_at is null")
    int use(@Param("id") UUID id, @Param("at") Instant at);

    @Delete("delete from invitation where practice_id = #{practice} and id = #{id}")
    void delete(@Param("practice") UUID practice, @Param("id") UUID id);

    @Delete("delete from invitation where person_id = #{person} and used_at is null")
    void deleteOf(UUID person);
}
