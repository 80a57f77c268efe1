package org.morphotera.server.fields;

import java.util.UUID;
import org.springframework.stereotype.Component;

/** What others may write of a field's events: those that follow from something of theirs. */
@Component
public class EventWriter {

    private final FieldMapper rows;

    EventWriter(FieldMapper rows) {
        this.rows = rows;
    }

    /** Writes an event in the place of the one of the same id, if there was one. */
    public void replace(UUID practice, ManagementEvent event) {
        remove(practice, event.id());
        rows.insertEvent(practice, event);
    }

    /** Takes an event away, if it is there. */
    public void remove(UUID practice, UUID event) {
        if (rows.event(practice, event) != null) {
            rows.deleteEvent(practice, event);
        }
    }
}
