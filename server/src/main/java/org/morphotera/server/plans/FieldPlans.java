package org.morphotera.server.plans;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.LaboratoryWord;
import org.morphotera.core.plan.OptionWords;
import org.morphotera.core.plan.Proposal;
import org.morphotera.core.plan.Proposals;
import org.morphotera.core.plan.calculator.Amount;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.plan.road.Roads;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.placement.AllCalculators;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.EventWriter;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldChanged;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Patches;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A field's plan: what follows from its limits, what was agreed, what was done, and what to expect. */
@Service
public class FieldPlans {

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    private final PlanMapper rows;
    private final FieldReader fields;
    private final EventWriter events;
    private final FieldLimits limits;
    private final PlanFacts facts;
    private final Outlooks outlooks;
    private final EvidenceTables tables;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final JsonMapper json;
    private final Audit audit;
    private final ActionChecks checks;
    private final ApplicationEventPublisher changes;
    private final Clock clock;
    private final CalculatorRegistry calculators = AllCalculators.of(Methods.all());

    FieldPlans(
            PlanMapper rows,
            FieldReader fields,
            EventWriter events,
            FieldLimits limits,
            PlanFacts facts,
            Outlooks outlooks,
            EvidenceTables tables,
            Benchmarks benchmarks,
            Messages messages,
            JsonMapper json,
            Audit audit,
            ActionChecks checks,
            ApplicationEventPublisher changes,
            Clock clock) {
        this.rows = rows;
        this.fields = fields;
        this.events = events;
        this.limits = limits;
        this.facts = facts;
        this.outlooks = outlooks;
        this.tables = tables;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.json = json;
        this.audit = audit;
        this.checks = checks;
        this.changes = changes;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public FieldPlan.PlanView plan(UUID practice, UUID id) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        StopFindings findings = limits.findings(practice, field);
        FieldFacts known = facts.of(practice, field, findings);
        List<Limits.Belief> beliefs = limits.beliefs(findings);
        List<Action> actions =
                rows.actions(practice, id).stream().map(this::action).toList();
        List<FieldPlan.ProposalView> proposals = new ArrayList<>(offered(
                practice,
                field,
                beliefs,
                Proposals.of(beliefs, findings, known, tables, benchmarks),
                actions,
                known.treated().patch() ? StopRole.POOR : null));
        for (StopRole patch : facts.otherPatches(practice, field)) {
            List<FieldPlan.ProposalView> there =
                    offered(practice, field, List.of(), amendments(practice, field, patch), actions, patch);
            // what is spread on a patch is told once, by the patch
            proposals.removeIf(each -> beliefs.stream()
                            .anyMatch(belief ->
                                    belief.constraint().code().equals(each.constraint()) && belief.namedInPart())
                    && there.stream()
                            .anyMatch(one -> one.kind().equals(each.kind())
                                    && one.constraint().equals(each.constraint())));
            proposals.addAll(there);
        }
        OrderRules rules = ActionChecks.rules(known, beliefs);
        return new FieldPlan.PlanView(
                field.name(),
                known.areaHa(),
                known.garden(),
                actions.stream()
                        .map(each -> view(each, actions, rules, laboratory(practice, field, each)))
                        .sorted(FieldPlans::byOrder)
                        .toList(),
                proposals,
                Roads.of(beliefs, known, benchmarks, messages).stream()
                        .map(FieldPlan.RoadView::of)
                        .toList(),
                outlooks.of(practice, field, known, actions),
                actions.stream()
                        .filter(each -> each.state().equals("agreed") && each.cost() != null)
                        .mapToDouble(Action::cost)
                        .sum());
    }

