package org.morphotera.server.measurements;

import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.indicators.IndicatorProjection;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.indicators.SightingReader;
import org.morphotera.server.methods.Evaluator;
import org.morphotera.server.methods.RulesInForce;
import org.morphotera.server.visits.Places;
import org.morphotera.server.visits.VisitChanged;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Appends many measurements at once, in the transaction of its caller: evaluated one by one as any other, written
 * hundreds at a time, and which of them are the newest worked out once for each stop at the end.
 */
@Component
public class MeasurementBatch {

    private static final int AT_ONCE = 1000;

    static final String INTO_MEASUREMENT =
            "insert into measurement (id, practice_id, field_id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, "
                    + "readings, context, evaluation, core_version, benchmarks, taken_at, person_id, recorded_at) "
                    + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";
    static final String INTO_INDICATOR =
            "insert into indicator_value (measurement_id, indicator, practice_id, field_id, visit_id, stop_id, method, band, "
                    + "depth_top_mm, depth_bottom_mm, standing, standing_low, standing_high, code, figure, figure_low, "
                    + "figure_high, unit, points, kind, source, taken_at, latest) "
                    + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, false)";
    static final String INTO_SIGHTING =
            "insert into sighting (measurement_id, finding, practice_id, field_id, stop_id, figure, state, source, marks, "
                    + "taken_at, latest) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, false)";

    private final JdbcTemplate jdbc;
    private final Evaluator evaluator;
    private final Places places;
    private final IndicatorProjection projection;
    private final StoredForm form;
    private final RulesInForce rules;
    private final Clock clock;
    private final ApplicationEventPublisher changes;

    MeasurementBatch(
            JdbcTemplate jdbc,
            Evaluator evaluator,
            Places places,
            IndicatorProjection projection,
            StoredForm form,
            RulesInForce rules,
            Clock clock,
            ApplicationEventPublisher changes) {
        this.jdbc = jdbc;
        this.evaluator = evaluator;
        this.places = places;
        this.projection = projection;
        this.form = form;
        this.rules = rules;
        this.clock = clock;
        this.changes = changes;
    }

    /** One test as it comes in. */
    public record Reading(
            UUID id,
            UUID visit,
            UUID stop,
            String method,
            DepthLayer layer,
            Map<String, Object> readings,
            Instant takenAt) {}

    /** Measurements that are being appended; of one thread. */
    public final class Run {

        private final UUID practice;
        private final UUID person;
        private final OffsetDateTime recordedAt =
                clock.instant().truncatedTo(ChronoUnit.MILLIS).atOffset(ZoneOffset.UTC);
        private final List<Object[]> measurements = new ArrayList<>();
        private final List<Object[]> indicators = new ArrayList<>();
        private final List<Object[]> sightings = new ArrayList<>();
        private final Set<UUID> stops = new HashSet<>();
        /** Where something was read that the context of later tests depends on, and not marked as the newest yet. */
        private final Set<UUID> lit = new HashSet<>();

        private final Map<UUID, UUID> visits = new HashMap<>();
        private Places.Place place;
        private Map<String, Object> context;

        private Run(UUID practice, UUID person) {
            this.practice = practice;
            this.person = person;
        }

        /** @throws org.morphotera.server.web.RefusedException naming every fault of the readings */
        public void add(Reading reading) {
            Map<String, Object> of = context(reading);
            DepthLayer layer = reading.layer();
            if (layer != null) {
                of.put("depthTopMm", layer.topMm());
                of.put("depthBottomMm", layer.bottomMm());
            } else {
                of.remove("depthTopMm");
                of.remove("depthBottomMm");
            }
            Envelope evaluation = evaluator.evaluate(reading.method(), reading.readings(), of);
            IndicatorProjection.Shown shown = projection.shown(
                    reading.id(),
                    new IndicatorProjection.Place(
                            practice, place.field().id(), reading.visit(), reading.stop(), layer, reading.takenAt()),
                    reading.readings(),
                    evaluation);
            keep(reading, of, evaluation, shown);
            stops.add(reading.stop());
            visits.put(reading.visit(), place.field().id());
            if (shown.indicators().stream()
                    .anyMatch(row -> row.indicator().equals("textureClass")
                            || row.indicator().equals("ground-cover"))) {
                // later tests here are read in the light of this one
                lit.add(reading.stop());
                place = null;
            }
            if (measurements.size() >= AT_ONCE) {
                flush();
            }
        }

        /** Of the same stop and visit as the test before, the same. */
        private Map<String, Object> context(Reading reading) {
            if (place == null
                    || !place.visit().id().equals(reading.visit())
                    || !place.stop().id().equals(reading.stop())) {
                if (lit.remove(reading.stop())) {
                    flush();
                    newest(reading.stop());
                }
                place = places.require(practice, reading.visit(), reading.stop());
                context = places.context(practice, place);
            }
            return context;
        }

        private void keep(
                Reading reading, Map<String, Object> of, Envelope evaluation, IndicatorProjection.Shown shown) {
            OffsetDateTime takenAt = reading.takenAt().atOffset(ZoneOffset.UTC);
            UUID field = place.field().id();
            measurements.add(new Object[] {
                reading.id(),
                practice,
                field,
                reading.visit(),
                reading.stop(),
                reading.method(),
                reading.layer() == null ? null : reading.layer().topMm(),
                reading.layer() == null ? null : reading.layer().bottomMm(),
                form.text(reading.readings()),
                form.text(of),
                form.text(evaluation),
                rules.version(),
                rules.benchmarks(),
                takenAt,
                person,
                recordedAt
            });
            for (IndicatorRow row : shown.indicators()) {
                indicators.add(new Object[] {
                    row.measurementId(),
                    row.indicator(),
                    practice,
                    field,
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
                    takenAt
                });
            }
            for (SightingReader.Row row : shown.sightings()) {
                sightings.add(new Object[] {
                    row.measurementId(),
                    row.finding(),
                    practice,
                    field,
                    row.stopId(),
                    row.figure(),
                    row.state(),
                    row.source(),
                    row.marks(),
                    takenAt
                });
            }
        }

        private void flush() {
            jdbc.batchUpdate(INTO_MEASUREMENT, measurements);
            jdbc.batchUpdate(INTO_INDICATOR, indicators);
            jdbc.batchUpdate(INTO_SIGHTING, sightings);
            measurements.clear();
            indicators.clear();
            sightings.clear();
        }

        /** Writes what is left, and marks the newest of every stop that was added to. */
        public void finish() {
            flush();
            stops.forEach(this::newest);
            visits.forEach((visit, field) -> changes.publishEvent(new VisitChanged(practice, field, visit)));
        }

        private void newest(UUID stop) {
            jdbc.update(
                    "update indicator_value set latest = not exists (select 1 from indicator_value o "
                            + "where o.stop_id = indicator_value.stop_id and o.indicator = indicator_value.indicator "
                            + "and o.band = indicator_value.band and o.source = indicator_value.source "
                            + "and (o.taken_at > indicator_value.taken_at or o.taken_at = indicator_value.taken_at "
                            + "and o.measurement_id < indicator_value.measurement_id)) where stop_id = ?",
                    new Object[] {stop},
                    new int[] {Types.OTHER});
            jdbc.update(
                    "update sighting set latest = not exists (select 1 from sighting o "
                            + "where o.stop_id = sighting.stop_id and o.finding = sighting.finding "
                            + "and o.source = sighting.source "
                            + "and (o.taken_at > sighting.taken_at or o.taken_at = sighting.taken_at "
                            + "and o.measurement_id < sighting.measurement_id)) where stop_id = ?",
                    new Object[] {stop},
                    new int[] {Types.OTHER});
        }
    }

    /** Begins; everything is done in the transaction that the caller has open. */
    public Run begin(UUID practice, UUID person) {
        return new Run(practice, person);
    }

    /** Readings of tests of the practice that are there already, by their ids. */
    public Map<UUID, String> known(UUID practice, List<UUID> ids) {
        Map<UUID, String> known = new HashMap<>();
        if (!ids.isEmpty()) {
            String marks = String.join(", ", java.util.Collections.nCopies(ids.size(), "?"));
            List<Object> arguments = new ArrayList<>(ids);
            arguments.add(practice);
            jdbc.query(
                    "select id, readings from measurement where id in (" + marks + ") and practice_id = ?",
                    row -> {
                        known.put(row.getObject(1, UUID.class), row.getString(2));
                    },
                    arguments.toArray());
        }
        return known;
    }

    /** Readings as they are kept. */
    public String text(Map<String, Object> readings) {
        return form.text(readings);
    }
}
