package org.morphotera.server.fields;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** What others may read of fields, stops, growers and events. Every query names the practice, or what was found by one that does. */
public interface FieldReader {

    String FIELD =
            "id, grower_id, name, land_use, crop, area_ha, texture_class, purpose, soil_note, boundary, zones, avoid, version";
    String STOP = "id, field_id, label, note, longitude, latitude, position, role, area_share_pct, "
            + "end_longitude, end_latitude, retired_on, version";
    String EVENT = "id, field_id, happened_on, kind, what, rate, cost, stop_ids, version";

    @Select("select id, name, contact, version from grower where practice_id = #{practice} order by name, id")
    List<Grower> growers(UUID practice);

    @Select("select id, name, contact, version from grower where practice_id = #{practice} and id = #{id}")
    Grower grower(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + FIELD + " from field where practice_id = #{practice} order by name, id")
    List<Field> fields(UUID practice);

    @Select("select " + FIELD + " from field where practice_id = #{practice} and id = #{id}")
    Field field(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + STOP + " from stop where practice_id = #{practice} and field_id = #{field} "
            + "order by position, label, id")
    List<Stop> stops(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select("select " + STOP + " from stop where practice_id = #{practice} and id = #{id}")
    Stop stop(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select("select " + EVENT + " from management_event where practice_id = #{practice} and field_id = #{field} "
            + "order by happened_on desc, id fetch first 60 rows only")
    List<ManagementEvent> events(@Param("practice") UUID practice, @Param("field") UUID field);

    /** Latitude of any of the practice's stops; {@code null} where none has a position. */
    @Select("select latitude from stop where practice_id = #{practice} and latitude is not null "
            + "fetch first 1 rows only")
    Double latitude(@Param("practice") UUID practice);

    /**
     * Where a practice lies.
     *
     * @param latitude of any of its stops; {@code null} where none has a position
     * @param hemisphere as its settings say; empty where they do not
     */
    record WhereItLies(@Nullable Double latitude, String hemisphere) {}

    @Select("select (select latitude from stop where practice_id = #{practice} and latitude is not null "
            + "fetch first 1 rows only) as latitude, coalesce(hemisphere, '') as hemisphere from practice "
            + "where id = #{practice}")
    WhereItLies whereItLies(@Param("practice") UUID practice);

    @Select("select " + EVENT + " from management_event where practice_id = #{practice} and id = #{id}")
    ManagementEvent event(@Param("practice") UUID practice, @Param("id") UUID id);
}
