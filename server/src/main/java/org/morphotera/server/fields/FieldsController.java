package org.morphotera.server.fields;

import java.util.List;
import java.util.UUID;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Growers, fields, stops and events of the signed-in person's practice. */
@RestController
class FieldsController {

    private final FieldMapper rows;
    private final ApplicationEventPublisher changes;
    private final Audit audit;
    private final Boundary boundary;

    FieldsController(FieldMapper rows, ApplicationEventPublisher changes, Audit audit, Boundary boundary) {
        this.rows = rows;
        this.changes = changes;
        this.audit = audit;
        this.boundary = boundary;
    }

    @GetMapping("/api/growers")
    List<Grower> growers(@AuthenticationPrincipal Advisor who) {
        return rows.growers(who.practiceId());
    }

    @PutMapping("/api/growers/{id}")
    @Transactional
    Grower putGrower(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Grower.Write body) {
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

    @PutMapping("/api/fields/{id}")
    @Transactional
    Field putField(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Field.Write body) {
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

    @PutMapping("/api/stops/{id}")
    @Transactional
    Stop putStop(@AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Stop.Write body) {
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

    private void markLeading(UUID practice, UUID field) {
        StopRole leading = StopRole.leading(rows.stops(practice, field).stream()
                .map(stop -> Coded.find(StopRole.values(), stop.role()))
                .toList());
        rows.markLeading(practice, field, leading == null ? null : leading.code());
    }

    @PutMapping("/api/events/{id}")
    @Transactional
    ManagementEvent putEvent(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated ManagementEvent.Write body) {
        NotFoundException.require(rows.field(who.practiceId(), body.fieldId()), "field");
        ManagementEvent stored = rows.event(who.practiceId(), id);
        if (stored != null && !stored.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "An event stays with its field. Enter another one.");
        }
        requireOwnStops(who.practiceId(), body);
        ManagementEvent sent = new ManagementEvent(
                id,
                body.fieldId(),
                body.happenedOn(),
                body.kind(),
                body.what().strip(),
                body.rate(),
                body.cost(),
                body.stopIds(),
                body.version() + 1);
        audit.note(who, "put", "event", id, sent.what());
        changes.publishEvent(new FieldChanged(who.practiceId(), body.fieldId()));
        return Versioned.write(
                sent,
                stored,
                ManagementEvent::version,
                () -> rows.insertEvent(who.practiceId(), sent),
                () -> rows.updateEvent(who.practiceId(), sent),
                "event");
    }

    @DeleteMapping("/api/events/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteEvent(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        ManagementEvent row = audit.toRemove(who, rows.event(who.practiceId(), id), "event", id);
        if (row != null) {
            rows.deleteEvent(who.practiceId(), id);
            audit.note(who, "delete", "event", id, null);
            changes.publishEvent(new FieldChanged(who.practiceId(), row.fieldId()));
        }
    }

    private void requireOwnStops(UUID practice, ManagementEvent.Write body) {
        if (body.stopIds() == null) {
            return;
        }
        List<UUID> own =
                rows.stops(practice, body.fieldId()).stream().map(Stop::id).toList();
        for (int i = 0; i < body.stopIds().size(); i++) {
            if (!own.contains(body.stopIds().get(i))) {
                throw RefusedException.of(
                        "stopIds[" + i + "]", "NO_SUCH_STOP", "There is no such stop in this field. Take it out.");
            }
        }
    }
}
