package org.morphotera.server.fields;

import java.util.List;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
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
@RequiresRole(Role.ADVISOR)
class FieldsController {

    private final FieldMapper rows;
    private final ApplicationEventPublisher changes;
    private final Audit audit;
    private final FieldWriter writer;

    FieldsController(FieldMapper rows, ApplicationEventPublisher changes, Audit audit, FieldWriter writer) {
        this.rows = rows;
        this.changes = changes;
        this.audit = audit;
        this.writer = writer;
    }

    @GetMapping("/api/growers")
    List<Grower> growers(@AuthenticationPrincipal Advisor who) {
        return rows.growers(who.practiceId());
    }

    @PutMapping("/api/growers/{id}")
    Grower putGrower(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Grower.Write body) {
        return writer.putGrower(who, id, body);
    }

    @PutMapping("/api/fields/{id}")
    Field putField(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Field.Write body) {
        return writer.putField(who, id, body);
    }

    @PutMapping("/api/stops/{id}")
    Stop putStop(@AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Stop.Write body) {
        return writer.putStop(who, id, body);
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
