package org.morphotera.server.year;

import java.util.List;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the coming year asks for, by day. */
@RestController
@RequiresRole(Role.ADVISOR)
class YearController {

    private final DueEntries due;

    YearController(DueEntries due) {
        this.due = due;
    }

    @GetMapping("/api/year")
    List<DueEntry> year(@AuthenticationPrincipal Advisor who) {
        return due.of(who.practiceId());
    }
}
