package org.morphotera.server.measurements;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.NotFoundException;
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

/** Readings on their way. */
@RestController
class DraftsController {

    private final DraftMapper rows;
    private final MeasurementMapper measurements;
    private final Places places;
    private final StoredForm form;
    private final Clock clock;

    DraftsController(DraftMapper rows, MeasurementMapper measurements, Places places, StoredForm form, Clock clock) {
        this.rows = rows;
        this.measurements = measurements;
        this.places = places;
        this.form = form;
        this.clock = clock;
    }

    @PutMapping("/api/drafts/{id}")
    @Transactional
    Draft putDraft(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Draft.Write body) {
        UUID practice = who.practiceId();
        places.require(practice, body.visitId(), body.stopId());
        if (measurements.measurement(practice, id) != null) {
            throw new StaleException(body, form.measurement(measurements.measurement(practice, id)));
        }
        StoredDraft stored = rows.draft(practice, id);
        StoredDraft sent = new StoredDraft(
                id,
                body.visitId(),
                body.stopId(),
                body.method(),
                body.depthTopMm(),
                body.depthBottomMm(),
                form.text(body.content()),
                body.supersedes(),
                clock.instant().truncatedTo(ChronoUnit.MILLIS),
                body.version() + 1);
        if (stored != null && sent.sameContent(stored)) {
            return form.draft(stored);
        }
        return form.draft(Versioned.write(
                sent,
                stored,
                StoredDraft::version,
                () -> rows.insertDraft(practice, sent),
                () -> rows.updateDraft(practice, sent),
                "draft"));
    }

    @DeleteMapping("/api/drafts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteDraft(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        NotFoundException.require(rows.draft(who.practiceId(), id), "draft");
        rows.deleteDraft(who.practiceId(), id);
    }
}
