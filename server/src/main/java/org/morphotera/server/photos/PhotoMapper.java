package org.morphotera.server.photos;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of photos. Every query names the practice. */
@Mapper
public interface PhotoMapper extends PhotoReader {

    @Insert(
            "insert into photo (id, practice_id, field_id, visit_id, stop_id, method, depth_mm, note, taken_at, type, "
                    + "size_bytes, content, small, sent_hash, kept_hash) values (#{p.id}, #{practice}, #{field}, #{p.visitId}, #{p.stopId}, #{p.method}, "
                    + "#{p.depthMm}, #{p.note}, #{p.takenAt}, #{k.type}, #{size}, #{k.content}, #{k.small}, #{hash}, #{keptHash})")
    void insert(
            @Param("practice") UUID practice,
            @Param("field") UUID field,
            @Param("p") Photo photo,
            @Param("k") Pictures.Kept kept,
            @Param("size") int size,
            @Param("hash") String hash,
            @Param("keptHash") String keptHash);

    /** A picture of before hashes were kept. */
    record Unproved(UUID id, byte[] content, byte[] small) {}

    @Select("select id, content, small from photo where kept_hash is null fetch first 8 rows only")
    List<Unproved> unproved();

    @Update("update photo set kept_hash = #{hash} where id = #{id}")
    void prove(@Param("id") UUID id, @Param("hash") String hash);

    /** Hash of the picture as it was sent; {@code null} on the oldest. */
    @Select("select sent_hash from photo where practice_id = #{practice} and id = #{id}")
    String sentHash(@Param("practice") UUID practice, @Param("id") UUID id);

    @Delete("delete from photo where practice_id = #{practice} and id = #{id}")
    int delete(@Param("practice") UUID practice, @Param("id") UUID id);
}
