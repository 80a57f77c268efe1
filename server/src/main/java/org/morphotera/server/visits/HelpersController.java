package org.morphotera.server.visits;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Which helpers record at a visit. */
@RestController
@RequiresRole(Role.ADVISOR)
class HelpersController {

    /** A helper of the practice, and whether the visit is given to them. */
    @Schema(name = "VisitHelper")
    record Helper(UUID id, String name, boolean given) {}

    @Schema(name = "VisitHelpersWrite")
    record HelpersWrite(@NotNull @Size(max = 50) List<@NotNull UUID> helpers) {}

    private final VisitMapper rows;
    private final Audit audit;

    HelpersController(VisitMapper rows, Audit audit) {
        this.rows = rows;
        this.audit = audit;
    }

    @GetMapping("/api/visits/{id}/helpers")
    List<Helper> helpers(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        NotFoundException.require(rows.visit(who.practiceId(), id), "visit");
        return rows.helpers(who.practiceId(), id);
    }

    /** Gives the visit to these helpers, and to no others. */
    @PutMapping("/api/visits/{id}/helpers")
    @Transactional
    List<Helper> putHelpers(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated HelpersWrite body) {
        List<Helper> before = helpers(who, id);
        List<UUID> known = before.stream().map(Helper::id).toList();
        for (int i = 0; i < body.helpers().size(); i++) {
            if (!known.contains(body.helpers().get(i))) {
                throw RefusedException.of(
                        "helpers[" + i + "]", "NO_HELPER", "There is no such helper. Invite them as one first.");
            }
        }
        rows.clearHelpers(who.practiceId(), id);
        new LinkedHashSet<>(body.helpers()).forEach(helper -> rows.addHelper(who.practiceId(), id, helper));
        List<Helper> now = rows.helpers(who.practiceId(), id);
        String names = now.stream().filter(Helper::given).map(Helper::name).collect(Collectors.joining(", "));
        audit.note(who, "put", "visit-helpers", id, names);
        return now;
    }
}
