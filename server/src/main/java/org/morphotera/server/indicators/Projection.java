package org.morphotera.server.indicators;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.TestResult;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.storage.RowBatch;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Keeps the rows of {@code indicator_value} and {@code sighting} in step with the measurements that stand, in the
 * transaction of its caller: rows are written together, and which of them are the newest is worked out once for a stop.
 */
@Component
public class Projection {

    /** Where and when a measurement was made. */
    public record Place(UUID practice, UUID field, UUID visit, UUID stop, DepthLayer layer, Instant takenAt) {}

    /** Goes up whenever rows are projected otherwise: what older versions made is made again at the next start. */
    public static final int VERSION = 4;

    private static final String INTO_INDICATOR = "insert into indicator_value (practice_id, latest, "
            + IndicatorReader.COLUMNS + ") values (?, ?" + ", ?".repeat(21) + ")";
    private static final String INTO_SIGHTING =
            "insert into sighting (measurement_id, finding, practice_id, field_id, stop_id, figure, state, source, marks, "
                    + "taken_at, latest) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";

    private final JdbcTemplate jdbc;
    private final IndicatorMapper rows;
    private final SightingMapper sightings;
    private final MethodRegistry methods;

    Projection(JdbcTemplate jdbc, IndicatorMapper rows, SightingMapper sightings, MethodRegistry methods) {
        this.jdbc = jdbc;
        this.rows = rows;
        this.sightings = sightings;
        this.methods = methods;
    }

    /** What a measurement shows, as rows. */
    public record Shown(List<IndicatorRow> indicators, List<SightingReader.Row> sightings) {}

    /** Rows that are being gathered. */
    public final class Rows {

        private final RowBatch indicators = new RowBatch(jdbc, INTO_INDICATOR);
        private final RowBatch sightings = new RowBatch(jdbc, INTO_SIGHTING);
        private final boolean latest;

        private Rows(boolean latest) {
            this.latest = latest;
        }

        public void add(UUID practice, UUID field, Shown shown) {
            for (IndicatorRow row : shown.indicators()) {
                indicators.add(
                        practice,
                        latest,
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
                        row.takenAt().atOffset(ZoneOffset.UTC),
                        latest);
            }
        }

        /** Writes what was gathered. */
        public void write() {
            indicators.write();
            sightings.write();
        }
    }

    /** @param latest how rows are marked until {@link #markNewest} has looked: most single tests are the newest */
    public Rows begin(boolean latest) {
        return new Rows(latest);
    }

    /** Works out what a measurement shows, without keeping it. */
    public Shown shown(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        TestResult test = TestResult.of(methods.get(envelope.method()), readings, envelope, place.layer());
        List<SightingReader.Row> seen = test.sightings().stream()
                .map(each -> SightingReader.Row.of(measurement, place.stop(), place.takenAt(), each))
                .toList();
        List<IndicatorRow> found = new ArrayList<>();
        for (TestResult.Shown each : test.indicators()) {
            found.add(row(measurement, place, envelope.method(), test, each));
        }
        if (test.contextClass() != null) {
            found.add(row(measurement, place, envelope.method(), test, null));
        }
        return new Shown(found, seen);
    }

    /** Takes away everything that the measurements of a field showed. */
    public void clear(UUID practice, UUID field) {
        rows.deleteOfField(practice, field);
        sightings.deleteOfField(practice, field);
    }

    /**
     * Takes away what a superseded measurement showed.
     *
     * @return what that was; what is the newest now is marked by {@link #markNewest(UUID, List)}
     */
    public Shown remove(UUID practice, UUID measurement) {
        Shown gone =
                new Shown(rows.ofMeasurement(practice, measurement), sightings.ofMeasurement(practice, measurement));
        rows.delete(practice, measurement);
        sightings.delete(practice, measurement);
        return gone;
    }

    /** Marks the newest of a stop among all that is written. */
    public void markNewest(UUID stop) {
        mark(stop, null, null);
    }

    /** As {@link #markNewest(UUID)}, of the indicators and findings alone that were added or taken away. */
    public void markNewest(UUID stop, List<Shown> changed) {
        Set<String> indicators = new LinkedHashSet<>();
        Set<String> findings = new LinkedHashSet<>();
        for (Shown each : changed) {
            each.indicators().forEach(row -> indicators.add(row.indicator()));
            each.sightings().forEach(row -> findings.add(row.finding()));
        }
        if (!indicators.isEmpty() || !findings.isEmpty()) {
            mark(stop, indicators, findings);
        }
    }

