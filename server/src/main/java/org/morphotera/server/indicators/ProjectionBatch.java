package org.morphotera.server.indicators;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.storage.RowBatch;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Adds what many measurements show, in the transaction of its caller: rows together, and which of them are the newest
 * worked out once for a stop, by the same rule as {@link IndicatorProjection} does for one measurement.
 */
@Component
public class ProjectionBatch {

    private static final String INTO_INDICATOR = "insert into indicator_value (practice_id, latest, "
            + IndicatorReader.COLUMNS + ") values (?, false" + ", ?".repeat(21) + ")";
    private static final String INTO_SIGHTING =
            "insert into sighting (measurement_id, finding, practice_id, field_id, stop_id, figure, state, source, marks, "
                    + "taken_at, latest) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, false)";

    private final JdbcTemplate jdbc;

    ProjectionBatch(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** Rows that are being gathered. */
    public final class Rows {

        private final RowBatch indicators = new RowBatch(jdbc, INTO_INDICATOR);
        private final RowBatch sightings = new RowBatch(jdbc, INTO_SIGHTING);

        private Rows() {}

        public void add(UUID practice, UUID field, IndicatorProjection.Shown shown) {
            for (IndicatorRow row : shown.indicators()) {
                indicators.add(
                        practice,
                        row.measurementId(),
                        row.indicator(),
                        row.fieldId(),
                        row.visitId(),
                        row.stopId(),
                        row.method(),
                        row.band(),
                        row.depthTopMm(),
                        row.depthBottomMm(),
                        row.standing(),
                        row.standingLow(),
                        row.standingHigh(),
                        row.code(),
                        row.figure(),
                        row.figureLow(),
                        row.figureHigh(),
                        row.unit(),
                        row.points(),
                        row.kind(),
                        row.source(),
                        row.takenAt().atOffset(ZoneOffset.UTC));
            }
            for (SightingReader.Row row : shown.sightings()) {
                sightings.add(
                        row.measurementId(),
                        row.finding(),
                        practice,
                        field,
                        row.stopId(),
                        row.figure(),
                        row.state(),
                        row.source(),
                        row.marks(),
                        row.takenAt().atOffset(ZoneOffset.UTC));
            }
        }

        /** Writes what was gathered; nothing of it is marked as the newest yet. */
        public void write() {
            indicators.write();
            sightings.write();
        }
    }

    public Rows begin() {
        return new Rows();
    }

    /** Marks the newest of a stop among all that is written. */
    public void markNewest(UUID stop) {
        mark(
                "select measurement_id, indicator, band, source, taken_at, latest from indicator_value where stop_id = ?",
                "update indicator_value set latest = ? where measurement_id = ? and indicator = ?",
                stop);
        mark(
                "select measurement_id, finding, '', source, taken_at, latest from sighting where stop_id = ?",
                "update sighting set latest = ? where measurement_id = ? and finding = ?",
                stop);
    }

    /** What a measurement shows of something, and when it was made. */
    private record Seen(UUID measurement, String what, Instant takenAt) {

        /** Of two of one moment the one whose id comes first, as databases order ids: by their digits. */
        private boolean newerThan(Seen other) {
            int byTime = takenAt.compareTo(other.takenAt);
            return byTime > 0 || byTime == 0 && measurement.toString().compareTo(other.measurement.toString()) < 0;
        }
    }

    private void mark(String select, String update, UUID stop) {
        Map<List<String>, Seen> newest = new HashMap<>();
        List<Seen> marked = new ArrayList<>();
        jdbc.query(
                select,
                row -> {
                    Seen seen = new Seen(
                            row.getObject(1, UUID.class),
                            row.getString(2),
                            row.getObject(5, OffsetDateTime.class).toInstant());
                    newest.merge(
                            List.of(row.getString(2), row.getString(3), row.getString(4)),
                            seen,
                            (a, b) -> b.newerThan(a) ? b : a);
                    if (row.getBoolean(6)) {
                        marked.add(seen);
                    }
                },
                stop);
        RowBatch changes = new RowBatch(jdbc, update);
        marked.stream()
                .filter(each -> !newest.containsValue(each))
                .forEach(each -> changes.add(false, each.measurement(), each.what()));
        newest.values().stream()
                .filter(each -> !marked.contains(each))
                .forEach(each -> changes.add(true, each.measurement(), each.what()));
        changes.write();
    }
}
