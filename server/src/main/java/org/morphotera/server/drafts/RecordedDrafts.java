package org.morphotera.server.drafts;

import org.morphotera.server.measurements.DraftRecorded;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Removes the draft of a test that is recorded. */
@Component
class RecordedDrafts {

    private final DraftMapper rows;

    RecordedDrafts(DraftMapper rows) {
        this.rows = rows;
    }

    @EventListener
    void recorded(DraftRecorded test) {
        rows.deleteDraft(test.practiceId(), test.measurementId());
    }
}
