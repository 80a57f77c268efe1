package org.morphotera.server.weather;

import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Keeps rain as read in gauges: one reading for a field and a day. */
@RestController
@RequiresRole(Role.ADVISOR)
class RainController {

    private final RainMapper rows;
    private final FieldReader fields;
    private final Audit audit;

    RainController(RainMapper rows, FieldReader fields, Audit audit) {
        this.rows = rows;
        this.fields = fields;
        this.audit = audit;
    }

    @PutMapping("/api/rain/{id}")
    @Transactional
    RainReading put(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated RainReading.Write body) {
        UUID practice = who.practiceId();
        NotFoundException.require(fields.field(practice, body.fieldId()), "field");
        RainReading sent = new RainReading(id, body.fieldId(), body.fellOn(), body.rainMm(), body.version() + 1);
        RainReading stored = rows.reading(practice, id);
        if (stored != null
                && !(stored.fieldId().equals(body.fieldId()) && stored.fellOn().equals(body.fellOn()))) {
            throw RefusedException.of(
                    "fellOn", "OTHER_DAY", "A reading stays with its field and day. Take it out and enter another.");
        }
        RainReading there = rows.on(practice, body.fieldId(), body.fellOn());
        if (there != null && !there.id().equals(id)) {
            throw new StaleException(sent, there);
        }
        audit.note(who, "put", "rain", id, null);
        return Versioned.write(
                sent,
                stored,
                RainReading::version,
                () -> rows.insert(practice, sent),
                () -> rows.update(practice, sent),
                "rain reading");
    }

    @DeleteMapping("/api/rain/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        if (audit.toRemove(who, rows.reading(who.practiceId(), id), "rain", id) != null) {
            rows.delete(who.practiceId(), id);
            audit.note(who, "delete", "rain", id, null);
        }
    }
}
