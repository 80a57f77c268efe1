package org.morphotera.server.accounts.session;

import java.time.Instant;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of sign-ins that failed. Accounts and addresses are hashes: neither is told by the table. */
@Mapper
public interface SignInMapper {

    record Row(int failures, Instant lastAt, boolean succeeded) {}

    @Select("select failures, last_at, succeeded from sign_in_failure "
            + "where account = #{account} and address = #{address}")
    Row row(@Param("account") String account, @Param("address") String address);

    @Insert("insert into sign_in_failure (account, address, failures, last_at, succeeded) "
            + "values (#{account}, #{address}, #{failures}, #{at}, #{succeeded})")
    void insert(
            @Param("account") String account,
            @Param("address") String address,
            @Param("failures") int failures,
            @Param("at") Instant at,
            @Param("succeeded") boolean succeeded);

    @Update("update sign_in_failure set failures = failures + 1, last_at = #{at} "
            + "where account = #{account} and address = #{address}")
    int addFailure(@Param("account") String account, @Param("address") String address, @Param("at") Instant at);

    @Update("update sign_in_failure set failures = 0, last_at = #{at}, succeeded = true "
            + "where account = #{account} and address = #{address}")
    int succeed(@Param("account") String account, @Param("address") String address, @Param("at") Instant at);

    @Delete("delete from sign_in_failure where last_at < #{before} and not succeeded " + "or last_at < #{longBefore}")
    void forget(@Param("before") Instant before, @Param("longBefore") Instant longBefore);
}
