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

    /** A visit of a day of which nothing more is known. */
    public void begin(UUID practice, UUID person, UUID id, UUID field, LocalDate on) {
        rows.insertVisit(practice, new Visit(id, field, person, "", on, null, null, null, null, null, null, null, 1));
        changes.publishEvent(new VisitChanged(practice, field, id));
    }
}
