package org.morphotera.server.clocks;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Clocks live here and nowhere else: pages only show them. */
@RestController
@RequiresRole(Role.ADVISOR)
class TimersController {

    private final TimerMapper rows;
    private final Places places;
    private final MethodRegistry methods;
    private final Messages messages;
    private final Clock clock;
    private final Audit audit;
    private final AccessScope scope;

    TimersController(
            TimerMapper rows,
            Places places,
            MethodRegistry methods,
            Messages messages,
            Clock clock,
            Audit audit,
            AccessScope scope) {
        this.audit = audit;
        this.scope = scope;
        this.methods = methods;
        this.rows = rows;
        this.places = places;
        this.messages = messages;
        this.clock = clock;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/timers")
    Timer.Running running(@AuthenticationPrincipal Advisor who) {
        Map<UUID, List<TimerMapper.StepRow>> steps = rows.stepsOfRunning(who.practiceId()).stream()
                .collect(Collectors.groupingBy(TimerMapper.StepRow::timerId));
        Predicate<UUID> within = who.role() == Role.HELPER ? scope.visits(who)::contains : visit -> true;
        return new Timer.Running(
                clock.instant(),
                rows.running(who.practiceId()).stream()
                        .filter(row ->
                                who.role() != Role.HELPER || scope.visits(who).contains(row.visitId()))
                        .map(row -> view(row, steps.getOrDefault(row.id(), List.of())))
                        .toList());
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/timers/{id}")
    @Transactional
    Timer put(@AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Timer.Write sent) {
        UUID practice = who.practiceId();
        TimerMapper.TimerRow stored = rows.timer(practice, id);
        Timer.Write body = byServersClock(sent, stored);
        places.require(who, body.visitId(), body.stopId());
        if (!methods.has(body.method())) {
            throw RefusedException.of("method", "NO_SUCH_TEST", "There is no such test. Name one of the catalogue.");
        }
        if (rows.takenElsewhere(practice, body.measurementId()) > 0) {
            throw new NotFoundException("measurement");
        }
        if (stored == null) {
            rows.insert(practice, id, body);
            audit.note(who, "start", "clock", id, body.method());
        } else if (!sameClock(stored, body)) {
            scope.requireVisit(who, stored.visitId());
            throw new StaleException(body, require(who, id));
        }
        for (Timer.StepWrite step : body.steps()) {
            TimerMapper.StepRow there = rows.step(practice, step.id());
            if (there == null) {
                rows.insertStep(practice, id, step);
            } else if (!sameStep(there, id, step)) {
                throw new StaleException(body, require(who, there.timerId()));
            }
        }
        return require(who, id);
    }

    /** Of a device whose clock is ahead all moments are as much earlier; a repeated send is told by the first. */
    private Timer.Write byServersClock(Timer.Write sent, TimerMapper.@Nullable TimerRow stored) {
        Instant began = stored == null ? Moments.notAhead(sent.startedAt(), clock.instant()) : stored.startedAt();
        Duration ahead = Duration.between(began, sent.startedAt());
        return ahead.compareTo(Moments.FAST) > 0 ? sent.earlier(ahead) : sent;
    }

    private static boolean sameClock(TimerMapper.TimerRow stored, Timer.Write body) {
        return stored.visitId().equals(body.visitId())
                && stored.stopId().equals(body.stopId())
                && stored.measurementId().equals(body.measurementId())
                && stored.method().equals(body.method())
                && same(stored.startedAt(), body.startedAt());
    }

    private static boolean sameStep(TimerMapper.StepRow stored, UUID timer, Timer.StepWrite body) {
        return stored.timerId().equals(timer)
                && stored.code().equals(body.code())
                && stored.toleranceSeconds() == body.toleranceSeconds()
                && same(stored.dueAt(), body.dueAt());
    }

    /** The database keeps microseconds. */
    private static boolean same(Instant one, Instant other) {
        return Duration.between(one, other).abs().toMillis() < 1;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/timers/{id}/steps/{step}/done")
    @Transactional
    Timer done(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @PathVariable UUID step,
            @RequestBody @Validated Timer.StepDone body) {
        TimerMapper.StepRow row = NotFoundException.require(rows.step(who.practiceId(), step), "step");
        if (!row.timerId().equals(id)) {
            throw new NotFoundException("step of this clock");
        }
        require(who, id);
        rows.markDone(who.practiceId(), step, notAhead(body.doneAt()));
        audit.note(who, "done", "clock", id, row.code());
        return require(who, id);
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/timers/{id}/stopped")
    @Transactional
    Timer stop(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Timer.Stopped body) {
        require(who, id);
        rows.stop(who.practiceId(), id, notAhead(body.stoppedAt()));
        audit.note(who, "stop", "clock", id, null);
        return require(who, id);
    }

    private @Nullable Instant notAhead(@Nullable Instant said) {
        return said == null ? null : Moments.notAhead(said, clock.instant());
    }

    private Timer require(Advisor who, UUID id) {
        UUID practice = who.practiceId();
        TimerMapper.TimerRow row = NotFoundException.require(rows.timer(practice, id), "clock");
        scope.requireVisit(who, row.visitId());
        return view(row, rows.steps(practice, id));
    }

    private Timer view(TimerMapper.TimerRow row, List<TimerMapper.StepRow> steps) {
        return new Timer(
                row.id(),
                row.visitId(),
                row.stopId(),
                row.stop(),
                row.fieldId(),
                row.field(),
                row.measurementId(),
                row.method(),
                row.startedAt(),
                row.stoppedAt(),
                steps.stream()
                        .map(step -> new Timer.Step(
                                step.id(),
                                step.code(),
                                messages.text(row.method() + ".timed." + step.code()),
                                step.dueAt(),
                                step.toleranceSeconds(),
                                step.doneAt()))
                        .toList());
    }
}
