package org.morphotera.server.days;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.testsets.ChosenTests;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Sensible;
import org.morphotera.server.web.Versioned;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Keeps days of work and what became of their steps. */
@RestController
@RequiresRole(Role.ADVISOR)
class PlannedDaysController {

    /** A day with the names and places that it needs without signal. */
    record DayView(PlannedDay day, List<DayField> fields, List<DayMark> marks) {}

    /** A field of a day with the stops that are walked there. */
    record DayField(UUID id, String name, List<Stop> stops) {}

    private static final double USUAL_WALK = 60;

    private final DayMapper rows;
    private final FieldReader fields;
    private final Audit audit;
    private final JsonMapper json;

    PlannedDaysController(DayMapper rows, FieldReader fields, Audit audit, JsonMapper json) {
        this.rows = rows;
        this.fields = fields;
        this.audit = audit;
        this.json = json;
    }

    @GetMapping("/api/day-plans")
    List<DayView> from(
            @AuthenticationPrincipal Advisor who,
            @RequestParam @Sensible(aheadDays = Sensible.YEARS_AHEAD) LocalDate from) {
        return rows.from(who.practiceId(), from).stream()
                .map(row -> view(who.practiceId(), day(row)))
                .toList();
    }

    @GetMapping("/api/day-plans/{id}")
    DayView one(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return view(who.practiceId(), day(NotFoundException.require(rows.day(who.practiceId(), id), "day")));
    }

    private DayView view(UUID practice, PlannedDay day) {
        List<DayField> places = day.fields().stream()
                .map(work -> new DayField(
                        work.fieldId(),
                        fields.field(practice, work.fieldId()).name(),
                        fields.stops(practice, work.fieldId()).stream()
                                .filter(stop -> work.stopIds().contains(stop.id()))
                                .toList()))
                .toList();
        return new DayView(day, places, rows.marks(practice, day.id()));
    }

    private PlannedDay day(DayMapper.Row row) {
        PlannedDay kept = json.readValue(row.content(), PlannedDay.class);
        return new PlannedDay(
                row.id(),
                row.plannedOn(),
                kept.startsAt(),
                kept.walkMetresPerMinute(),
                kept.people(),
                kept.fields(),
                row.version());
    }

    @PutMapping("/api/day-plans/{id}")
    @Transactional
    PlannedDay put(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated PlannedDay.Write body) {
        UUID practice = who.practiceId();
        for (int i = 0; i < body.fields().size(); i++) {
            check(practice, body.fields().get(i), "fields[" + i + "]");
        }
        PlannedDay sent = new PlannedDay(
                id,
                body.plannedOn(),
                body.startsAt(),
                body.walkMetresPerMinute() == null ? USUAL_WALK : body.walkMetresPerMinute(),
                body.people().stream().map(String::strip).toList(),
                body.fields(),
                body.version() + 1);
        DayMapper.Row row = new DayMapper.Row(id, sent.plannedOn(), json.writeValueAsString(sent), sent.version());
        audit.note(who, "put", "day", id, null);
        return day(Versioned.write(
                row,
                rows.day(practice, id),
                DayMapper.Row::version,
                () -> rows.insertDay(practice, row),
                () -> rows.updateDay(practice, row),
                "day"));
    }

    private void check(UUID practice, PlannedDay.FieldWork work, String at) {
        NotFoundException.require(fields.field(practice, work.fieldId()), "field");
        List<UUID> own =
                fields.stops(practice, work.fieldId()).stream().map(Stop::id).toList();
        for (int i = 0; i < work.stopIds().size(); i++) {
            if (!own.contains(work.stopIds().get(i))) {
                throw RefusedException.of(
                        at + ".stopIds[" + i + "]",
                        "NO_SUCH_STOP",
                        "There is no such stop in this field. Take it out.");
            }
        }
        ChosenTests.check(work.methods(), at + ".methods");
    }

    @DeleteMapping("/api/day-plans/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        if (audit.toRemove(who, rows.day(who.practiceId(), id), "day", id) != null) {
            rows.deleteMarks(who.practiceId(), id);
            rows.deleteDay(who.practiceId(), id);
            audit.note(who, "delete", "day", id, null);
        }
    }

    @PutMapping("/api/day-marks/{id}")
    @Transactional
    DayMark putMark(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated DayMark.Write body) {
        UUID practice = who.practiceId();
        PlannedDay day = day(NotFoundException.require(rows.day(practice, body.planId()), "day"));
        if (day.fields().stream().noneMatch(work -> work.stopIds().contains(body.stopId()))) {
            throw RefusedException.of("stopId", "NO_SUCH_STOP", "This stop is not walked on that day. Choose another.");
        }
        ChosenTests.check(List.of(body.method()), "method");
        if (body.person() >= day.people().size()) {
            throw RefusedException.of("person", "NO_SUCH_PERSON", "Fewer people go that day. Choose one of them.");
        }
        if (body.endedAt() != null && body.endedAt().isBefore(body.begunAt())) {
            throw RefusedException.of("endedAt", "UPSIDE_DOWN", "It ends before it begins. Swap the two.");
        }
        DayMark stored = rows.mark(practice, id);
        boolean moved = stored != null
                && !(stored.planId().equals(body.planId())
                        && stored.stopId().equals(body.stopId())
                        && stored.method().equals(body.method())
                        && stored.step() == body.step());
        if (moved) {
            throw RefusedException.of("step", "OTHER_STEP", "A mark stays with its step. Make another one.");
        }
        DayMark sent = new DayMark(
                id,
                body.planId(),
                body.stopId(),
                body.method(),
                body.step(),
                body.person(),
                body.begunAt().truncatedTo(ChronoUnit.MICROS),
                body.endedAt() == null ? null : body.endedAt().truncatedTo(ChronoUnit.MICROS),
                body.version() + 1);
        audit.note(who, "put", "day mark", id, null);
        return Versioned.write(
                sent,
                stored,
                DayMark::version,
                () -> rows.insertMark(practice, sent),
                () -> rows.updateMark(practice, sent),
                "day mark");
    }

    @DeleteMapping("/api/day-marks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteMark(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        if (audit.toRemove(who, rows.mark(who.practiceId(), id), "day mark", id) != null) {
            rows.deleteMark(who.practiceId(), id);
            audit.note(who, "delete", "day mark", id, null);
        }
    }
}
