package org.morphotera.server.drafts;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.measurements.Corrections;
import org.morphotera.server.measurements.MeasurementReader;
import org.morphotera.server.measurements.StoredForm;
import org.morphotera.server.measurements.StoredMeasurement;
import org.morphotera.server.visits.Places;
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

/** Readings on their way. */
@RestController
@RequiresRole(Role.ADVISOR)
class DraftsController {

    private final DraftMapper rows;
    private final MeasurementReader measurements;
    private final MethodRegistry methods;
    private final Places places;
    private final Audit audit;
    private final StoredForm form;
    private final Clock clock;
    private final AccessScope scope;

    DraftsController(
            DraftMapper rows,
            MeasurementReader measurements,
            MethodRegistry methods,
            Places places,
            StoredForm form,
            Audit audit,
            Clock clock,
            AccessScope scope) {
        this.scope = scope;
        this.methods = methods;
        this.audit = audit;
        this.rows = rows;
        this.measurements = measurements;
        this.places = places;
        this.form = form;
        this.clock = clock;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/drafts/{id}")
    @Transactional
    Draft putDraft(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Draft.Write body) {
        UUID practice = who.practiceId();
        places.requireTogether(who, body.visitId(), body.stopId());
        StoredDraft stored = rows.draft(practice, id);
        // recording a test removes its draft in the same transaction
        StoredMeasurement recorded = stored == null ? measurements.measurement(practice, id) : null;
        if (recorded != null) {
            scope.requireVisit(who, recorded.visitId());
            throw new StaleException(body, form.measurement(recorded));
        }
        requireSound(practice, stored, body);
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
            return stored.draft(form);
        }
        if (stored == null) {
            audit.note(who, "begin", "draft", id, body.method());
        }
        return Versioned.write(
                        sent,
                        stored,
                        StoredDraft::version,
                        () -> rows.insertDraft(practice, sent),
                        () -> rows.updateDraft(practice, sent),
                        "draft")
                .draft(form);
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @DeleteMapping("/api/drafts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteDraft(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        StoredDraft row = rows.draft(who.practiceId(), id);
        if (row == null && measurements.measurement(who.practiceId(), id) != null) {
            // recorded in the meantime, and gone with that
            return;
        }
        if (row != null) {
            scope.requireVisit(who, row.visitId());
        }
        if (audit.toRemove(who, row, "draft", id) != null) {
            rows.deleteDraft(who.practiceId(), id);
            audit.note(who, "delete", "draft", id, null);
        }
    }

    /** A draft stays with its place and its test, and corrects a test of one's own, if any. */
    private void requireSound(UUID practice, @Nullable StoredDraft stored, Draft.Write body) {
        if (!methods.has(body.method())) {
            throw RefusedException.of("method", "NO_SUCH_TEST", "There is no such test. Name one of the catalogue.");
        }
        if (stored != null
                && !(stored.visitId().equals(body.visitId())
                        && stored.stopId().equals(body.stopId())
                        && stored.method().equals(body.method()))) {
            throw RefusedException.of(
                    "stopId", "OTHER_PLACE", "Readings on their way stay with their test and place. Begin anew there.");
        }
        if (body.supersedes() != null) {
            Corrections.require(measurements.measurement(practice, body.supersedes()), body.stopId(), body.method());
        }
        if (form.text(body.content()).length() > StoredForm.LONGEST) {
            throw RefusedException.of("content", "TOO_LONG", "At most 200,000 characters in all. Shorten it.");
        }
    }
}
