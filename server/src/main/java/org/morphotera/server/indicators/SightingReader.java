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

    /** The newest of one stop, whatever it stands for, by each source. */
    @Select("select measurement_id, finding, stop_id, figure, state, source, marks, taken_at from sighting "
            + "where practice_id = #{practice} and stop_id = #{stop} and latest")
    List<Row> latestOfStop(@Param("practice") UUID practice, @Param("stop") UUID stop);
}
