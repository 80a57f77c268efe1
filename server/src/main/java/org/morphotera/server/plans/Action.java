package org.morphotera.server.plans;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.fields.OneOf;
import org.morphotera.server.web.Sensible;

/**
 * Something planned for a field.
 *
 * @param inputs of its calculator, as they were agreed
 * @param amount what is to be done, in words
 * @param confirmedBy what confirmed the constraint before money was spent
 * @param followUp what to test, and when, to see whether it worked
 */
public record Action(
        UUID id,
        UUID fieldId,
        String kind,
        @Nullable String constraint,
        Map<String, Object> inputs,
        @Nullable String amount,
        @Nullable Double cost,
        @Nullable String person,
        @Nullable LocalDate dueFrom,
        @Nullable LocalDate dueTo,
        String state,
        @Nullable String reason,
        @Nullable String confirmedBy,
        @Nullable LocalDate doneOn,
        @Nullable String actualRate,
        @Nullable LocalDate followUpOn,
        @Nullable String followUp,
        int version) {

    /** Where an action stands. */
    public enum State implements Coded {
        AGREED,
        DONE,
        DROPPED
    }

    /** What a client sends; {@code version} is the one it saw, 0 for a new action. */
    @Schema(name = "ActionWrite")
    public record Write(
            @NotNull(message = "needs a field") UUID fieldId,

            @NotNull(message = "needs a kind") @OneOf(ActionKind.class)
            String kind,

            @Nullable @OneOf(Constraint.class) String constraint,

            @NotNull(message = "needs inputs, if only an empty object")
            Map<String, Object> inputs,

            @Nullable @Size(max = 200) String amount,

            @Nullable @PositiveOrZero(message = "can't be negative")
            Double cost,

            @Nullable @Size(max = 200) String person,

            @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate dueFrom,

            @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate dueTo,

            @NotNull(message = "needs a state") @OneOf(State.class)
            String state,

            @Nullable @Size(max = 400) String reason,
            @Nullable @Size(max = 200) String confirmedBy,

            @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate doneOn,

            @Nullable @Size(max = 100) String actualRate,

            @Nullable @Sensible(aheadDays = Sensible.YEARS_AHEAD)
            LocalDate followUpOn,

            @Nullable @Size(max = 200) String followUp,
            int version) {}
}
