package org.morphotera.server.change;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.trend.PairedChange;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Sensible;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** One indicator of one field over the years: is the change real? */
@RestController
@RequiresRole(Role.ADVISOR)
class ChangeController {

    private static final int MOST_STOPS = 200;

    private final ChangeReader reader;
    private final AccessScope scope;

    ChangeController(ChangeReader reader, AccessScope scope) {
        this.scope = scope;
        this.reader = reader;
    }

    /**
     * @param stops only these; all where none is named
     * @param from first day of the period; the paired change is between its first and its last date
     */
    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/fields/{id}/change")
    Changes.ChangeView change(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable String indicator,
            @RequestParam(required = false) @Nullable String band,
            @RequestParam(required = false) @Nullable String method,
            @RequestParam(required = false) @Nullable List<UUID> stops,
            @RequestParam(required = false) @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD) LocalDate from,
            @RequestParam(required = false) @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD) LocalDate to) {
        scope.requireField(who, id);
        return reader.read(who.practiceId(), id, new ChangeReader.Wanted(indicator, band, method, stops, from, to));
    }

    /**
     * How many stops a change of some size takes, from how much paired differences scatter.
     *
     * @param shared standard deviation that all readings of a visit share
     */
    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/stops-needed")
    Changes.StopsNeeded stopsNeeded(
            @RequestParam double deviation,
            @RequestParam double change,
            @RequestParam(defaultValue = "0") double shared) {
        if (!(deviation > 0) || !(change > 0) || Double.isInfinite(deviation) || Double.isInfinite(change)) {
            throw RefusedException.of("change", "NOT_POSITIVE", "Give a scatter and a change over 0.");
        }
        if (!(shared >= 0) || Double.isInfinite(shared)) {
            throw RefusedException.of("shared", "NOT_POSITIVE", "Give what a visit shares as 0 or more.");
        }
        return new Changes.StopsNeeded(change, PairedChange.stopsNeeded(deviation, shared, change, MOST_STOPS));
    }
}
