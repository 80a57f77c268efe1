package org.morphotera.core.limits;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;

/** How far a limit reaches and what it costs, in sentences. */
public final class LimitWords {

    private static final double PERCENT = 100;

    /** Under this a share of the area is not told to a step of 5 %. */
    private static final double FINE_UNDER_PCT = 10;

    private static final double STEP_PCT = 5;

    /** Figures under this are told to a tenth, larger ones to one. */
    private static final double FINE_UNDER = 20;

    private static final double FINE = 0.1;

    private final Messages messages;

    /** @param messages with the section {@code limit} */
    public LimitWords(Messages messages) {
        this.messages = messages;
    }

    /** At how many stops and in how much of the field; {@code null} where it is not named or no stops are told apart. */
    public @Nullable String extent(Limits.Belief belief) {
        if (!belief.isToMend() || belief.stops().isEmpty()) {
            return null;
        }
        int held = belief.heldBack().size();
        int all = belief.stops().size();
        String code = all == 1
                ? "limit.at-the-stop"
                : held == 0
                        ? "limit.extent-no-stop"
                        : held == all ? "limit.extent-all" : belief.named() ? "limit.extent" : "limit.extent-in-part";
        return messages.text(List.of(code), Map.of("held", held, "all", all, "share", (int) sharePct(belief)));
    }

    /** The share of the field as it is told, of the stops held back where there are any: to 5 %, a small one to 1 %. */
    private static double sharePct(Limits.Belief belief) {
        double held = belief.stops().stream()
                .filter(each -> each.probability() >= Limits.NAMED_FROM)
                .mapToDouble(Limits.AtStop::area)
                .sum();
        double pct = PERCENT * (held > 0 ? held : belief.share());
        return pct < FINE_UNDER_PCT ? Math.max(1, Math.rint(pct)) : STEP_PCT * Math.rint(pct / STEP_PCT);
    }

    /**
     * What speaks for it, strongest first: each finding with its figure, where it has one that tells, and its state.
     *
     * @param findings of the ground that it is told of, by name
     * @param most so many at most
     */
    public List<String> because(
            Limits.Belief belief, Map<String, Found> findings, EvidenceTables tables, ShownUnits units, int most) {
        return belief.evidence().stream()
                .filter(each -> each.weight() > 0)
                .limit(most)
                .map(each -> messages.text("finding." + each.finding())
                        + figure(each.finding(), findings.get(each.finding()), tables, units)
                        + ": "
                        + messages.word(each.state()))
                .toList();
    }

    private static String figure(String finding, @Nullable Found found, EvidenceTables tables, ShownUnits units) {
        FindingKind kind = tables.kind(finding);
        if (kind == null || kind.unit() == null || found == null || found.figure() == null) {
            return "";
        }
        double figure = found.figure();
        double step = figure < FINE_UNDER ? FINE : 1;
        double told = Math.rint(figure / step) * step;
        return " " + (kind.unit().equals("pH") ? ShownUnits.plain(told, 1) : units.text(told, kind.unit()));
    }

    /** What it costs of the yield; {@code null} where it is not named, or where that is under a half per cent. */
    public @Nullable String cost(Limits.Belief belief) {
        Limits.Cost cost = belief.cost();
        if (!belief.isToMend() || cost == null || Math.rint(cost.likely()) < 1) {
            return null;
        }
        return messages.text(
                List.of("limit.cost"),
                Map.of(
                        "likely",
                        (int) Math.rint(cost.likely()),
                        "low",
                        (int) Math.rint(cost.low()),
                        "high",
                        (int) Math.rint(cost.high()),
                        "source",
                        cost.source()));
    }
}
