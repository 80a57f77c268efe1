package org.morphotera.server.fields;

import java.util.UUID;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes growers, fields and stops, with all that follows from it, one by one or as they come in from a file. */
@Service
public class FieldWriter {

    private final FieldMapper rows;
    private final ApplicationEventPublisher changes;
    private final Audit audit;
    private final Boundary boundary;

    FieldWriter(FieldMapper rows, ApplicationEventPublisher changes, Audit audit, Boundary boundary) {
        this.rows = rows;
        this.changes = changes;
        this.audit = audit;
        this.boundary = boundary;
    }

    /** A new or changed grower; a repeated send is the same row. */
    @Transactional
    public Grower putGrower(Advisor who, UUID id, Grower.Write body) {
        Grower sent = new Grower(id, body.name().strip(), body.contact(), body.version() + 1);
        audit.note(who, "put", "grower", id, sent.name());
        changes.publishEvent(new GrowerChanged(who.practiceId(), id));
        return Versioned.write(
                sent,
                rows.grower(who.practiceId(), id),
                Grower::version,
                () -> rows.insertGrower(who.practiceId(), sent),
                () -> rows.updateGrower(who.practiceId(), sent),
                "grower");
    }

    /** A new or changed field with its shapes. */
    @Transactional
    public Field putField(Advisor who, UUID id, Field.Write body) {
        NotFoundException.require(rows.grower(who.practiceId(), body.growerId()), "grower");
        boundary.check(body);
        Field sent = new Field(
                id,
                body.growerId(),
                body.name().strip(),
                body.landUse(),
                body.crop(),
                body.areaHa(),
                body.textureClass(),
                body.purpose(),
                body.soilNote(),
                body.boundary(),
                body.zones(),
                body.avoid(),
                body.version() + 1);
        audit.note(who, "put", "field", id, sent.name());
        Field kept = Versioned.write(
                sent,
                rows.field(who.practiceId(), id),
                Field::version,
                () -> rows.insertField(who.practiceId(), sent),
                () -> rows.updateField(who.practiceId(), sent),
                "field");
        changes.publishEvent(new FieldChanged(who.practiceId(), id));
        return kept;
    }

    /** A new or changed stop; which stops speak for the field follows. */
    @Transactional
    public Stop putStop(Advisor who, UUID id, Stop.Write body) {
        NotFoundException.require(rows.field(who.practiceId(), body.fieldId()), "field");
        Stop before = rows.stop(who.practiceId(), id);
        if (before != null && !before.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "A stop stays with its field. Make another one.");
        }
        if ((body.longitude() == null) != (body.latitude() == null)) {
            throw RefusedException.of(
                    "longitude", "HALF_A_PLACE", "A place needs longitude and latitude. Give both, or neither.");
        }
        boolean half = (body.endLongitude() == null) != (body.endLatitude() == null);
        if (half || body.endLongitude() != null && body.longitude() == null) {
            throw RefusedException.of(
                    "endLongitude", "HALF_A_LINE", "A line needs both its ends. Give longitude and latitude of each.");
        }
        Stop sent = new Stop(
                id,
                body.fieldId(),
                body.label().strip(),
                body.note(),
                body.longitude(),
                body.latitude(),
                body.position(),
                body.role() != null ? body.role() : before == null ? StopRole.ROUTINE.code() : before.role(),
                body.role() != null || before == null ? body.areaSharePct() : before.areaSharePct(),
                body.endLongitude(),
                body.endLatitude(),
                body.retiredOn(),
                body.version() + 1);
        audit.note(who, "put", "stop", id, sent.label());
        changes.publishEvent(new FieldChanged(who.practiceId(), body.fieldId()));
        Stop kept = Versioned.write(
                sent,
                before,
                Stop::version,
                () -> rows.insertStop(who.practiceId(), sent),
                () -> rows.updateStop(who.practiceId(), sent),
                "stop");
        markLeading(who.practiceId(), body.fieldId());
        return kept;
    }

    /** Takes a stop away again that was made as it came in; refused by the database where somebody uses it by now. */
    @Transactional
    public void takeBackStop(UUID practice, UUID id) {
        Stop stop = rows.stop(practice, id);
        if (stop != null) {
            rows.deleteStop(practice, id);
            markLeading(practice, stop.fieldId());
            changes.publishEvent(new FieldChanged(practice, stop.fieldId()));
        }
    }

    private void markLeading(UUID practice, UUID field) {
        StopRole leading = StopRole.leading(rows.stops(practice, field).stream()
                .map(stop -> Coded.find(StopRole.values(), stop.role()))
                .toList());
        rows.markLeading(practice, field, leading == null ? null : leading.code());
    }
}