    /** Of a table of rows by measurement: what they are newest of, and how that is marked. */
    private enum NewestRows {
        INDICATORS("indicator_value", "indicator", "band"),
        SIGHTINGS("sighting", "finding", "''");

        private final String name;
        private final String select;
        private final String update;

        NewestRows(String table, String name, String band) {
            this.name = name;
            this.select = "select '" + name() + "', measurement_id, " + name + ", " + band
                    + ", source, taken_at, latest from " + table + " where stop_id = ?";
            this.update = "update " + table + " set latest = ? where measurement_id = ? and " + name + " = ?";
        }
    }

    /** What a measurement shows of something, and when it was made. */
    private record Seen(NewestRows table, UUID measurement, String what, Instant takenAt) {

        /** Of two of one moment the one whose id comes first, as databases order ids: by their digits. */
        private boolean newerThan(Seen other) {
            int byTime = takenAt.compareTo(other.takenAt);
            return byTime > 0 || byTime == 0 && measurement.toString().compareTo(other.measurement.toString()) < 0;
        }
    }

    /** @param indicators and {@code findings}: the names that are looked at; {@code null} for all */
    private void mark(UUID stop, @Nullable Set<String> indicators, @Nullable Set<String> findings) {
        List<Object> arguments = new ArrayList<>();
        String select = select(NewestRows.INDICATORS, stop, indicators, arguments) + " union all "
                + select(NewestRows.SIGHTINGS, stop, findings, arguments);
        Map<List<String>, Seen> newest = new HashMap<>();
        Set<Seen> marked = new HashSet<>();
        jdbc.query(
                select,
                row -> {
                    Seen seen = new Seen(
                            NewestRows.valueOf(row.getString(1)),
                            row.getObject(2, UUID.class),
                            row.getString(3),
                            row.getObject(6, OffsetDateTime.class).toInstant());
                    newest.merge(
                            List.of(row.getString(1), row.getString(3), row.getString(4), row.getString(5)),
                            seen,
                            (a, b) -> b.newerThan(a) ? b : a);
                    if (row.getBoolean(7)) {
                        marked.add(seen);
                    }
                },
                arguments.toArray());
        Set<Seen> now = new HashSet<>(newest.values());
        for (NewestRows table : NewestRows.values()) {
            RowBatch changes = new RowBatch(jdbc, table.update);
            marked.stream()
                    .filter(each -> each.table() == table && !now.contains(each))
                    .forEach(each -> changes.add(false, each.measurement(), each.what()));
            now.stream()
                    .filter(each -> each.table() == table && !marked.contains(each))
                    .forEach(each -> changes.add(true, each.measurement(), each.what()));
            changes.write();
        }
    }

    private static String select(NewestRows table, UUID stop, @Nullable Set<String> names, List<Object> arguments) {
        arguments.add(stop);
        if (names == null) {
            return table.select;
        }
        arguments.addAll(names);
        return names.isEmpty()
                ? table.select + " and 1 = 0"
                : table.select + " and " + table.name + " in ("
                        + String.join(", ", Collections.nCopies(names.size(), "?")) + ")";
    }

    /** @param shown the indicator that was judged; {@code null} for the class by which the test is context for others */
    private static IndicatorRow row(
            UUID measurement, Place place, String method, TestResult test, TestResult.@Nullable Shown shown) {
        Envelope.RatingText rating = shown == null ? null : shown.rating();
        Envelope.Figure figure = shown == null ? null : shown.figure();
        DepthLayer layer = test.layer();
        return new IndicatorRow(
                measurement,
                shown == null ? test.contextName() : shown.indicator(),
                place.field(),
                place.visit(),
                place.stop(),
                method,
                test.band(),
                layer == null ? null : layer.topMm(),
                layer == null ? null : layer.bottomMm(),
                rating == null ? null : rating.standing(),
                rating == null ? null : rating.low(),
                rating == null ? null : rating.high(),
                rating == null ? test.contextClass() : rating.reason(),
                figure == null ? null : figure.value(),
                figure == null ? null : figure.low(),
                figure == null ? null : figure.high(),
                figure == null ? null : figure.unit(),
                shown == null ? null : shown.points(),
                test.kind(),
                test.source().code(),
                place.takenAt());
    }
}
