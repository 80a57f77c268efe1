package org.morphotera.server.observations;

import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.visits.Places;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What is seen at a stop beside the tests. One observation for each stop on each visit. */
@RestController
@RequiresRole(Role.ADVISOR)
class ObservationsController {

    private final ObservationMapper rows;
    private final Places places;
    private final Audit audit;
    private final ApplicationEventPublisher changes;

    ObservationsController(ObservationMapper rows, Places places, ApplicationEventPublisher changes, Audit audit) {
        this.changes = changes;
        this.rows = rows;
        this.places = places;
        this.audit = audit;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/observations/{id}")
    @Transactional
    Observation put(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated Observation.Write body) {
        UUID practice = who.practiceId();
        Places.Place place = places.require(who, body.visitId(), body.stopId());
        if (body.cropVigour() != null && body.cropVigour() * 2 != Math.rint(body.cropVigour() * 2)) {
            throw RefusedException.of("cropVigour", "NOT_HALVES", "Vigour goes in halves: 0, 0.5, 1, 1.5 or 2.");
        }
        Observation sent = new Observation(
                id,
                body.visitId(),
                body.stopId(),
                body.cropVigour(),
                body.slopePct(),
                body.rills(),
                body.whiteCrust(),
                body.standingWater(),
                body.note(),
                body.version() + 1);
        Observation stored = rows.observation(practice, id);
        if (stored != null
                && !(stored.visitId().equals(body.visitId()) && stored.stopId().equals(body.stopId()))) {
            throw RefusedException.of(
                    "stopId", "OTHER_PLACE", "What was seen stays with its visit and stop. Enter it there anew.");
        }
        Observation there = rows.at(practice, body.visitId(), body.stopId());
        if (there != null && !there.id().equals(id)) {
            throw new StaleException(sent, there);
        }
        changes.publishEvent(new VisitChanged(practice, place.field().id(), body.visitId()));
        audit.note(who, "put", "observation", id, null);
        return Versioned.write(
                sent,
                stored,
                Observation::version,
                () -> rows.insert(practice, place.field().id(), sent),
                () -> rows.update(practice, sent),
                "observation");
    }
}
