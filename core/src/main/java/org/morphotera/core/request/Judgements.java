package org.morphotera.core.request;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.judgement.ChangeWords;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.IndicatorSeries.LevelFigure;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.judgement.LimeAmount;
import org.morphotera.core.judgement.TestResult;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.OptionWords;
import org.morphotera.core.plan.Proposal;
import org.morphotera.core.plan.Proposals;
import org.morphotera.core.plan.calculator.Amount;
import org.morphotera.core.plan.road.Roads;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Inputs;
import org.morphotera.core.request.RequestedTests.Tested;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.text.DataTextException;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;

/** Judges a whole field from what is sent of it; pure, and nothing is kept. */
public final class Judgements {

    private static final int TESTS_OFFERED = 3;
    private static final double PERCENT = 100;

    /** An answer, or what is wrong with what was sent; one of the two is {@code null}. */
    public record Result(@Nullable JudgementAnswer answer, List<Fault> faults) {}

    private final MethodRegistry methods;
    private final CalculatorRegistry calculators;
    private final Benchmarks benchmarks;
    private final EvidenceTables tables;
    private final Messages messages;

    public Judgements(
            MethodRegistry methods,
            CalculatorRegistry calculators,
            Benchmarks benchmarks,
            EvidenceTables tables,
            Messages messages) {
        this.methods = methods;
        this.calculators = calculators;
        this.benchmarks = benchmarks;
        this.tables = tables;
        this.messages = messages;
    }

    /** @param tree a request body as maps, lists, texts, numbers and booleans */
    public Result judge(Object tree) {
        Faults faults = new Faults();
        JudgementRequest request =
                Inputs.parse(worded(tree), JudgementRequest::read, (read, into) -> read.check(methods, into), faults);
        if (!faults.isEmpty()) {
            return new Result(null, faults.found());
        }
        Benchmarks rules = rules(request, faults);
        if (!faults.isEmpty()) {
            return new Result(null, faults.found());
        }
        List<Tested> tests = RequestedTests.of(request, methods, rules, messages, faults);
        return faults.isEmpty()
                ? new Result(new Answering(request, rules, tests).answer(), List.of())
                : new Result(null, faults.found());
    }

    /** An amount may be a plain number: tonnes per hectare. */
    private static Object worded(Object tree) {
        if (!(tree instanceof Map<?, ?> body) || !(body.get("events") instanceof List<?> events)) {
            return tree;
        }
        Map<Object, Object> changed = new LinkedHashMap<>(body);
        List<Object> worded = new ArrayList<>();
        for (Object each : events) {
            if (each instanceof Map<?, ?> event && event.get("amount") instanceof Number amount) {
                Map<Object, Object> copy = new LinkedHashMap<>(event);
                copy.put("amount", amount + " t/ha");
                worded.add(copy);
            } else {
                worded.add(each);
            }
        }
        changed.put("events", worded);
        return changed;
    }

    private Benchmarks rules(JudgementRequest request, Faults faults) {
        if (request.rules() == null) {
            return benchmarks;
        }
        try {
            return benchmarks.with("rules", request.rules());
        } catch (DataTextException e) {
            faults.add("rules", "RULES_UNREADABLE", Map.of("why", String.valueOf(e.getMessage())));
            return benchmarks;
        }
    }

    /** One answer in the making. */
    private final class Answering {

        private final JudgementRequest request;
        private final Benchmarks rules;
        private final List<Tested> tests;
        private final RequestedEvidence evidence;
        private final FieldJudgement judged;
        private final ChangeWords words = new ChangeWords(messages);
        private final ShownUnits units;

        Answering(JudgementRequest request, Benchmarks rules, List<Tested> tests) {
            this.request = request;
            this.rules = rules;
            this.tests = tests;
            this.units = ShownUnits.of(request.units() == JudgementRequest.Units.US);
            this.evidence = new RequestedEvidence(request, tests, rules, tables);
            this.judged = FieldJudgement.of(field(), rules);
        }

