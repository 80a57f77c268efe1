package org.morphotera.server.photos;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What others may read of photos. */
public interface PhotoReader {

    String LIST = "select p.id, p.visit_id, p.stop_id, s.label as stop, p.method, p.depth_mm, p.note, p.taken_at "
            + "from photo p join stop s on s.id = p.stop_id where p.practice_id = #{practice} ";

    record Content(String type, byte[] content) {}

    @Select("select type, content from photo where practice_id = #{practice} and id = #{id}")
    Content content(@Param("practice") UUID practice, @Param("id") UUID id);

    /** The small size for lists; the oldest photos have none. */
    @Select("select 'image/jpeg' as type, small as content from photo "
            + "where practice_id = #{practice} and id = #{id} and small is not null")
    Content small(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select(LIST + "and p.id = #{id}")
    Photo photo(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select(LIST + "and p.field_id = #{field} order by p.taken_at desc, p.id fetch first 24 rows only")
    List<Photo> ofField(@Param("practice") UUID practice, @Param("field") UUID field);

    /** The newest at the same stop, for the same test, before a moment. */
    @Select(LIST + "and p.stop_id = #{stop} and p.method = #{method} and p.taken_at < #{before} "
            + "order by p.taken_at desc fetch first 1 rows only")
    Photo before(
            @Param("practice") UUID practice,
            @Param("stop") UUID stop,
            @Param("method") String method,
            @Param("before") Instant before);
}
