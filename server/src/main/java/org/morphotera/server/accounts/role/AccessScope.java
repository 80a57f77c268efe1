package org.morphotera.server.accounts.role;

import java.util.Set;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Component;

/**
 * What of the practice a person may see: all of it, or, for a grower, the own fields, for a helper the visits that were
 * given to them and their fields. What lies outside is not found, like another practice's.
 */
@Component
public class AccessScope {

    private final AccessScopeMapper rows;

    AccessScope(AccessScopeMapper rows) {
        this.rows = rows;
    }

    /** @throws NotFoundException where the field is out of reach */
    public void requireField(Advisor who, UUID field) {
        boolean seen = switch (who.role()) {
            case GROWER -> rows.grownBy(who.id(), field) > 0;
            case HELPER -> rows.givenField(who.id(), field) > 0;
            default -> true;
        };
        if (!seen) {
            throw new NotFoundException("field");
        }
    }

    /** @throws NotFoundException where the visit is out of reach */
    public void requireVisit(Advisor who, UUID visit) {
        boolean seen = switch (who.role()) {
            case GROWER -> false;
            case HELPER -> rows.given(who.id(), visit) > 0;
            default -> true;
        };
        if (!seen) {
            throw new NotFoundException("visit");
        }
    }

    /** The visits given to a helper. */
    public Set<UUID> visits(Advisor helper) {
        return rows.visits(helper.id());
    }
}
