package org.morphotera.server.visits;

import java.time.Clock;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.testsets.ChosenTests;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Visits as they are planned and changed; what happened on one is the walk's to tell. */
@RestController
@RequiresRole(Role.ADVISOR)
class VisitsController {

    private final VisitMapper rows;
    private final FieldReader fields;
    private final ApplicationEventPublisher changes;
    private final Audit audit;
    private final Clock clock;
    private final AccessScope scope;

    VisitsController(
            VisitMapper rows,
            FieldReader fields,
            ApplicationEventPublisher changes,
            Audit audit,
            Clock clock,
            AccessScope scope) {
        this.scope = scope;
        this.rows = rows;
        this.fields = fields;
        this.changes = changes;
        this.audit = audit;
        this.clock = clock;
    }

    /** A helper changes what was found at a visit given to them, and begins none. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/visits/{id}")
    @Transactional
    Visit putVisit(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Visit.Write body) {
        UUID practice = who.practiceId();
        NotFoundException.require(fields.field(practice, body.fieldId()), "field");
        if (body.visitedOn().isAfter(java.time.LocalDate.now(clock).plusDays(1))) {
            throw RefusedException.of("visitedOn", "FUTURE", "A visit can't lie in the future. Correct the date.");
        }
        ChosenTests.check(ChosenTests.list(body.tests()), "tests");
        Visit stored = rows.visit(practice, id);
        scope.requireVisit(who, id);
        if (stored != null && !stored.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "A visit stays with its field. Begin another one.");
        }
        UUID person = stored == null ? who.id() : stored.personId();
        Visit sent = new Visit(
                id,
                body.fieldId(),
                person,
                stored == null ? "" : stored.person(),
                body.visitedOn(),
                body.soilMoisture(),
                body.daysSinceRain(),
                body.soilTempC(),
                body.lastManagement(),
                body.carbonAdded(),
                body.note(),
                body.tests(),
                body.version() + 1);
        Versioned.write(
                sent,
                stored,
                Visit::version,
                () -> rows.insertVisit(practice, sent),
                () -> rows.updateVisit(practice, sent),
                "visit");
        changes.publishEvent(new VisitChanged(practice, body.fieldId(), id));
        audit.note(who, "put", "visit", id, null);
        return rows.visit(practice, id);
    }
}
