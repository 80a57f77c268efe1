package org.morphotera.server.accounts.role;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** Which roles read a grower's fields. */
@Component
public class GrowerRule {

    private final AccountMapper accounts;

    GrowerRule(AccountMapper accounts) {
        this.accounts = accounts;
    }

    /** @throws RefusedException where a grower is missing, not the practice's, or not for the role */
    public void require(Advisor who, Role role, @Nullable UUID grower) {
        if (role == Role.GROWER && (grower == null || accounts.countGrower(who.practiceId(), grower) == 0)) {
            throw RefusedException.of("growerId", "NEEDED", "Say whose fields they are to read: choose a grower.");
        }
        if (role != Role.GROWER && grower != null) {
            throw RefusedException.of(
                    "growerId", "NOT_FOR_ROLE", "Only a grower reads a grower's fields. Leave it out.");
        }
    }
}