    /** What is agreed and what was done of a field's plan, in the order of the work; for paper. */
    public List<PlannedWork> work(UUID practice, UUID id) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        StopFindings findings = limits.findings(practice, field);
        OrderRules rules = ActionChecks.rules(facts.of(practice, field, findings), limits.beliefs(findings));
        List<Action> actions =
                rows.actions(practice, id).stream().map(this::action).toList();
        return actions.stream()
                .filter(each -> !each.state().equals("dropped"))
                .map(each -> view(each, actions, rules, null))
                .sorted(FieldPlans::byOrder)
                .map(PlannedWork::of)
                .toList();
    }

    /** What could be done by what was measured, in the order of the work; what is held back is left out. */
    public List<PlannedOption> options(UUID practice, UUID id, ShownUnits units) {
        FieldPlan.PlanView plan = plan(practice, id);
        return plan.proposals().stream()
                .filter(each -> each.held() == null && !each.kind().equals(ActionKind.LIVE_WITH_IT.code()))
                .map(each -> new PlannedOption(
                        each.title(),
                        each.constraintLabel(),
                        each.patch(),
                        each.calculation() == null
                                ? null
                                : Amount.of(each.calculator(), each.calculation(), plan.garden(), units, messages),
                        each.laboratory() != null && each.laboratory().agrees() || !each.toConfirm()
                                ? null
                                : each.confirmation(),
                        each.spares(),
                        each.when(),
                        each.again()))
                .toList();
    }

    /** What a patch by itself asks to be spread. */
    private List<Proposal> amendments(UUID practice, Field field, StopRole patch) {
        StopFindings found =
                limits.findingsOf(practice, field, Patches.stopsOf(fields.stops(practice, field.id()), patch));
        return Proposals.amendmentsOf(
                limits.beliefs(found), found, facts.ofPatch(practice, field, patch, found), tables, benchmarks);
    }

    private List<FieldPlan.ProposalView> offered(
            UUID practice,
            Field field,
            List<Limits.Belief> beliefs,
            List<Proposal> proposals,
            List<Action> actions,
            @Nullable StopRole patch) {
        return proposals.stream()
                .filter(proposal -> actions.stream()
                        .noneMatch(each -> !each.state().equals("done") // what is read since asks again
                                && each.kind().equals(proposal.kind().code())
                                // one sowing is for all aims
                                && (proposal.kind() == ActionKind.COVER_CROP
                                        || proposal.constraint().code().equals(each.constraint()))))
                .map(proposal -> view(
                        proposal,
                        beliefs,
                        patch,
                        facts.laboratory(practice, field, proposal.constraint().code())))
                .toList();
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

    private FieldPlan.ProposalView view(
            Proposal proposal,
            List<Limits.Belief> beliefs,
            @Nullable StopRole patch,
            @Nullable LaboratoryWord laboratory) {
        OptionWords words = OptionWords.of(proposal, beliefs, messages, benchmarks);
        String calculator = proposal.kind().calculator();
        String constraint = proposal.constraint().code();
        return new FieldPlan.ProposalView(
                proposal.kind().code(),
                messages.text("action." + proposal.kind().code()),
                constraint,
                messages.text("constraint." + constraint),
                proposal.probability(),
                patch == null ? null : messages.text("patch." + patch.code()),
                calculator,
                proposal.inputs(),
                proposal.origins().entrySet().stream()
                        .map(each ->
                                new FieldPlan.Origin(each.getKey(), messages.text("action.origin." + each.getValue())))
                        .toList(),
                proposal.told(beliefs, ActionChecks.agrees(laboratory), messages),
                messages.optional("constraint.confirm." + constraint),
                OrderRules.needsConfirmation(new OrderRules.Step(
                        proposal.kind(), proposal.constraint(), proposal.inputs(), OrderRules.Stage.AGREED, null)),
                FieldPlan.LaboratoryView.of(laboratory),
                proposal.heldFor(messages),
                proposal.isWaiting(),
                messages.optional("action.expect." + proposal.kind().code()),
                words.spares(),
                words.when(),
                words.risk(),
                words.law(),
                words.again(),
                calculator == null ? null : calculation(calculator, proposal.inputs()));
    }

    private Envelope calculation(String calculator, Map<String, Object> inputs) {
        Outcome outcome = calculators.evaluate(calculator, Map.of("inputs", inputs), benchmarks);
        return outcome instanceof Outcome.Evaluated done ? Envelope.of(done.evaluation(), messages) : null;
    }

    private @Nullable LaboratoryWord laboratory(UUID practice, Field field, Action action) {
        return action.constraint() == null ? null : facts.laboratory(practice, field, action.constraint());
    }

    private FieldPlan.ActionView view(
            Action action, List<Action> all, OrderRules rules, @Nullable LaboratoryWord laboratory) {
        OrderRules.Step step = ActionChecks.step(action);
        List<String> waits = new ArrayList<>(
                rules.waitsFor(step, all.stream().map(ActionChecks::step).toList()).stream()
                        .map(kind -> messages.text(
                                List.of("action.waits"), Map.of("what", messages.text("action." + kind.code()))))
                        .toList());
        String confirm =
                action.constraint() == null ? null : messages.optional("constraint.confirm." + action.constraint());
        boolean confirmed = ActionChecks.agrees(laboratory) || action.confirmedBy() != null;
        if (action.state().equals("agreed") && !confirmed && confirm != null && OrderRules.needsConfirmation(step)) {
            waits.add(messages.text(List.of("action.waits.confirmation"), Map.of("what", confirm)));
        }
        return new FieldPlan.ActionView(
                action,
                messages.text("action." + action.kind()),
                action.constraint() == null ? null : messages.text("constraint." + action.constraint()),
                kind(action.kind()).calculator(),
                waits,
                OrderRules.needsConfirmation(step),
                FieldPlan.LaboratoryView.of(laboratory));
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
                row.confirmedBy(),
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
        Field field = NotFoundException.require(fields.field(practice, body.fieldId()), "field");
        checks.check(practice, field, body, others(practice, body.fieldId(), id));
        PlanMapper.ActionRow stored = rows.action(practice, id);
        if (stored != null && !stored.fieldId().equals(body.fieldId())) {
            throw RefusedException.of("fieldId", "OTHER_FIELD", "An action stays with its field. Plan another one.");
        }
        LocalDate followUpOn = followUpOn(body, stored);
        String followUp = body.followUp() != null || followUpOn == null
                ? body.followUp()
                : messages.optional("action.retest." + body.kind());
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
                body.confirmedBy(),
                body.doneOn(),
                body.actualRate(),
                followUpOn,
                followUp,
                body.version() + 1,
                stored == null || stored.eventId() == null ? UUID.randomUUID() : stored.eventId());
        if (stored != null && stored.eventId() == null) {
            events.remove(practice, eventOf(stored));
        }
        Versioned.write(
                sent,
                stored,
                PlanMapper.ActionRow::version,
                () -> rows.insertAction(practice, sent),
                () -> rows.updateAction(practice, sent),
                "action");
        happened(practice, sent);
        changes.publishEvent(new FieldChanged(practice, body.fieldId()));
        audit.note(who, body.state(), "action", id, body.kind());
        return action(sent);
    }

    /**
     * When to test whether it worked: as it is chosen; else counted from the day it was done, or from the end of its window.
     * A date that nobody touched moves with the day of the work.
     */
    private @Nullable LocalDate followUpOn(Action.Write body, PlanMapper.@Nullable ActionRow stored) {
        if (body.state().equals("dropped")) {
            return body.followUpOn();
        }
        LocalDate told = workDay(body.doneOn(), body.dueTo(), body.dueFrom());
        LocalDate now = told == null ? LocalDate.now(clock) : told;
        if (body.followUpOn() == null) {
            return kind(body.kind()).retestOn(now);
        }
        if (stored == null || told == null || !body.followUpOn().equals(stored.followUpOn())) {
            return body.followUpOn();
        }
        LocalDate before = workDay(stored.doneOn(), stored.dueTo(), stored.dueFrom());
        if (before == null || body.followUpOn().equals(kind(body.kind()).retestOn(before))) {
            // counted before, and so it is again
            LocalDate counted = kind(body.kind()).retestOn(now);
            return counted == null ? body.followUpOn() : counted;
        }
        return body.followUpOn().plusDays(ChronoUnit.DAYS.between(before, now));
    }

    private static @Nullable LocalDate workDay(
            @Nullable LocalDate doneOn, @Nullable LocalDate dueTo, @Nullable LocalDate dueFrom) {
        return doneOn != null ? doneOn : dueTo != null ? dueTo : dueFrom;
    }

    private List<Action> others(UUID practice, UUID field, UUID id) {
        return rows.actions(practice, field).stream()
                .filter(row -> !row.id().equals(id))
                .map(this::action)
                .toList();
    }

    /** Writes, changes or takes away the event that a done action stands for. */
    private void happened(UUID practice, PlanMapper.ActionRow action) {
        UUID event = eventOf(action);
        events.remove(practice, event);
        if (action.state().equals("done")) {
            String what =
                    messages.text("action." + action.kind()) + (action.amount() == null ? "" : ", " + action.amount());
            events.replace(
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

    /** The event that an action stands for once it is done: an id that nobody else can take beforehand. */
    private static UUID eventOf(PlanMapper.ActionRow action) {
        return action.eventId() != null
                ? action.eventId()
                : UUID.nameUUIDFromBytes(("done " + action.id()).getBytes(StandardCharsets.UTF_8));
    }

    @Transactional
    public void delete(Advisor who, UUID id) {
        PlanMapper.ActionRow row = audit.toRemove(who, rows.action(who.practiceId(), id), "action", id);
        if (row == null) {
            return;
        }
        Field field = NotFoundException.require(fields.field(who.practiceId(), row.fieldId()), "field");
        checks.checkRemoval(who.practiceId(), field, action(row), others(who.practiceId(), row.fieldId(), id));
        events.remove(who.practiceId(), eventOf(row));
        rows.deleteAction(who.practiceId(), id);
        changes.publishEvent(new FieldChanged(who.practiceId(), row.fieldId()));
        audit.note(who, "delete", "action", id, null);
    }
}