        private JudgedField field() {
            String texture = evidence.texture();
            TextureClass known = texture == null ? null : Coded.find(TextureClass.values(), texture);
            List<JudgedField.Reading> readings = new ArrayList<>();
            for (Tested each : tests) {
                for (TestResult.Shown shown : each.result().indicators()) {
                    readings.add(reading(each, shown));
                }
            }
            return new JudgedField(
                    request.day(),
                    new FigureScore.Place(
                            known == null ? null : known.group(),
                            request.field().crop(),
                            request.field().landUse()),
                    request.stops().stream()
                            .map(each -> new JudgedField.Stop(
                                    each.id(),
                                    each.label() == null ? each.id() : each.label(),
                                    each.role(),
                                    each.patch(),
                                    each.zone(),
                                    each.areaPct()))
                            .toList(),
                    request.visits().stream()
                            .map(each -> new JudgedField.Visit(each.id(), each.on(), each.person()))
                            .toList(),
                    events(),
                    readings);
        }

        private List<JudgedField.Event> events() {
            List<JudgedField.Event> events = new ArrayList<>();
            for (JudgementRequest.EventEntry each : request.done()) {
                events.add(new JudgedField.Event(
                        each.id() == null ? "event-" + (events.size() + 1) : each.id(),
                        each.on(),
                        each.kind(),
                        each.what() == null ? each.kind() : each.what(),
                        LimeAmount.tHa(each.kind(), each.amount()),
                        each.stopIds() == null ? null : Set.copyOf(each.stopIds())));
            }
            return events;
        }

        private JudgedField.Reading reading(Tested of, TestResult.Shown shown) {
            Envelope.Figure figure = shown.figure();
            TestResult result = of.result();
            return new JudgedField.Reading(
                    of.id(),
                    shown.indicator(),
                    result.band(),
                    of.entry().method(),
                    result.kind(),
                    shown.apart(),
                    result.source(),
                    of.entry().stopId(),
                    of.visit().id(),
                    shown.rating().standing(),
                    figure == null ? null : figure.value(),
                    figure == null ? null : figure.low(),
                    figure == null ? null : figure.high(),
                    figure == null ? null : figure.unit(),
                    result.layer(),
                    result.marks());
        }

        JudgementAnswer answer() {
            StopFindings found = evidence.findings(judged.field());
            List<Limits.Belief> beliefs = Limits.of(found, tables);
            Map<String, Found> findings = found.field();
            return new JudgementAnswer(
                    request.day(),
                    levels(),
                    new JudgementAnswer.JudgedLimits(
                            beliefs.stream().map(Answering::constraint).toList()),
                    nextTests(findings),
                    changes(),
                    compare(),
                    plan(beliefs, found));
        }

        private List<JudgementAnswer.JudgedLevel> levels() {
            List<JudgementAnswer.JudgedLevel> levels = new ArrayList<>();
            for (IndicatorSeries series : judged.series()) {
                LevelFigure field = series.field();
                if (field != null) {
                    levels.add(level(series, null, field));
                }
                for (String stop : series.stops()) {
                    levels.add(level(series, stop, Objects.requireNonNull(series.stop(stop))));
                }
            }
            return levels;
        }

        private JudgementAnswer.JudgedLevel level(IndicatorSeries series, @Nullable String stop, LevelFigure of) {
            return new JudgementAnswer.JudgedLevel(
                    series.id().indicator(),
                    series.id().band(),
                    series.id().key(),
                    stop,
                    shown(of.value()),
                    shown(of.low()),
                    shown(of.high()),
                    series.unit(),
                    of.level().code(),
                    shown(of.score()),
                    shown(of.scoreLow()),
                    shown(of.scoreHigh()),
                    of.readOn(),
                    of.since().stream().map(JudgedField.Event::what).toList(),
                    stop != null
                            ? List.of()
                            : series.weights().stream()
                                    .map(each -> new JudgementAnswer.JudgedWeight(
                                            each.kind(), each.stops(), shown(each.share())))
                                    .toList());
        }

