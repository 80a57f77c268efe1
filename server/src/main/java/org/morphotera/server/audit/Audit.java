package org.morphotera.server.audit;

import java.time.Clock;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
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

    public void note(Advisor who, String action, String entity, UUID id, String detail) {
        entries.insert(who.practiceId(), who.id(), clock.instant(), action, entity, id, detail);
    }
}
