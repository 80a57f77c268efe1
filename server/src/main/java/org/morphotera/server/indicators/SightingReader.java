package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Source;

/** What others may read of what tests say of constraints. Every query names the practice, or what was found by one that does. */
public interface SightingReader {

    /** What one test says. */
    record Row(
            UUID measurementId,
            String finding,
            UUID stopId,
            Double figure,
            String state,
            String source,
            String marks,
            Instant takenAt) {

        static Row of(UUID measurement, UUID stop, Instant takenAt, Sighting seen) {
            return new Row(
                    measurement,
                    seen.finding(),
                    stop,
                    seen.figure(),
                    seen.state(),
                    seen.source().code(),
                    seen.marks().stream().sorted().collect(Collectors.joining(" ")),
                    takenAt);
        }

        /** As the core reads it. */
        public Sighting sighting() {
            return new Sighting(
                    finding,
                    figure,
                    state,
                    marks.isEmpty() ? Set.of() : Set.of(marks.split(" ")),
                    Coded.find(Source.values(), source));
        }
    }

    @Select("select measurement_id, finding, stop_id, figure, state, source, marks, taken_at from sighting "
            + "where practice_id = #{practice} and measurement_id = #{id}")
    List<Row> ofMeasurement(@Param("practice") UUID practice, @Param("id") UUID measurement);

    /** All that was ever found at the stops of a field, the oldest first. */
    @Select("select measurement_id, finding, stop_id, figure, state, source, marks, taken_at from sighting "
            + "where practice_id = #{practice} and field_id = #{field} order by taken_at, measurement_id, finding")
    List<Row> ofField(@Param("practice") UUID practice, @Param("field") UUID field);

    @Select("select measurement_id, finding, stop_id, figure, state, source, marks, taken_at from sighting "
            + "where practice_id = #{practice} and field_id = #{field} and latest and " + IndicatorReader.LEADING)
    List<Row> latestOfField(@Param("practice") UUID practice, @Param("field") UUID field);

    /**
     * What was noted on a test.
     *
     * @param marks codes with a blank between
     */
    record Noted(UUID measurementId, String marks) {

        public Set<String> codes() {
            return Set.of(marks.split(" "));
        }
    }

    /** Of all tests of a field on which something was noted; of one test there may be several. */
    @Select("select distinct measurement_id, marks from sighting "
            + "where practice_id = #{practice} and field_id = #{field} and marks <> ''")
    List<Noted> notedOf(@Param("practice") UUID practice, @Param("field") UUID field);

    /** On which visit a test was made. */
    record Made(UUID measurementId, UUID visitId) {}

    /** Of all tests of a field that say something. */
    @Select("select distinct s.measurement_id, m.visit_id from sighting s "
            + "join measurement m on m.id = s.measurement_id "
            + "where s.practice_id = #{practice} and s.field_id = #{field}")
    List<Made> madeOf(@Param("practice") UUID practice, @Param("field") UUID field);
}
