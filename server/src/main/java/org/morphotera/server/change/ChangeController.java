package org.morphotera.server.change;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
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

    private final ChangeReader reader;
    private final AccessScope scope;

    ChangeController(ChangeReader reader, AccessScope scope) {
        this.scope = scope;
        this.reader = reader;
    }

    /**
     * @param key where figures of two keys mean other things, such as of structure
     * @param stops only these; all where none is named
     * @param from first day of the period; the change is between its first and its last reading
     */
    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/fields/{id}/change")
    Changes.ChangeView change(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable String indicator,
            @RequestParam(required = false) @Nullable String band,
            @RequestParam(required = false) @Nullable String key,
            @RequestParam(required = false) @Nullable List<UUID> stops,
            @RequestParam(required = false) @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD) LocalDate from,
            @RequestParam(required = false) @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD) LocalDate to) {
        scope.requireField(who, id);
        return reader.read(who.practiceId(), id, new ChangeReader.Wanted(indicator, band, key, stops, from, to));
    }
}