        private List<JudgementAnswer.JudgedNextTest> nextTests(Map<String, Found> findings) {
            return NextTest.ranked(findings, methods, request.field().landUse(), tables).stream()
                    .limit(TESTS_OFFERED)
                    .map(offer -> new JudgementAnswer.JudgedNextTest(
                            offer.method(),
                            offer.minutes(),
                            shown(offer.gainBits()),
                            shown(offer.avoidedPct()),
                            offer.constraint().code(),
                            offer.finding()))
                    .toList();
        }

        private List<JudgementAnswer.JudgedChange> changes() {
            LocalDate from = request.from() == null ? null : LocalDate.parse(request.from());
            LocalDate to = request.to() == null ? null : LocalDate.parse(request.to());
            List<FieldJudgement.Changed> all = judged.changes(from, to);
            Set<FieldJudgement.Changed> told = new HashSet<>(FieldJudgement.told(all));
            return all.stream()
                    .map(each -> change(each.series(), each.change(), told.contains(each)))
                    .toList();
        }

        private JudgementAnswer.JudgedChange change(IndicatorSeries series, IndicatorSeries.Told change, boolean told) {
            return new JudgementAnswer.JudgedChange(
                    series.id().indicator(),
                    series.id().band(),
                    series.id().key(),
                    change.from().on(),
                    change.to().on(),
                    told,
                    FieldJudgement.verdict(change.risen(), change.fallen()),
                    direction(change.better()),
                    shown(change.probability()),
                    series.ratio(),
                    shown(change.mean()),
                    shown(change.low()),
                    shown(change.high()),
                    shown(change.earlier()),
                    shown(change.later()),
                    series.unit(),
                    shown(series.smallest(change)),
                    units.prose(words.changed(series, change)),
                    series.did().stream().map(did -> effect(series, did)).toList());
        }

        private JudgementAnswer.JudgedEffect effect(IndicatorSeries series, IndicatorSeries.Did did) {
            boolean named =
                    request.done().stream().anyMatch(each -> did.event().id().equals(each.id()));
            return new JudgementAnswer.JudgedEffect(
                    named ? did.event().id() : null,
                    did.event().on(),
                    did.event().kind(),
                    shown(did.mean()),
                    shown(did.low()),
                    shown(did.high()),
                    FieldJudgement.verdict(did.risen(), did.fallen()),
                    shown(Math.max(did.risen(), did.fallen())),
                    direction(did.better()),
                    units.prose(words.did(series, did)));
        }

        /** So that server and page agree to the last digit. */
        private static double shown(double figure) {
            return Numbers.significant(figure, Evaluation.DIGITS);
        }

        private static String direction(int better) {
            return better > 0 ? "better" : better < 0 ? "worse" : "none";
        }

        private List<JudgementAnswer.JudgedPatches> compare() {
            Set<@Nullable String> patches = new LinkedHashSet<>();
            // what was left alone stands against the treated as the effect of what was done
            judged.field().stops().stream()
                    .filter(each -> each.role() != StopRole.CONTROL)
                    .forEach(each -> patches.add(each.inPatch()));
            List<@Nullable String> all = new ArrayList<>(patches);
            List<JudgementAnswer.JudgedPatches> views = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                for (int j = i + 1; j < all.size(); j++) {
                    views.add(new JudgementAnswer.JudgedPatches(
                            code(all.get(i)), code(all.get(j)), differences(all.get(i), all.get(j))));
                }
            }
            return views;
        }

        private static String code(@Nullable String patch) {
            return patch == null ? "routine" : patch;
        }

