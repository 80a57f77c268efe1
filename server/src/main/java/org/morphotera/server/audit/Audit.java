package org.morphotera.server.audit;

import java.time.Clock;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.web.NotFoundException;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Notes every change in the transaction that makes it. */
@Component
public class Audit {

    private final AuditMapper entries;
    private final Clock clock;

    Audit(AuditMapper entries, Clock clock) {
        this.entries = entries;
        this.clock = clock;
    }

    /**
     * The row to take away; {@code null} when the practice took it away before, so that a repeated removal is answered
     * as the first.
     *
     * @throws NotFoundException when the practice never had it
     */
    public <T> @Nullable T toRemove(Advisor who, @Nullable T row, String entity, UUID id) {
        if (row == null && entries.removals(who.practiceId(), entity, id) == 0) {
            throw new NotFoundException(entity);
        }
        return row;
    }

    @EventListener
    void note(Happened what) {
        entries.insert(
                what.practiceId(),
                what.personId(),
                clock.instant(),
                what.action(),
                what.entity(),
                what.id(),
                what.detail());
    }

    public void note(Advisor who, String action, String entity, UUID id, String detail) {
        entries.insert(who.practiceId(), who.id(), clock.instant(), action, entity, id, detail);
    }
}
