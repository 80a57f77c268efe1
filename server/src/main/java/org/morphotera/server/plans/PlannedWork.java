package org.morphotera.server.plans;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An action as others tell of it.
 *
 * @param against what it is to mend
 * @param amount in words, as it was agreed
 * @param waits what has to happen before it, in sentences
 * @param doneOn when it was done; {@code null} while it is agreed only
 */
public record PlannedWork(
        String title,
        @Nullable String against,
        @Nullable String amount,
        @Nullable String person,
        @Nullable LocalDate dueFrom,
        @Nullable LocalDate dueTo,
        List<String> waits,
        @Nullable LocalDate doneOn,
        @Nullable String actualRate,
        @Nullable LocalDate followUpOn,
        @Nullable String followUp) {

    static PlannedWork of(FieldPlan.ActionView view) {
        Action action = view.action();
        boolean done = action.state().equals("done");
        return new PlannedWork(
                view.title(),
                view.constraintLabel(),
                action.amount(),
                action.person(),
                action.dueFrom(),
                action.dueTo(),
                done ? List.of() : view.waits(),
                done ? action.doneOn() : null,
                action.actualRate(),
                action.followUpOn(),
                action.followUp());
    }
}
