package org.morphotera.browser;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.morphotera.core.plan.road.Road;
import org.morphotera.core.request.JudgementAnswer;
import org.morphotera.core.request.JudgementAnswer.JudgedChange;
import org.morphotera.core.request.JudgementAnswer.JudgedConstraint;
import org.morphotera.core.request.JudgementAnswer.JudgedDifference;
import org.morphotera.core.request.JudgementAnswer.JudgedEffect;
import org.morphotera.core.request.JudgementAnswer.JudgedEvidence;
import org.morphotera.core.request.JudgementAnswer.JudgedLevel;
import org.morphotera.core.request.JudgementAnswer.JudgedLimits;
import org.morphotera.core.request.JudgementAnswer.JudgedNextTest;
import org.morphotera.core.request.JudgementAnswer.JudgedPatches;
import org.morphotera.core.request.JudgementAnswer.JudgedPlan;
import org.morphotera.core.request.JudgementAnswer.JudgedProposal;
import org.morphotera.core.request.JudgementAnswer.JudgedRefusal;
import org.morphotera.core.request.JudgementAnswer.JudgedStop;
import org.morphotera.core.request.JudgementAnswer.JudgedWeight;

/** The answer of a judgement as a plain tree: records have no reflection in a page, so their parts are named once more. */
final class JudgementTree {

    private JudgementTree() {}

    static Map<String, Object> of(JudgementAnswer from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("on", from.on().toString());
        tree.put("levels", list(from.levels(), JudgementTree::level));
        tree.put("limits", limits(from.limits()));
        tree.put("nextTests", list(from.nextTests(), JudgementTree::nextTest));
        tree.put("changes", list(from.changes(), JudgementTree::change));
        tree.put("compare", list(from.compare(), JudgementTree::patches));
        tree.put("plan", plan(from.plan()));
        return tree;
    }

    private static Map<String, Object> weight(JudgedWeight from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("kind", from.kind());
        tree.put("stops", from.stops());
        tree.put("share", from.share());
        return tree;
    }

    private static Map<String, Object> level(JudgedLevel from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("indicator", from.indicator());
        tree.put("band", from.band());
        tree.put("key", from.key());
        tree.put("stopId", from.stopId());
        tree.put("value", from.value());
        tree.put("low", from.low());
        tree.put("high", from.high());
        tree.put("unit", from.unit());
        tree.put("level", from.level());
        tree.put("score", from.score());
        tree.put("scoreLow", from.scoreLow());
        tree.put("scoreHigh", from.scoreHigh());
        tree.put("readOn", from.readOn().toString());
        tree.put("since", from.since());
        tree.put("weights", list(from.weights(), JudgementTree::weight));
        return tree;
    }

    private static Map<String, Object> evidence(JudgedEvidence from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("finding", from.finding());
        tree.put("state", from.state());
        tree.put("weight", from.weight());
        tree.put("share", from.share());
        tree.put("method", from.method());
        return tree;
    }

    private static Map<String, Object> constraint(JudgedConstraint from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("constraint", from.constraint());
        tree.put("probability", from.probability());
        tree.put("named", from.named());
        tree.put("namedInPart", from.namedInPart());
        tree.put("areaSharePct", from.areaSharePct());
        tree.put("stops", list(from.stops(), JudgementTree::stop));
        tree.put("lossPct", from.lossPct());
        tree.put("lossLow", from.lossLow());
        tree.put("lossHigh", from.lossHigh());
        tree.put("evidence", list(from.evidence(), JudgementTree::evidence));
        return tree;
    }

    private static Map<String, Object> stop(JudgedStop from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", from.id());
        tree.put("probability", from.probability());
        return tree;
    }

    private static Map<String, Object> limits(JudgedLimits from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("constraints", list(from.constraints(), JudgementTree::constraint));
        return tree;
    }

    private static Map<String, Object> nextTest(JudgedNextTest from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("method", from.method());
        tree.put("minutes", from.minutes());
        tree.put("gainBits", from.gainBits());
        tree.put("avoidedPct", from.avoidedPct());
        tree.put("constraint", from.constraint());
        tree.put("finding", from.finding());
        return tree;
    }

