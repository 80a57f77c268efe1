package org.morphotera.training;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.Proposals;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Source;
import org.morphotera.training.ground.SoilProperty;

/** What a round comes to: truth beside reading, what misled and why, what would have told most, and the score. */
final class Verdict {

    private static final int FOR_THE_WORST = 60;
    private static final int FOR_ANOTHER = 45;
    private static final int FOR_THE_ACTION = 20;
    private static final int FOR_THE_MINUTES = 20;
    /** So many minutes beyond those of the rule cost all that the minutes can give. */
    private static final int SPARE_MINUTES = 60;
    /** A sign that moves the odds by less misleads nobody (natural logarithm; about a third). */
    private static final double MISLEADS_FROM = 0.3;

    private static final int NOBODY_WAITS_LONGER = 600;
    private static final double CLOUDY_FROM = 0.36;
    private static final double LAYER_THICK_MM = 80;
    private static final int BELIEVED = 3;

    private final TrainingPlace place;
    private final TrainingTools tools;
    private final List<TrainingVisit.Made> made;
    private final Map<Constraint, Double> truth;

    Verdict(TrainingPlace place, TrainingTools tools, List<TrainingVisit.Made> made) {
        this.place = place;
        this.tools = tools;
        this.made = made;
        this.truth = place.truth();
    }

    /**
     * @param named what is said to limit first; {@code null} for nothing
     * @param action what is said to come first; {@code null} for nothing
     */
    Map<String, Object> of(Constraint named, ActionKind action) {
        TrainingVisit yours = new TrainingVisit(place, tools);
        List<Map<String, Object>> readings = new ArrayList<>();
        int minutes = 0;
        for (TrainingVisit.Made test : made) {
            readings.add(beside(test, yours));
            yours.add(test);
            minutes += tools.methods().get(test.method()).card().handsOnMinutes();
        }
        Player.Played par = Player.play(place, tools, Player::bestNext, NOBODY_WAITS_LONGER);
        Map<String, Object> verdict = new LinkedHashMap<>();
        verdict.put("truth", truth());
        verdict.put("ground", ground());
        verdict.put("named", named == null ? null : named.code());
        verdict.put("believed", believed(yours.beliefs()));
        verdict.put("actions", rightActions().stream().map(ActionKind::code).toList());
        verdict.put("minutes", minutes);
        verdict.put("parMinutes", par.minutes());
        verdict.put("parTests", par.tests());
        verdict.put("readings", readings);
        verdict.put("misled", misled(yours));
        verdict.put("next", bestNext(yours));
        verdict.put("score", score(named, action, minutes, par.minutes()));
        return verdict;
    }

    private List<Map<String, Object>> truth() {
        List<Map<String, Object>> rows = new ArrayList<>();
        truth.forEach((constraint, severity) -> rows.add(Map.of(
                "constraint", constraint.code(),
                "sentence", tools.messages().text("constraint.sentence." + constraint.code()),
                "severity", severity)));
        return rows;
    }

    /** What the soil is, in the figures that tests are after. */
    private Map<String, Object> ground() {
        Map<String, Object> ground = new LinkedHashMap<>();
        ground.put("textureClass", place.texture().code());
        ground.put("ph", place.get(SoilProperty.PH));
        ground.put("deepPh", place.get(SoilProperty.DEEP_PH));
        ground.put("eceDsM", place.get(SoilProperty.ECE));
        ground.put("espPct", place.get(SoilProperty.ESP));
        ground.put("layerMm", place.get(SoilProperty.PAN_DEPTH));
        ground.put("infiltrationMmH", place.get(SoilProperty.INFILTRATION));
        ground.put("organicPct", place.get(SoilProperty.ORGANIC));
        return ground;
    }

    private static List<Map<String, Object>> believed(List<Limits.Belief> beliefs) {
        return beliefs.stream()
                .limit(BELIEVED)
                .map(each -> Map.<String, Object>of(
                        "constraint", each.constraint().code(), "probability", each.probability()))
                .toList();
    }