        private List<JudgementAnswer.JudgedDifference> differences(@Nullable String one, @Nullable String other) {
            List<JudgementAnswer.JudgedDifference> differences = new ArrayList<>();
            for (IndicatorSeries series : judged.series()) {
                IndicatorSeries.PatchDifference apart =
                        series.difference(IndicatorSeries.Side.patch(one), IndicatorSeries.Side.patch(other));
                if (apart != null) {
                    differences.add(new JudgementAnswer.JudgedDifference(
                            series.id().indicator(),
                            series.id().band(),
                            series.id().key(),
                            shown(apart.one()),
                            shown(apart.other()),
                            series.unit(),
                            series.ratio(),
                            shown(apart.mean()),
                            shown(apart.low()),
                            shown(apart.high()),
                            apart.told(),
                            direction(apart.better()),
                            units.prose(words.apart(series, apart, words.patch(one), words.patch(other)))));
                }
            }
            return differences;
        }

        private static JudgementAnswer.JudgedConstraint constraint(Limits.Belief belief) {
            return new JudgementAnswer.JudgedConstraint(
                    belief.constraint().code(),
                    shown(belief.probability()),
                    belief.named(),
                    belief.namedInPart(),
                    shown(PERCENT * belief.share()),
                    belief.stops().stream()
                            .map(each -> new JudgementAnswer.JudgedStop(each.stop(), shown(each.probability())))
                            .toList(),
                    belief.cost() == null
                            ? null
                            : Double.valueOf(shown(belief.cost().likely())),
                    belief.cost() == null
                            ? null
                            : Double.valueOf(shown(belief.cost().low())),
                    belief.cost() == null
                            ? null
                            : Double.valueOf(shown(belief.cost().high())),
                    belief.evidence().stream()
                            .map(each -> new JudgementAnswer.JudgedEvidence(
                                    each.finding(), each.state(), shown(each.weight()), each.share(), each.method()))
                            .toList());
        }

        private JudgementAnswer.JudgedPlan plan(List<Limits.Belief> beliefs, StopFindings findings) {
            List<JudgementAnswer.JudgedProposal> proposals = new ArrayList<>();
            List<JudgementAnswer.JudgedRefusal> refused = new ArrayList<>();
            FieldFacts facts = evidence.facts(findings);
            for (Proposal each : Proposals.of(beliefs, findings, facts, tables, rules)) {
                if (each.isHeld()) {
                    refused.add(new JudgementAnswer.JudgedRefusal(
                            each.kind().code(), each.constraint().code(), units.prose(each.heldFor(messages))));
                } else {
                    proposals.add(proposal(each, beliefs, facts.garden()));
                }
            }
            return new JudgementAnswer.JudgedPlan(proposals, refused, Roads.of(beliefs, facts, rules, messages));
        }

        private JudgementAnswer.JudgedProposal proposal(Proposal each, List<Limits.Belief> beliefs, boolean garden) {
            String calculator = each.kind().calculator();
            Envelope calculation = null;
            if (calculator != null) {
                Outcome outcome = calculators.evaluate(calculator, Map.of("inputs", each.inputs()), rules);
                calculation =
                        outcome instanceof Outcome.Evaluated done ? Envelope.of(done.evaluation(), messages) : null;
            }
            OptionWords words = OptionWords.of(each, beliefs, messages, rules);
            OptionWords.Spared spared = words.spared();
            return new JudgementAnswer.JudgedProposal(
                    each.kind().code(),
                    each.constraint().code(),
                    shown(each.probability()),
                    each.inputs(),
                    each.told(beliefs, false, messages).stream()
                            .map(units::prose)
                            .toList(),
                    calculation,
                    calculation == null ? null : Amount.of(calculator, calculation, garden, units, messages),
                    spared == null ? null : Double.valueOf(shown(spared.likely())),
                    spared == null ? null : Double.valueOf(shown(spared.low())),
                    spared == null ? null : Double.valueOf(shown(spared.high())),
                    words.when(),
                    words.risk(),
                    words.law(),
                    words.again());
        }
    }
}
