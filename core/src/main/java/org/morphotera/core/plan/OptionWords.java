package org.morphotera.core.plan;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.text.Messages;

/**
 * What an option says beside its amount, each {@code null} where it has nothing to say.
 *
 * @param spares how much of the yield it spares, in a sentence
 * @param spared the same in figures
 * @param when in which season and state of the soil
 * @param risk what can go wrong
 * @param law what the law or a licensed person decides
 * @param again when to look again, and by what
 */
public record OptionWords(
        @Nullable String spares,
        @Nullable Spared spared,
        @Nullable String when,
        @Nullable String risk,
        @Nullable String law,
        @Nullable String again) {

    /** Of the yield of the whole field, % a year, once it works. */
    public record Spared(double low, double likely, double high) {}

    /** Under this share of the yield, %, nothing is said of it. */
    private static final double LEAST_TOLD_PCT = 0.5;

    private static final double PERCENT = 100;

    /** @param beliefs that the proposal was drawn from */
    public static OptionWords of(
            Proposal proposal, List<Limits.Belief> beliefs, Messages messages, Benchmarks benchmarks) {
        String kind = proposal.kind().code();
        Spared spared = spared(proposal, beliefs, benchmarks.table("plan.spares"));
        int months = proposal.kind().retestMonths();
        String by = messages.optional("action.retest." + kind);
        return new OptionWords(
                spared == null || spared.likely() < LEAST_TOLD_PCT
                        ? null
                        : messages.text(
                                List.of(Math.rint(spared.low()) < 1 ? "action.spares-up-to" : "action.spares"),
                                Map.of(
                                        "likely", (int) Math.max(1, Math.rint(spared.likely())),
                                        "low", (int) Math.rint(spared.low()),
                                        "high", (int) Math.rint(spared.high()))),
                spared,
                messages.optional("action.when." + kind),
                messages.optional("action.risk." + kind),
                messages.optional("action.law." + kind),
                months == 0 || by == null
                        ? null
                        : messages.text(
                                List.of(months == 1 ? "action.again-month" : "action.again"),
                                Map.of("months", months, "by", by)));
    }

    /** What the limit costs, times how much of that such work takes away as a rule. */
    private static @Nullable Spared spared(Proposal proposal, List<Limits.Belief> beliefs, Table shares) {
        String kind = proposal.kind().code();
        Limits.Cost cost = beliefs.stream()
                .filter(each -> each.constraint() == proposal.constraint())
                .map(Limits.Belief::cost)
                .findFirst()
                .orElse(null);
        if (cost == null || !shares.has(kind) || proposal.isHeld()) {
            return null;
        }
        return new Spared(
                cost.low() * shares.at(kind, "low") / PERCENT,
                cost.likely() * shares.at(kind, "likely") / PERCENT,
                cost.high() * shares.at(kind, "high") / PERCENT);
    }
}
