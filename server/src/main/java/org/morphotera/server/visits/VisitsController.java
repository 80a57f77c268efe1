package org.morphotera.server.visits;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.method.Context;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.result.Envelope.NoteText;
import org.morphotera.core.schedule.Conditions;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldMapper;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorMapper;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Visits, readings on their way, and measurements. */
@RestController
class VisitsController {

    /** A visit with all that happened on it; {@code contexts} by stop, for live figures in the page. */
    record VisitView(
            Visit visit,
            Field field,
            List<Stop> stops,
            Map<String, Map<String, Object>> contexts,
            List<NoteText> warnings,
            List<MadeTest> measurements,
            List<Draft> drafts,
            List<Observation> observations) {}

    private final VisitMapper rows;
    private final ObservationMapper observations;
    private final IndicatorMapper indicators;
    private final FieldMapper fields;
    private final Places places;
    private final Measurements measurements;
    private final ApplicationEventPublisher changes;
    private final StoredForm form;
    private final Audit audit;
    private final Messages messages;
    private final Clock clock;

    VisitsController(
            VisitMapper rows,
            ObservationMapper observations,
            IndicatorMapper indicators,
            FieldMapper fields,
            Places places,
            Measurements measurements,
            ApplicationEventPublisher changes,
            StoredForm form,
            Audit audit,
            Messages messages,
            Clock clock) {
        this.rows = rows;
        this.observations = observations;
        this.indicators = indicators;
        this.fields = fields;
        this.places = places;
        this.measurements = measurements;
        this.changes = changes;
        this.form = form;
        this.audit = audit;
        this.messages = messages;
        this.clock = clock;
    }

    @GetMapping("/api/visits/{id}")
    VisitView visit(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        UUID practice = who.practiceId();
        Visit visit = NotFoundException.require(rows.visit(practice, id), "visit");
        Field field = fields.field(practice, visit.fieldId());
        List<Stop> stops = fields.stops(practice, visit.fieldId());
        Map<String, Map<String, Object>> contexts = new LinkedHashMap<>();
        for (Stop stop : stops) {
            contexts.put(stop.id().toString(), places.context(practice, new Places.Place(visit, stop, field)));
        }
        return new VisitView(
                visit,
                field,
                stops,
                contexts,
                Conditions.warnings(Context.parse(places.conditions(visit, stops), new Faults()), messages),
                MadeTest.of(rows.testsOf(practice, id), indicators.ofVisit(practice, visit.fieldId(), id), messages),
                rows.draftsOf(practice, id).stream().map(form::draft).toList(),
                observations.ofVisit(practice, id));
    }

    @PutMapping("/api/visits/{id}")
    @Transactional
    Visit putVisit(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Visit.Write body) {
        UUID practice = who.practiceId();
        NotFoundException.require(fields.field(practice, body.fieldId()), "field");
        if (body.visitedOn().isAfter(java.time.LocalDate.now(clock).plusDays(1))) {
            throw RefusedException.of("visitedOn", "FUTURE", "A visit can't lie in the future. Correct the date.");
        }
        ChosenTests.check(ChosenTests.list(body.tests()), "tests");
        Visit stored = rows.visit(practice, id);
        if (stored != null && !stored.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "A visit stays with its field. Begin another one.");
        }
        UUID person = stored == null ? who.id() : stored.personId();
        Visit sent = new Visit(
                id,
                body.fieldId(),
                person,
                stored == null ? "" : stored.person(),
                body.visitedOn(),
                body.soilMoisture(),
                body.daysSinceRain(),
                body.soilTempC(),
                body.lastManagement(),
                body.note(),
                body.tests(),
                body.version() + 1);
        Versioned.write(
                sent,
                stored,
                Visit::version,
                () -> rows.insertVisit(practice, sent),
                () -> rows.updateVisit(practice, sent),
                "visit");
        changes.publishEvent(new VisitChanged(practice, body.fieldId(), id));
        audit.note(who, "put", "visit", id, null);
        return rows.visit(practice, id);
    }

    @PutMapping("/api/drafts/{id}")
    @Transactional
    Draft putDraft(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Draft.Write body) {
        UUID practice = who.practiceId();
        places.require(practice, body.visitId(), body.stopId());
        if (rows.measurement(practice, id) != null) {
            throw new StaleException(body, form.measurement(rows.measurement(practice, id)));
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

    @GetMapping("/api/measurements/{id}")
    Measurement.History measurement(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return measurements.history(who.practiceId(), id);
    }

    @PutMapping("/api/measurements/{id}")
    Measurement putMeasurement(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated Measurement.Write body) {
        return measurements.put(who, id, body);
    }
}
