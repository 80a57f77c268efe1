package org.morphotera.server.walk;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.method.Context;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.result.Envelope.NoteText;
import org.morphotera.core.schedule.Conditions;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.drafts.Draft;
import org.morphotera.server.drafts.DraftReader;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.measurements.MeasurementReader;
import org.morphotera.server.measurements.StoredForm;
import org.morphotera.server.observations.Observation;
import org.morphotera.server.observations.ObservationReader;
import org.morphotera.server.visits.Fix;
import org.morphotera.server.visits.FixReader;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitContexts;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A visit with all that happened on it. */
@RestController
@RequiresRole(Role.ADVISOR)
class WalkController {

    /**
     * A visit with all that happened on it.
     *
     * @param place what the context of a test here follows from, for live figures in the page
     * @param contexts the context by stop, as it follows from it
     */
    record VisitView(
            Visit visit,
            Field field,
            List<Stop> stops,
            PlaceAndDay place,
            Map<String, Map<String, Object>> contexts,
            List<NoteText> warnings,
            List<MadeTest> measurements,
            List<Draft> drafts,
            List<Observation> observations,
            List<Fix> fixes) {}

    private final VisitReader visits;
    private final MeasurementReader measurements;
    private final DraftReader drafts;
    private final ObservationReader observations;
    private final FixReader fixes;
    private final IndicatorReader indicators;
    private final FieldReader fields;
    private final VisitContexts contexts;
    private final StoredForm form;
    private final Messages messages;
    private final AccessScope scope;

    WalkController(
            VisitReader visits,
            MeasurementReader measurements,
            DraftReader drafts,
            ObservationReader observations,
            FixReader fixes,
            IndicatorReader indicators,
            FieldReader fields,
            VisitContexts contexts,
            StoredForm form,
            Messages messages,
            AccessScope scope) {
        this.scope = scope;
        this.visits = visits;
        this.measurements = measurements;
        this.drafts = drafts;
        this.observations = observations;
        this.fixes = fixes;
        this.indicators = indicators;
        this.fields = fields;
        this.contexts = contexts;
        this.form = form;
        this.messages = messages;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/visits/{id}")
    VisitView visit(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        UUID practice = who.practiceId();
        Visit visit = NotFoundException.require(visits.visit(practice, id), "visit");
        scope.requireVisit(who, id);
        Field field = fields.field(practice, visit.fieldId());
        List<Stop> all = fields.stops(practice, visit.fieldId());
        List<Stop> stops = all.stream()
                .filter(stop -> stop.retiredOn() == null || stop.retiredOn().isAfter(visit.visitedOn()))
                .toList();
        List<IndicatorRow> rows = indicators.ofVisitWithTextures(practice, visit.fieldId(), id);
        PlaceAndDay place = contexts.of(practice, visit, field, all, VisitContexts.contextIn(rows, id));
        Map<String, Map<String, Object>> byStop = new LinkedHashMap<>();
        for (Stop stop : stops) {
            byStop.put(stop.id().toString(), contexts.contextOf(place, stop.id()));
        }
        return new VisitView(
                visit,
                field,
                stops,
                place,
                byStop,
                Conditions.warnings(Context.parse(place.conditions(), new Faults()), messages),
                MadeTest.of(
                        measurements.testsOf(practice, id),
                        rows.stream().filter(row -> row.visitId().equals(id)).toList(),
                        messages),
                drafts.draftsOf(practice, id).stream()
                        .map(row -> row.draft(form))
                        .toList(),
                observations.ofVisit(practice, id),
                fixes.fixesOf(practice, id));
    }
}
