package org.morphotera.server.visits;

import java.time.LocalDate;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Begins visits for what comes in from elsewhere. */
@Component
public class VisitWriter {

    private final VisitMapper rows;
    private final ApplicationEventPublisher changes;

    VisitWriter(VisitMapper rows, ApplicationEventPublisher changes) {
        this.rows = rows;
        this.changes = changes;
    }

    /** A visit of a day of which nothing more is known; who takes it in tells of it once its tests are there. */
    public void begin(UUID practice, UUID person, UUID id, UUID field, LocalDate on) {
        rows.insertVisit(practice, new Visit(id, field, person, "", on, null, null, null, null, null, null, null, 1));
    }

    /** Takes a visit away again that was begun here; refused by the database where somebody uses it by now. */
    public void takeBack(UUID practice, UUID id) {
        Visit visit = rows.visit(practice, id);
        if (visit != null) {
            changes.publishEvent(new VisitGone(practice, visit.fieldId(), id));
            rows.clearHelpers(practice, id);
            rows.deleteVisit(practice, id);
        }
    }
}
