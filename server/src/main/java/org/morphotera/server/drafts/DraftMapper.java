package org.morphotera.server.drafts;

import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

/** Rows of drafts. Every query names the practice. */
@Mapper
public interface DraftMapper extends DraftReader {

    @Insert("insert into draft (id, practice_id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, content, "
            + "supersedes, updated_at, version) values (#{d.id}, #{practice}, #{d.visitId}, #{d.stopId}, #{d.method}, "
            + "#{d.depthTopMm}, #{d.depthBottomMm}, #{d.content}, #{d.supersedes}, #{d.updatedAt}, #{d.version})")
    void insertDraft(@Param("practice") UUID practice, @Param("d") StoredDraft draft);

    @Update("update draft set depth_top_mm = #{d.depthTopMm}, depth_bottom_mm = #{d.depthBottomMm}, "
            + "content = #{d.content}, supersedes = #{d.supersedes}, updated_at = #{d.updatedAt}, version = #{d.version} "
            + "where practice_id = #{practice} and id = #{d.id} and version = #{d.version} - 1")
    int updateDraft(@Param("practice") UUID practice, @Param("d") StoredDraft draft);

    @Delete("delete from draft where practice_id = #{practice} and id = #{id}")
    int deleteDraft(@Param("practice") UUID practice, @Param("id") UUID id);
}
