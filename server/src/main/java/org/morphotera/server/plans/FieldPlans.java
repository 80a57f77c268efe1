package org.morphotera.server.plans;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Messages;
import org.morphotera.core.method.Envelope;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.plan.ActionKind;
import org.morphotera.core.plan.CalculatorRegistry;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.Proposals;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldMapper;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.results.FieldLimits;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A field's plan: what follows from its limits, what was agreed, what was done, and what to expect. */
@Service
public class FieldPlans {

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    private final PlanMapper rows;
    private final FieldMapper fields;
    private final FieldLimits limits;
    private final PlanFacts facts;
    private final Outlooks outlooks;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final JsonMapper json;
    private final Audit audit;
    private final Clock clock;
    private final CalculatorRegistry calculators = new CalculatorRegistry();

    FieldPlans(
            PlanMapper rows,
            FieldMapper fields,
            FieldLimits limits,
            PlanFacts facts,
            Outlooks outlooks,
            Benchmarks benchmarks,
            Messages messages,
            JsonMapper json,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.fields = fields;
        this.limits = limits;
        this.facts = facts;
        this.outlooks = outlooks;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.json = json;
        this.audit = audit;
        this.clock = clock;
    }

    FieldPlan.PlanView plan(UUID practice, UUID id) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        FieldFacts known = facts.of(practice, field);
        List<Action> actions =
                rows.actions(practice, id).stream().map(this::action).toList();
        List<FieldPlan.ProposalView> proposals =
                Proposals.of(limits.beliefs(field, limits.findings(practice, id)), known, benchmarks).stream()
                        .filter(proposal -> actions.stream()
                                .noneMatch(each ->
                                        each.kind().equals(proposal.kind().code())
                                                && proposal.constraint().code().equals(each.constraint())))
                        .map(this::view)
                        .toList();
        boolean garden = known.areaHa() < 0.5
                || field.landUse().equals("vegetable")
                || field.landUse().equals("landscape")
                || field.landUse().equals("turf");
        return new FieldPlan.PlanView(
                field.name(),
                known.areaHa(),
                garden,
                actions.stream().map(this::view).sorted(FieldPlans::byOrder).toList(),
                proposals,
                outlooks.of(practice, field, known, actions),
                actions.stream()
                        .filter(each -> each.state().equals("agreed") && each.cost() != null)
                        .mapToDouble(Action::cost)
                        .sum());
    }

    /** Agreed before done before dropped; within them in the order of the work. */
    private static int byOrder(FieldPlan.ActionView a, FieldPlan.ActionView b) {
        Action.State one = Coded.find(Action.State.values(), a.action().state());
        Action.State other = Coded.find(Action.State.values(), b.action().state());
        return one != other
                ? one.compareTo(other)
                : kind(a.action().kind()).compareTo(kind(b.action().kind()));
    }

    private static ActionKind kind(String code) {
        return Coded.find(ActionKind.values(), code);
    }

    private FieldPlan.ProposalView view(Proposals.Proposal proposal) {
        String calculator = proposal.kind().calculator();
        String constraint = proposal.constraint().code();
        return new FieldPlan.ProposalView(
                proposal.kind().code(),
                messages.text("action." + proposal.kind().code()),
                constraint,
                messages.text("constraint." + constraint),
                proposal.probability(),
                calculator,
                proposal.inputs(),
                proposal.origins().entrySet().stream()
                        .map(each ->
                                new FieldPlan.Origin(each.getKey(), messages.text("action.origin." + each.getValue())))
                        .toList(),
                proposal.rules().stream()
                        .map(rule -> messages.text("action.rule." + rule))
                        .toList(),
                messages.optional("constraint.confirm." + constraint),
                calculator == null ? null : calculation(calculator, proposal.inputs()));
    }

    private Envelope calculation(String calculator, Map<String, Object> inputs) {
        Outcome outcome = calculators.evaluate(calculator, Map.of("inputs", inputs), benchmarks);
        return outcome instanceof Outcome.Evaluated done ? Envelope.of(done.evaluation(), messages) : null;
    }

    private FieldPlan.ActionView view(Action action) {
        return new FieldPlan.ActionView(
                action,
                messages.text("action." + action.kind()),
                action.constraint() == null ? null : messages.text("constraint." + action.constraint()),
                kind(action.kind()).calculator());
    }

    Action action(PlanMapper.ActionRow row) {
        return new Action(
                row.id(),
                row.fieldId(),
                row.kind(),
                row.constraintCode(),
                json.readValue(row.inputs(), TREE),
                row.amount(),
                row.cost(),
                row.person(),
                row.dueFrom(),
                row.dueTo(),
                row.state(),
                row.reason(),
                row.doneOn(),
                row.actualRate(),
                row.followUpOn(),
                row.followUp(),
                row.version());
    }

    /**
     * Keeps an action. One that is done becomes something done to the field, on its day, in the same transaction; one
     * that is dropped says why.
     */
    @Transactional
    public Action put(Advisor who, UUID id, Action.Write body) {
        UUID practice = who.practiceId();
        NotFoundException.require(fields.field(practice, body.fieldId()), "field");
        check(body);
        PlanMapper.ActionRow stored = rows.action(practice, id);
        if (stored != null && !stored.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "An action stays with its field. Plan another one.");
        }
        PlanMapper.ActionRow sent = new PlanMapper.ActionRow(
                id,
                body.fieldId(),
                body.kind(),
                body.constraint(),
                kind(body.kind()).calculator(),
                json.writeValueAsString(new LinkedHashMap<>(body.inputs())),
                body.amount(),
                body.cost(),
                body.person(),
                body.dueFrom(),
                body.dueTo(),
                body.state(),
                body.reason(),
                body.doneOn(),
                body.actualRate(),
                body.followUpOn(),
                body.followUp(),
                body.version() + 1);
        Versioned.write(
                sent,
                stored,
                PlanMapper.ActionRow::version,
                () -> rows.insertAction(practice, sent),
                () -> rows.updateAction(practice, sent),
                "action");
        happened(practice, sent);
        audit.note(who, body.state(), "action", id, body.kind());
        return action(sent);
    }

    private void check(Action.Write body) {
        if (body.state().equals("dropped")
                && (body.reason() == null || body.reason().isBlank())) {
            throw RefusedException.of("reason", "MISSING", "Say why it is dropped: the next advisor will ask.");
        }
        if (body.state().equals("done") && body.doneOn() == null) {
            throw RefusedException.of("doneOn", "MISSING", "Say on which day it was done.");
        }
        if (body.doneOn() != null && body.doneOn().isAfter(LocalDate.now(clock).plusDays(1))) {
            throw RefusedException.of("doneOn", "FUTURE", "What is done can't lie in the future.");
        }
        if (body.dueFrom() != null && body.dueTo() != null && body.dueTo().isBefore(body.dueFrom())) {
            throw RefusedException.of("dueTo", "UPSIDE_DOWN", "The window ends before it begins. Swap the two days.");
        }
        String calculator = kind(body.kind()).calculator();
        if (body.state().equals("agreed") && kind(body.kind()) == ActionKind.LOOSEN && tooWet(body.inputs())) {
            throw RefusedException.of(
                    "inputs.rolledWormCrumbles",
                    "TOO_WET",
                    "Too wet to loosen: the layer would smear. Agree it when a rolled worm of it crumbles.");
        }
        if (calculator != null && body.state().equals("agreed")) {
            Outcome outcome = calculators.evaluate(calculator, Map.of("inputs", body.inputs()), benchmarks);
            if (outcome instanceof Outcome.Refused refused) {
                List<org.morphotera.core.method.FaultText> faults = new ArrayList<>();
                org.morphotera.core.method.FaultText.of(refused.faults(), messages)
                        .forEach(each -> faults.add(new org.morphotera.core.method.FaultText(
                                "inputs." + each.field(), each.code(), each.message())));
                throw new RefusedException(faults);
            }
        }
    }

    private static boolean tooWet(Map<String, Object> inputs) {
        return Boolean.FALSE.equals(inputs.get("rolledWormCrumbles"));
    }

    /** Writes, changes or takes away the event that a done action stands for. */
    private void happened(UUID practice, PlanMapper.ActionRow action) {
        UUID event = UUID.nameUUIDFromBytes(("done " + action.id()).getBytes(StandardCharsets.UTF_8));
        if (fields.event(practice, event) != null) {
            fields.deleteEvent(practice, event);
        }
        if (action.state().equals("done")) {
            String what =
                    messages.text("action." + action.kind()) + (action.amount() == null ? "" : ", " + action.amount());
            fields.insertEvent(
                    practice,
                    new ManagementEvent(
                            event,
                            action.fieldId(),
                            action.doneOn(),
                            action.kind(),
                            what.length() > 400 ? what.substring(0, 400) : what,
                            action.actualRate(),
                            action.cost(),
                            null,
                            1));
        }
    }

    @Transactional
    public void delete(Advisor who, UUID id) {
        NotFoundException.require(rows.action(who.practiceId(), id), "action");
        UUID event = UUID.nameUUIDFromBytes(("done " + id).getBytes(StandardCharsets.UTF_8));
        if (fields.event(who.practiceId(), event) != null) {
            fields.deleteEvent(who.practiceId(), event);
        }
        rows.deleteAction(who.practiceId(), id);
        audit.note(who, "delete", "action", id, null);
    }
}
