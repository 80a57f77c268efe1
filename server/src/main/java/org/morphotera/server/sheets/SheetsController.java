package org.morphotera.server.sheets;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** One visit of one field as every school marks it. */
@RestController
@RequiresRole(Role.ADVISOR)
class SheetsController {

    private final SheetReader reader;

    SheetsController(SheetReader reader) {
        this.reader = reader;
    }

    /** The sheet of a visit; of the newest where none is named. */
    @GetMapping("/api/fields/{id}/sheet")
    Sheets.SheetView sheet(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable UUID visit) {
        return reader.read(who.practiceId(), id, visit);
    }
}
