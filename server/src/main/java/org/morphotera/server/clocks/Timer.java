package org.morphotera.server.clocks;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.Sensible;

/** A running clock of a test: when it was started, and the moments it should call out. */
public record Timer(
        UUID id,
        UUID visitId,
        UUID stopId,
        String stop,
        UUID fieldId,
        String field,
        UUID measurementId,
        String method,
        Instant startedAt,
        @Nullable Instant stoppedAt,
        List<Step> steps) {

    /** One moment; {@code doneAt} is when it was really read. */
    @Schema(name = "TimerStep")
    public record Step(
            UUID id,
            String code,
            String label,
            Instant dueAt,
            int toleranceSeconds,
            @Nullable Instant doneAt) {}

    /** What a client sends: a repeated send is the same clock, new steps are added to it. */
    @Schema(name = "TimerWrite")
    public record Write(
            @NotNull(message = "needs a visit") UUID visitId,
            @NotNull(message = "needs a stop") UUID stopId,

            @NotNull(message = "needs the measurement it runs for")
            UUID measurementId,

            @NotBlank(message = "needs a method") @Size(max = 40)
            String method,

            @NotNull(message = "needs its start") @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant startedAt,

            @NotNull @Size(max = 200) List<@NotNull(message = "must be a moment") @Valid StepWrite> steps) {

        /** The same clock by a time that is so much earlier. */
        Write earlier(Duration by) {
            return new Write(
                    visitId,
                    stopId,
                    measurementId,
                    method,
                    startedAt.minus(by),
                    steps.stream()
                            .map(each -> new StepWrite(
                                    each.id(), each.code(), each.dueAt().minus(by), each.toleranceSeconds()))
                            .toList());
        }
    }

    public record StepWrite(
            @NotNull(message = "needs an id") UUID id,

            @NotBlank(message = "needs a code") @Size(max = 40)
            String code,

            @NotNull(message = "needs the moment it is due") @Sensible(aheadDays = 2 * Moments.DAYS_AHEAD)
            Instant dueAt,

            @PositiveOrZero(message = "can't be negative") int toleranceSeconds) {}

    /** When a step was read; {@code null} takes that back. */
    public record StepDone(
            @Nullable @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant doneAt) {}

    /** When the clock was stopped; {@code null} lets it run on. */
    public record Stopped(
            @Nullable @Sensible(aheadDays = Moments.DAYS_AHEAD)
            Instant stoppedAt) {}

    /** All running clocks, with the server's own time to compare a device's with. */
    public record Running(Instant serverNow, List<Timer> timers) {}
}