    /** A test as it was read, as it was to be read, and as the best day would have shown it. */
    private Map<String, Object> beside(TrainingVisit.Made test, TrainingVisit yours) {
        Envelope read = yours.evaluated(test);
        FieldMethod<?> method = tools.methods().get(test.method());
        double top = test.layer() == null ? 0 : test.layer().topMm();
        Map<String, Object> shownReadings = place.shown(method, top, tools.benchmarks());
        Envelope shown = yours.evaluated(with(test, shownReadings));
        Envelope best = yours.evaluated(with(test, place.unscattered(method, top, tools.benchmarks())));
        List<Map<String, Object>> rows = new ArrayList<>();
        method.card().indicators().forEach(indicator -> {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("indicator", indicator.id());
            row.put("label", tools.messages().word(indicator.id()));
            row.put("read", cell(read, indicator.id(), indicator.figure()));
            row.put("shown", cell(shown, indicator.id(), indicator.figure()));
            row.put("best", cell(best, indicator.id(), indicator.figure()));
            rows.add(row);
        });
        Map<String, Object> beside = new LinkedHashMap<>();
        beside.put("method", test.method());
        beside.put("topMm", test.layer() == null ? null : test.layer().topMm());
        beside.put("bottomMm", test.layer() == null ? null : test.layer().bottomMm());
        beside.put("rows", rows);
        if (method.card().contextClass() != null) {
            beside.put("classRead", read == null ? null : method.contextCode(read));
            beside.put("classThere", place.texture().code());
        }
        return beside;
    }

    private static TrainingVisit.Made with(TrainingVisit.Made test, Map<String, Object> readings) {
        return new TrainingVisit.Made(test.method(), test.layer(), readings);
    }

    private static Map<String, Object> cell(Envelope envelope, String indicator, String figure) {
        if (envelope == null) {
            return null;
        }
        Map<String, Object> cell = new LinkedHashMap<>();
        Envelope.Figure value = figure == null ? null : envelope.values().get(figure);
        if (value != null) {
            cell.put("value", value.value());
            cell.put("unit", value.unit());
        }
        Envelope.RatingText rating = envelope.standing(indicator);
        if (rating != null) {
            cell.put("level", rating.level());
        }
        return cell.isEmpty() ? null : cell;
    }

