package org.morphotera.server.visits;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.RefusedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Keeps where somebody stood for a stop. Append-only: another stand is another fix. */
@RestController
@RequiresRole(Role.ADVISOR)
class FixesController {

    private final FixMapper rows;
    private final Places places;
    private final Audit audit;
    private final Clock clock;

    FixesController(FixMapper rows, Places places, Audit audit, Clock clock) {
        this.clock = clock;
        this.rows = rows;
        this.places = places;
        this.audit = audit;
    }

    /** Of a device whose clock is ahead, the moment at which it arrived first. */
    private Instant taken(Fix.Write body, @Nullable Fix stored) {
        Instant said = body.takenAt().truncatedTo(ChronoUnit.MICROS);
        return Moments.notAhead(
                said, stored == null ? clock.instant().truncatedTo(ChronoUnit.MICROS) : stored.takenAt());
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/fixes/{id}")
    @Transactional
    Fix put(@AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Fix.Write body) {
        places.require(who, body.visitId(), body.stopId());
        Fix stored = rows.fix(who.practiceId(), id);
        Fix sent = new Fix(
                id,
                body.visitId(),
                body.stopId(),
                body.longitude(),
                body.latitude(),
                body.accuracyM(),
                taken(body, stored));
        if (stored == null) {
            rows.insert(who.practiceId(), sent);
            audit.note(who, "put", "fix", id, null);
        } else if (!stored.equals(sent)) {
            throw RefusedException.of("", "OTHER_FIX", "This place was kept before and stays. Send another one.");
        }
        return sent;
    }
}