    private static Map<String, Object> effect(JudgedEffect from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", from.id());
        tree.put("happenedOn", from.happenedOn().toString());
        tree.put("kind", from.kind());
        tree.put("effect", from.effect());
        tree.put("low", from.low());
        tree.put("high", from.high());
        tree.put("verdict", from.verdict());
        tree.put("probability", from.probability());
        tree.put("direction", from.direction());
        tree.put("sentence", from.sentence());
        return tree;
    }

    private static Map<String, Object> change(JudgedChange from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("indicator", from.indicator());
        tree.put("band", from.band());
        tree.put("key", from.key());
        tree.put("from", from.from().toString());
        tree.put("to", from.to().toString());
        tree.put("told", from.told());
        tree.put("verdict", from.verdict());
        tree.put("direction", from.direction());
        tree.put("probability", from.probability());
        tree.put("ratio", from.ratio());
        tree.put("mean", from.mean());
        tree.put("low", from.low());
        tree.put("high", from.high());
        tree.put("earlier", from.earlier());
        tree.put("later", from.later());
        tree.put("unit", from.unit());
        tree.put("smallest", from.smallest());
        tree.put("sentence", from.sentence());
        tree.put("events", list(from.events(), JudgementTree::effect));
        return tree;
    }

    private static Map<String, Object> difference(JudgedDifference from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("indicator", from.indicator());
        tree.put("band", from.band());
        tree.put("key", from.key());
        tree.put("one", from.one());
        tree.put("other", from.other());
        tree.put("unit", from.unit());
        tree.put("ratio", from.ratio());
        tree.put("mean", from.mean());
        tree.put("low", from.low());
        tree.put("high", from.high());
        tree.put("told", from.told());
        tree.put("direction", from.direction());
        tree.put("sentence", from.sentence());
        return tree;
    }

    private static Map<String, Object> patches(JudgedPatches from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("patch", from.patch());
        tree.put("otherPatch", from.otherPatch());
        tree.put("differences", list(from.differences(), JudgementTree::difference));
        return tree;
    }

    private static Map<String, Object> proposal(JudgedProposal from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("kind", from.kind());
        tree.put("constraint", from.constraint());
        tree.put("probability", from.probability());
        tree.put("inputs", from.inputs());
        tree.put("rules", from.rules());
        tree.put("calculation", from.calculation() == null ? null : PageCore.envelope(from.calculation()));
        tree.put("amount", from.amount());
        tree.put("sparesPct", from.sparesPct());
        tree.put("sparesLow", from.sparesLow());
        tree.put("sparesHigh", from.sparesHigh());
        tree.put("when", from.when());
        tree.put("risk", from.risk());
        tree.put("law", from.law());
        tree.put("again", from.again());
        return tree;
    }

    private static Map<String, Object> road(Road from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("constraint", from.constraint().code());
        tree.put("title", from.title());
        tree.put("steps", list(from.steps(), JudgementTree::step));
        tree.put("outlook", from.outlook());
        tree.put("until", from.until());
        tree.put("warning", from.warning());
        return tree;
    }

    private static Map<String, Object> step(Road.Step from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("years", from.years());
        tree.put("what", from.what());
        tree.put("only", from.only());
        tree.put("test", from.test());
        return tree;
    }

    private static Map<String, Object> refusal(JudgedRefusal from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("kind", from.kind());
        tree.put("constraint", from.constraint());
        tree.put("reason", from.reason());
        return tree;
    }

    private static Map<String, Object> plan(JudgedPlan from) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("proposals", list(from.proposals(), JudgementTree::proposal));
        tree.put("refused", list(from.refused(), JudgementTree::refusal));
        tree.put("roads", list(from.roads(), JudgementTree::road));
        return tree;
    }

    private static <T> List<Map<String, Object>> list(List<T> items, Function<T, Map<String, Object>> tree) {
        return items.stream().map(tree).toList();
    }
}