    /** Signs that spoke for what is not there, or against what is, the strongest first. */
    private List<Map<String, Object>> misled(TrainingVisit yours) {
        Map<String, Found> read = yours.findings();
        Map<String, Found> shown = findings(false);
        Map<String, Found> best = findings(true);
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Limits.Belief belief : yours.beliefs()) {
            boolean there = truth.containsKey(belief.constraint());
            for (Limits.Evidence evidence : belief.evidence()) {
                boolean wrongWay = there ? evidence.weight() <= -MISLEADS_FROM : evidence.weight() >= MISLEADS_FROM;
                if (wrongWay) {
                    rows.add(misleading(belief.constraint(), there, evidence, read, shown, best));
                }
            }
        }
        rows.sort((one, other) -> Double.compare((Double) other.get("weight"), (Double) one.get("weight")));
        return rows;
    }

    private Map<String, Object> misleading(
            Constraint constraint,
            boolean there,
            Limits.Evidence evidence,
            Map<String, Found> read,
            Map<String, Found> shown,
            Map<String, Found> best) {
        String stateShown = state(shown, evidence.finding());
        String stateBest = state(best, evidence.finding());
        String why;
        if (stateShown != null && !stateShown.equals(evidence.state())) {
            why = "misread";
        } else if (stateBest != null && !stateBest.equals(evidence.state())) {
            boolean bad = place.day().moisture() != SoilMoisture.MOIST
                    || place.day().kitOnly()
                    || place.day().tapWater();
            why = bad ? "day" : "chance";
        } else if (!read.get(evidence.finding()).less().isEmpty()) {
            why = "hidden";
        } else {
            why = "sign";
        }
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("finding", tools.messages().text("finding." + evidence.finding()));
        row.put("method", evidence.method());
        row.put("state", tools.messages().word(evidence.state()));
        row.put("constraint", constraint.code());
        row.put("there", there);
        row.put("weight", Math.abs(evidence.weight()));
        row.put("why", why);
        row.put(
                "because",
                tools.messages()
                        .text(
                                List.of("training.why." + why),
                                Map.of(
                                        "shown",
                                        stateShown == null
                                                ? ""
                                                : tools.messages().word(stateShown))));
        return row;
    }

    private static String state(Map<String, Found> findings, String finding) {
        return findings.containsKey(finding) ? findings.get(finding).state() : null;
    }

    private Map<String, Found> findings(boolean onTheBestDay) {
        TrainingVisit visit = new TrainingVisit(place, tools);
        for (TrainingVisit.Made test : made) {
            FieldMethod<?> method = tools.methods().get(test.method());
            double top = test.layer() == null ? 0 : test.layer().topMm();
            visit.add(with(
                    test,
                    onTheBestDay
                            ? place.unscattered(method, top, tools.benchmarks())
                            : place.shown(method, top, tools.benchmarks())));
        }
        return visit.findings();
    }

    /** What would have told most for its minutes, and what it would have changed; {@code null} where nothing would. */
    private Map<String, Object> bestNext(TrainingVisit yours) {
        List<NextTest.Offer> offers = yours.next();
        if (offers.isEmpty()) {
            return null;
        }
        NextTest.Offer offer = offers.get(0);
        TrainingVisit with = yours.copy();
        with.makeWithCare(tools.methods().get(offer.method()));
        Found found = with.findings().get(offer.finding());
        Limits.Belief first = with.beliefs().get(0);
        Map<String, Object> next = new LinkedHashMap<>();
        next.put("method", offer.method());
        next.put("minutes", offer.minutes());
        next.put("constraint", offer.constraint().code());
        next.put("finding", tools.messages().text("finding." + offer.finding()));
        next.put("state", found == null ? null : tools.messages().word(found.state()));
        next.put("first", first.named() ? first.constraint().code() : null);
        next.put("probability", first.probability());
        return next;
    }

    /** What can be done first about what is there: every action that the plan would propose for it. */
    private Set<ActionKind> rightActions() {
        List<Limits.Belief> sure = truth.keySet().stream()
                .map(each -> new Limits.Belief(each, 0.5, 1, List.of()))
                .toList();
        Set<ActionKind> right = new LinkedHashSet<>();
        Proposals.of(sure, facts(), tools.benchmarks()).forEach(each -> {
            boolean offered = !each.isHeld() || "laboratory-first".equals(each.held());
            if (offered && each.kind() != ActionKind.LIVE_WITH_IT) {
                right.add(each.kind());
            }
            if (each.rules().contains("confirm-first")) {
                right.add(ActionKind.CONFIRM);
            }
        });
        return right;
    }

    private FieldFacts facts() {
        double pan = place.get(SoilProperty.PAN_DEPTH);
        return new FieldFacts(
                place.landUse(),
                place.texture().group(),
                null,
                1,
                new FieldFacts.Treated(1.0, false),
                new FieldFacts.Ph(place.get(SoilProperty.PH), null, Source.METER),
                place.get(SoilProperty.DEEP_PH),
                place.get(SoilProperty.ECE),
                Source.METER,
                place.get(SoilProperty.ESP),
                place.get(SoilProperty.CEC),
                place.get(SoilProperty.CLOUD) > CLOUDY_FROM,
                new FieldFacts.Permeability(
                        place.get(SoilProperty.DRAINAGE), place.get(SoilProperty.INFILTRATION_AT_200)),
                pan > 0 ? pan + LAYER_THICK_MM : null,
                false,
                !place.day().dry());
    }

    private Map<String, Object> score(Constraint named, ActionKind action, int minutes, int par) {
        int limit;
        if (truth.isEmpty()) {
            limit = named == null ? FOR_THE_WORST : 0;
        } else if (named != null && named == truth.keySet().iterator().next()) {
            limit = FOR_THE_WORST;
        } else {
            limit = named != null && truth.containsKey(named) ? FOR_ANOTHER : 0;
        }
        boolean right = truth.isEmpty()
                ? action == null
                : action != null && rightActions().contains(action);
        double over = Math.max(0, minutes - par) / (double) SPARE_MINUTES;
        int quick = limit == 0 ? 0 : (int) Math.round(FOR_THE_MINUTES * Math.max(0, 1 - over));
        int acted = right ? FOR_THE_ACTION : 0;
        return Map.of("limit", limit, "action", acted, "minutes", quick, "total", limit + acted + quick);
    }
}
