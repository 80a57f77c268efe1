package org.morphotera.server.plans;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.LaboratoryWord;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.plan.order.OrderRules.Stage;
import org.morphotera.core.plan.order.OrderRules.Step;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.placement.AllCalculators;
import org.morphotera.server.fields.Field;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** What speaks against an action: its own entries, its calculator's inputs, and the order of the work. */
@Component
class ActionChecks {

    private final FieldLimits limits;
    private final PlanFacts facts;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final Clock clock;
    private final CalculatorRegistry calculators = AllCalculators.of(Methods.all());

    ActionChecks(FieldLimits limits, PlanFacts facts, Benchmarks benchmarks, Messages messages, Clock clock) {
        this.limits = limits;
        this.facts = facts;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.clock = clock;
    }

    /**
     * @param others the other actions of the field
     * @throws RefusedException with every fault, each at its entry
     */
    void check(UUID practice, Field field, Action.Write body, List<Action> others) {
        List<FaultText> faults = new ArrayList<>();
        entries(body, faults);
        ActionKind kind = Coded.find(ActionKind.values(), body.kind());
        if (body.state().equals("agreed") && kind.calculator() != null) {
            Outcome outcome = calculators.evaluate(kind.calculator(), Map.of("inputs", body.inputs()), benchmarks);
            if (outcome instanceof Outcome.Refused refused) {
                FaultText.of(refused.faults(), messages)
                        .forEach(each ->
                                faults.add(new FaultText("inputs." + each.field(), each.code(), each.message())));
            }
        }
        boolean confirmed = body.confirmedBy() != null && !body.confirmedBy().isBlank()
                || body.constraint() != null && agrees(facts.laboratory(practice, field, body.constraint()));
        order(practice, field, step(body), confirmed, others, faults);
        if (!faults.isEmpty()) {
            throw new RefusedException(faults);
        }
    }

    /** @throws RefusedException when something agreed can't stand without it */
    void checkRemoval(UUID practice, Field field, Action action, List<Action> others) {
        Step kept = step(action);
        Step dropped = new Step(kept.kind(), kept.constraint(), kept.inputs(), Stage.DROPPED, null);
        List<FaultText> faults = new ArrayList<>();
        order(practice, field, dropped, false, others, faults);
        if (!faults.isEmpty()) {
            throw new RefusedException(faults);
        }
    }

    private void order(
            UUID practice, Field field, Step wanted, boolean confirmed, List<Action> others, List<FaultText> faults) {
        rules(practice, field)
                .breaches(wanted, others.stream().map(ActionChecks::step).toList(), confirmed)
                .forEach(each -> faults.add(
                        new FaultText(each.field(), each.code(), messages.text("action.breach." + each.code()))));
    }

    static boolean agrees(@Nullable LaboratoryWord word) {
        return word != null && word.agrees();
    }

    OrderRules rules(UUID practice, Field field) {
        StopFindings findings = limits.findings(practice, field);
        return rules(facts.of(practice, field, findings), limits.beliefs(findings));
    }

    /** The same from what is known already. */
    static OrderRules rules(FieldFacts known, List<Limits.Belief> beliefs) {
        return new OrderRules(
                known,
                beliefs.stream()
                        .filter(Limits.Belief::isToMend)
                        .map(Limits.Belief::constraint)
                        .collect(Collectors.toSet()));
    }

    private void entries(Action.Write body, List<FaultText> faults) {
        if (body.state().equals("dropped")
                && (body.reason() == null || body.reason().isBlank())) {
            faults.add(new FaultText("reason", "MISSING", "Say why it is dropped: the next advisor will ask."));
        }
        if (body.state().equals("done") && body.doneOn() == null) {
            faults.add(new FaultText("doneOn", "MISSING", "Say on which day it was done."));
        }
        if (body.doneOn() != null && body.doneOn().isAfter(LocalDate.now(clock).plusDays(1))) {
            faults.add(new FaultText("doneOn", "FUTURE", "What is done can't lie in the future."));
        }
        if (body.dueFrom() != null && body.dueTo() != null && body.dueTo().isBefore(body.dueFrom())) {
            faults.add(new FaultText("dueTo", "UPSIDE_DOWN", "The window ends before it begins. Swap the two days."));
        }
    }

    private static Step step(Action.Write body) {
        return new Step(
                Coded.find(ActionKind.values(), body.kind()),
                constraint(body.constraint()),
                body.inputs(),
                Stage.valueOf(Coded.find(Action.State.values(), body.state()).name()),
                body.dueFrom());
    }

    static Step step(Action action) {
        return new Step(
                Coded.find(ActionKind.values(), action.kind()),
                constraint(action.constraint()),
                action.inputs(),
                Stage.valueOf(Coded.find(Action.State.values(), action.state()).name()),
                action.dueFrom());
    }

    private static @Nullable Constraint constraint(@Nullable String code) {
        return code == null ? null : Coded.find(Constraint.values(), code);
    }
}
