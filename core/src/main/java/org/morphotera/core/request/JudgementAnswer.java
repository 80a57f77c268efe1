package org.morphotera.core.request;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.plan.road.Road;
import org.morphotera.core.result.Envelope;

/**
 * What is said of a field, in the shape in which it leaves the core.
 *
 * @param levels each indicator at each depth, of the field (without a stop) and of each stop
 */
public record JudgementAnswer(
        LocalDate on,
        List<JudgedLevel> levels,
        JudgedLimits limits,
        List<JudgedNextTest> nextTests,
        List<JudgedChange> changes,
        List<JudgedPatches> compare,
        JudgedPlan plan) {

    /** How much readings of a kind count in a field's figure. */
    public record JudgedWeight(String kind, int stops, double share) {}

    /**
     * Where an indicator stands at a depth.
     *
     * @param key where figures of two keys mean other things, the key
     * @param stopId {@code null} for the field
     * @param value with its interval of 95 %, in {@code unit}
     * @param score 0 to 1, with its lowest and highest within the interval
     * @param readOn the newest day it was read
     * @param since what was done since then that can change it: its expected effect is in the figure
     * @param weights of the field's figure
     */
    public record JudgedLevel(
            String indicator,
            String band,
            @Nullable String key,
            @Nullable String stopId,
            double value,
            double low,
            double high,
            @Nullable String unit,
            String level,
            double score,
            double scoreLow,
            double scoreHigh,
            LocalDate readOn,
            List<String> since,
            List<JudgedWeight> weights) {}

    /** What one finding weighs for a constraint: a logarithm of odds, positive for it. */
    public record JudgedEvidence(String finding, String state, double weight, double share, String method) {}

    /** How probable it is that a constraint holds a stop back. */
    public record JudgedStop(String id, double probability) {}

    /**
     * How probable it is that a constraint holds half of the field back or more; from one half on it is named.
     *
     * @param namedInPart whether it is named of a part of the field alone
     * @param areaSharePct of the field that it holds back, expected
     * @param lossPct yield that the whole field loses by it, expected, %; with {@code null} where nothing is known of it
     */
    public record JudgedConstraint(
            String constraint,
            double probability,
            boolean named,
            boolean namedInPart,
            double areaSharePct,
            List<JudgedStop> stops,
            @Nullable Double lossPct,
            @Nullable Double lossLow,
            @Nullable Double lossHigh,
            List<JudgedEvidence> evidence) {}

    /** What limits: what is named first, then what is in part, each by how probable it is and what it costs. */
    public record JudgedLimits(List<JudgedConstraint> constraints) {}

    /**
     * A test that would avoid most loss, for its minutes, fees and waiting.
     *
     * @param avoidedPct loss that it is expected to avoid, % of the yield
     */
    public record JudgedNextTest(
            String method, int minutes, double gainBits, double avoidedPct, String constraint, String finding) {}

    /** What an event did to an indicator. */
    public record JudgedEffect(
            @Nullable String id,
            LocalDate happenedOn,
            String kind,
            double effect,
            double low,
            double high,
            String verdict,
            double probability,
            String direction,
            String sentence) {}

    /**
     * Whether an indicator changed.
     *
     * @param ratio whether mean, low and high are ratios of the later figure to the earlier one
     * @param smallest from which change on it would show
     */
    public record JudgedChange(
            String indicator,
            String band,
            @Nullable String key,
            LocalDate from,
            LocalDate to,
            boolean told,
            String verdict,
            String direction,
            double probability,
            boolean ratio,
            double mean,
            double low,
            double high,
            double earlier,
            double later,
            @Nullable String unit,
            double smallest,
            String sentence,
            List<JudgedEffect> events) {}

    /** How an indicator differs between two patches: other less one, or their ratio. */
    public record JudgedDifference(
            String indicator,
            String band,
            @Nullable String key,
            double one,
            double other,
            @Nullable String unit,
            boolean ratio,
            double mean,
            double low,
            double high,
            boolean told,
            String direction,
            String sentence) {}

    /** A patch against another; {@code routine} is the field outside of all patches. */
    public record JudgedPatches(String patch, String otherPatch, List<JudgedDifference> differences) {}

    /**
     * What could be done.
     *
     * @param amount in words, with its range and in how many passes; {@code null} where its kind has none
     * @param sparesPct of the yield a year, with its lowest and highest; {@code null} where it is not known
     * @param when in which season and state of the soil
     * @param risk what can go wrong
     * @param law what the law or a licensed person decides
     * @param again when to look again, and by what
     */
    public record JudgedProposal(
            String kind,
            String constraint,
            double probability,
            Map<String, Object> inputs,
            List<String> rules,
            @Nullable Envelope calculation,
            @Nullable String amount,
            @Nullable Double sparesPct,
            @Nullable Double sparesLow,
            @Nullable Double sparesHigh,
            @Nullable String when,
            @Nullable String risk,
            @Nullable String law,
            @Nullable String again) {}

    /** What is not proposed, and why. */
    public record JudgedRefusal(String kind, String constraint, String reason) {}

    /**
     * What follows from the limits.
     *
     * @param roads programmes over years
     */
    public record JudgedPlan(List<JudgedProposal> proposals, List<JudgedRefusal> refused, List<Road> roads) {}
}
