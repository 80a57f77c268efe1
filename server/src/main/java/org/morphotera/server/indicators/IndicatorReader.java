package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Arg;
import org.apache.ibatis.annotations.ConstructorArgs;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.ResultMap;
import org.apache.ibatis.annotations.Results;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** What others may read of what measurements show. Every query names the practice, or what was found by one that does. */
public interface IndicatorReader {

    String COLUMNS = "measurement_id, indicator, field_id, visit_id, stop_id, method, band, depth_top_mm, "
            + "depth_bottom_mm, standing, standing_low, standing_high, code, figure, figure_low, figure_high, unit, "
            + "points, kind, source, taken_at";

    /**
     * Stops that speak for the field; the others are never averaged in. Asked of each row: a list of stops would be taken
     * for what to look rows up by.
     */
    String LEADING = "exists (select 1 from stop s where s.id = stop_id and s.leads)";

    // named one by one: matching columns to a record's parts by name costs more than the query
    @Results(id = "row")
    @ConstructorArgs({
        @Arg(column = "measurement_id", name = "measurementId", javaType = UUID.class),
        @Arg(column = "indicator", name = "indicator", javaType = String.class),
        @Arg(column = "field_id", name = "fieldId", javaType = UUID.class),
        @Arg(column = "visit_id", name = "visitId", javaType = UUID.class),
        @Arg(column = "stop_id", name = "stopId", javaType = UUID.class),
        @Arg(column = "method", name = "method", javaType = String.class),
        @Arg(column = "band", name = "band", javaType = String.class),
        @Arg(column = "depth_top_mm", name = "depthTopMm", javaType = Double.class),
        @Arg(column = "depth_bottom_mm", name = "depthBottomMm", javaType = Double.class),
        @Arg(column = "standing", name = "standing", javaType = Double.class),
        @Arg(column = "standing_low", name = "standingLow", javaType = Double.class),
        @Arg(column = "standing_high", name = "standingHigh", javaType = Double.class),
        @Arg(column = "code", name = "code", javaType = String.class),
        @Arg(column = "figure", name = "figure", javaType = Double.class),
        @Arg(column = "figure_low", name = "figureLow", javaType = Double.class),
        @Arg(column = "figure_high", name = "figureHigh", javaType = Double.class),
        @Arg(column = "unit", name = "unit", javaType = String.class),
        @Arg(column = "points", name = "points", javaType = Double.class),
        @Arg(column = "kind", name = "kind", javaType = String.class),
        @Arg(column = "source", name = "source", javaType = String.class),
        @Arg(column = "taken_at", name = "takenAt", javaType = Instant.class)
    })
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and measurement_id = #{id}")
    List<IndicatorRow> ofMeasurement(@Param("practice") UUID practice, @Param("id") UUID measurement);

    /** The newest of each stop that speaks for the field, by each source. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and latest and " + LEADING)
    List<IndicatorRow> latestOfField(@Param("practice") UUID practice, @Param("field") UUID field);

    /** The newest of one stop, whatever it stands for, by each source. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and stop_id = #{stop} "
            + "and latest")
    List<IndicatorRow> latestOfStop(@Param("practice") UUID practice, @Param("stop") UUID stop);

    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and visit_id = #{visit}")
    List<IndicatorRow> ofVisit(
            @Param("practice") UUID practice, @Param("field") UUID field, @Param("visit") UUID visit);

    /** What a visit shows, and the newest textures of its field. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and (visit_id = #{visit} or latest and indicator = 'textureClass')")
    List<IndicatorRow> ofVisitWithTextures(
            @Param("practice") UUID practice, @Param("field") UUID field, @Param("visit") UUID visit);

    /** The same, of the stops that speak for the field. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and visit_id = #{visit} and " + LEADING)
    List<IndicatorRow> ofVisitLeading(
            @Param("practice") UUID practice, @Param("field") UUID field, @Param("visit") UUID visit);

    /** Readings of an indicator at a depth by a method, at the stops that speak for the field, by time. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and indicator = #{indicator} and band = #{band} and method = #{method} and standing is not null and "
            + LEADING + " order by taken_at")
    List<IndicatorRow> historyLeading(
            @Param("practice") UUID practice,
            @Param("field") UUID field,
            @Param("indicator") String indicator,
            @Param("band") String band,
            @Param("method") String method);

    /** Every reading of a field that is judged, and the newest textures. */
    @ResultMap("row")
    @Select("select " + COLUMNS + " from indicator_value where practice_id = #{practice} and field_id = #{field} "
            + "and (standing is not null or latest and indicator = 'textureClass')")
    List<IndicatorRow> ofField(@Param("practice") UUID practice, @Param("field") UUID field);

    /** An indicator at a depth, and on how many visits it was read. */
    record Series(String indicator, String band, String method, int visits) {}

    @Select("select indicator, band, method, count(distinct visit_id) as visits from indicator_value "
            + "where practice_id = #{practice} and field_id = #{field} and standing is not null "
            + "group by indicator, band, method order by indicator, band, method")
    List<Series> series(@Param("practice") UUID practice, @Param("field") UUID field);

    /** A reading that is context for other tests: a texture by its code, or a cover by its figure, %. */
    record ContextRow(
            UUID measurementId,
            UUID stopId,
            Instant takenAt,
            @Nullable String code,
            @Nullable Double figure) {}

    /** The newest textures at a field's stops, and each cover that was read on a visit. */
    @Select("select measurement_id, stop_id, taken_at, code, cast(null as double precision) as figure "
            + "from indicator_value where field_id = #{field} and practice_id = #{practice} and latest "
            + "and indicator = 'textureClass' "
            + "union all select measurement_id, stop_id, taken_at, null, figure from indicator_value "
            + "where visit_id = #{visit} and practice_id = #{practice} and indicator = 'ground-cover' order by 3, 1")
    List<ContextRow> contextOfField(
            @Param("practice") UUID practice, @Param("field") UUID field, @Param("visit") @Nullable UUID visit);
}
