package org.morphotera.server.measurements;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.clocks.RunningClocks;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.visits.Places;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Evaluates readings and appends them to the record. */
@Service
public class Measurements {

    private final MeasurementMapper rows;
    private final RunningClocks timers;
    private final FieldReader fields;
    private final Places places;
    private final MeasurementWriter writer;
    private final ApplicationEventPublisher changes;
    private final StoredForm form;
    private final Audit audit;
    private final Clock clock;
    private final AccessScope scope;
    private final FromPhotos photos;

    Measurements(
            MeasurementMapper rows,
            RunningClocks timers,
            FieldReader fields,
            Places places,
            MeasurementWriter writer,
            ApplicationEventPublisher changes,
            StoredForm form,
            Audit audit,
            Clock clock,
            AccessScope scope,
            FromPhotos photos) {
        this.scope = scope;
        this.photos = photos;
        this.rows = rows;
        this.timers = timers;
        this.fields = fields;
        this.places = places;
        this.writer = writer;
        this.changes = changes;
        this.form = form;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * Appends a measurement. A repeated send of the same is answered with what is stored; the draft of the same id is
     * gone with it, and its clocks are stopped.
     *
     * @throws RefusedException naming every fault of the readings
     * @throws StaleException when the id is taken by other readings, or the superseded one is superseded already
     */
    @Transactional
    public Measurement put(Advisor who, UUID id, Measurement.Write body) {
        UUID practice = who.practiceId();
        Places.Place place = places.require(who, body.visitId(), body.stopId());
        MeasurementMapper.Begun begun = rows.begun(practice, id);
        if (begun.recorded()) {
            StoredMeasurement stored = rows.measurement(practice, id);
            scope.requireVisit(who, stored.visitId());
            return repeated(stored, body);
        }
        if (body.supersedes() != null) {
            requireNewest(who, body);
        }
        photos.require(body);
        Instant recordedAt = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        Instant takenAt = taken(body, recordedAt);
        MeasurementWriter.Appended appended = writer.append(
                practice,
                who.id(),
                recordedAt,
                place,
                new MeasurementWriter.Reading(
                        id,
                        body.visitId(),
                        body.stopId(),
                        body.method(),
                        layer(body),
                        body.readings(),
                        takenAt,
                        body.supersedes(),
                        body.reason(),
                        body.note()));
        photos.keep(practice, id, takenAt, body);
        changes.publishEvent(new VisitChanged(practice, place.field().id(), body.visitId()));
        if (begun.drafted()) {
            changes.publishEvent(new DraftRecorded(practice, id));
        }
        if (begun.timed()) {
            timers.stopOf(practice, id, recordedAt);
        }
        audit.note(who, body.supersedes() == null ? "record" : "correct", "measurement", id, body.reason());
        return new Measurement(
                id,
                place.field().id(),
                body.visitId(),
                body.stopId(),
                body.method(),
                body.depthTopMm(),
                body.depthBottomMm(),
                body.readings(),
                appended.context(),
                appended.evaluation(),
                appended.rules().version(),
                appended.rules().benchmarks(),
                takenAt,
                who.name(),
                body.supersedes(),
                null,
                body.reason(),
                body.note(),
                recordedAt);
    }

    private static Instant taken(Measurement.Write body, Instant recordedAt) {
        return Moments.notAhead(body.takenAt(), recordedAt).truncatedTo(ChronoUnit.MILLIS);
    }

    private Measurement repeated(StoredMeasurement stored, Measurement.Write body) {
        Measurement before = form.measurement(stored);
        boolean same = stored.takenAt().equals(taken(body, stored.recordedAt()))
                && Objects.equals(stored.depthTopMm(), body.depthTopMm())
                && Objects.equals(stored.depthBottomMm(), body.depthBottomMm())
                && Objects.equals(stored.supersedes(), body.supersedes())
                && Objects.equals(stored.reason(), body.reason())
                && Objects.equals(stored.note(), body.note())
                && stored.method().equals(body.method())
                && stored.visitId().equals(body.visitId())
                && stored.stopId().equals(body.stopId())
                && stored.readings().equals(form.text(body.readings()));
        if (!same) {
            throw new StaleException(body, before);
        }
        return before;
    }

    private void requireNewest(Advisor who, Measurement.Write body) {
        UUID practice = who.practiceId();
        if (body.reason() == null || body.reason().isBlank()) {
            throw RefusedException.of("reason", "NEEDED", "Say why it is corrected.");
        }
        StoredMeasurement old =
                Corrections.require(rows.measurement(practice, body.supersedes()), body.stopId(), body.method());
        scope.requireVisit(who, old.visitId());
        if (old.supersededBy() != null) {
            throw new StaleException(body, form.measurement(rows.measurement(practice, old.supersededBy())));
        }
    }

    private static DepthLayer layer(Measurement.Write body) {
        if (body.depthTopMm() == null || body.depthBottomMm() == null) {
            return null;
        }
        try {
            return new DepthLayer(body.depthTopMm(), body.depthBottomMm());
        } catch (IllegalArgumentException e) {
            throw RefusedException.of(
                    "depthBottomMm",
                    "DEPTH",
                    "The layer must run from a depth of 0 mm or more down to at most 5000 mm.");
        }
    }

    /** All measurements of a field that stand, in the order in which they were recorded. */
    public List<Measurement> active(UUID practice, UUID field) {
        return rows.activeOf(practice, field).stream().map(form::measurement).toList();
    }

    /** A measurement with its corrections, newest first. */
    public Measurement.History history(Advisor who, UUID id) {
        UUID practice = who.practiceId();
        StoredMeasurement row = NotFoundException.require(rows.measurement(practice, id), "measurement");
        scope.requireVisit(who, row.visitId());
        StoredMeasurement newest = row;
        while (newest.supersededBy() != null) {
            newest = rows.measurement(practice, newest.supersededBy());
        }
        List<Measurement> versions = new ArrayList<>();
        for (StoredMeasurement each = newest; each != null; ) {
            versions.add(form.measurement(each));
            each = each.supersedes() == null ? null : rows.measurement(practice, each.supersedes());
        }
        return new Measurement.History(
                form.measurement(row),
                fields.stop(practice, row.stopId()).label(),
                fields.field(practice, row.fieldId()).name(),
                versions,
                photos.of(practice, id));
    }
}
