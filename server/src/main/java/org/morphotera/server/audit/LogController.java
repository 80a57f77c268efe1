package org.morphotera.server.audit;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.Sensible;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The log of who did what, for the owner. */
@RestController
@RequiresRole(Role.OWNER)
class LogController {

    private static final int PAGE = 100;

    /**
     * Something that was done.
     *
     * @param action {@code put}, {@code delete}, {@code record}, {@code correct}, {@code sign-in}, …
     * @param entity what it was done to, as {@code measurement}, {@code field}, {@code clock}
     */
    @Schema(name = "LogEntry")
    record Entry(
            long number,
            Instant at,
            UUID personId,
            String person,
            String action,
            String entity,
            UUID id,
            @Nullable String detail) {}

    /** @param entities the kinds of things that the log has entries of */
    @Schema(name = "LogPage")
    record Page(List<Entry> entries, List<String> entities, boolean more) {}

    private final AuditMapper entries;

    LogController(AuditMapper entries) {
        this.entries = entries;
    }

    /**
     * A hundred entries, newest first.
     *
     * @param person only what they did
     * @param entity only what was done to such
     * @param from first day, UTC
     * @param to last day, UTC
     * @param before only entries with a smaller number: the last one of the page before
     */
    @GetMapping("/api/log")
    Page log(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID person,
            @RequestParam(required = false) @Nullable @Size(max = 40) String entity,
            @RequestParam(required = false) @Nullable @Sensible LocalDate from,
            @RequestParam(required = false) @Nullable @Sensible LocalDate to,
            @RequestParam(required = false) @Nullable Long before) {
        AuditMapper.Wanted wanted = new AuditMapper.Wanted(
                person,
                entity,
                from == null ? null : from.atStartOfDay().toInstant(ZoneOffset.UTC),
                to == null ? null : to.plusDays(1).atStartOfDay().toInstant(ZoneOffset.UTC),
                before,
                PAGE + 1);
        List<Entry> found = entries.entries(who.practiceId(), wanted);
        return new Page(
                found.subList(0, Math.min(PAGE, found.size())),
                entries.entities(who.practiceId()),
                found.size() > PAGE);
    }
}
