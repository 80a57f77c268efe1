package org.morphotera.core.judgement;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.IndicatorSeries.Did;
import org.morphotera.core.judgement.IndicatorSeries.PatchDifference;
import org.morphotera.core.judgement.IndicatorSeries.Told;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;

/** What the field model found, in sentences. All figures of one sentence are of one contrast. */
public final class ChangeWords {

    private static final double HUNDREDTH = 0.01;

    private final Messages messages;

    /** @param messages with the sections {@code told}, {@code did}, {@code apart} */
    public ChangeWords(Messages messages) {
        this.messages = messages;
    }

    /** The indicator with its depth, as a sentence begins. */
    public String subject(IndicatorSeries.Id id) {
        String depth = messages.text("depth." + id.band());
        String label = messages.word(id.indicator());
        String key = id.key() == null ? "" : " (" + messages.word(id.key()) + ")";
        return id.band().equals("above-ground") ? label + key : label + key + ", " + depth;
    }

    /** Whether the treated field has changed. */
    public String changed(IndicatorSeries series, Told told) {
        String verdict = FieldJudgement.verdict(told.risen(), told.fallen());
        Map<String, Object> args = figures(series, told.earlier(), told.later());
        args.put("label", subject(series.id()));
        by(series, told.mean(), told.low(), told.high(), verdict.endsWith("fallen"), args);
        args.put("smallest", smallest(series, told));
        args.put("better", better(told.better()));
        return tidy(messages.text(List.of("told." + verdict), args));
    }

    /** What an event did. */
    public String did(IndicatorSeries series, Did did) {
        String verdict = FieldJudgement.verdict(did.risen(), did.fallen());
        Map<String, Object> args = figures(series, did.without(), did.with());
        args.put("label", subject(series.id()));
        args.put("what", did.event().what());
        args.put("on", did.event().on().toString());
        args.put("without", args.get("earlier"));
        args.put("with", args.get("later"));
        args.put("before", did.before() == null ? "–" : figure(series, did.before(), scale(series, did.with())));
        by(series, did.mean(), did.low(), did.high(), verdict.endsWith("fallen"), args);
        args.put("better", better(did.better()));
        String key = did.before() == null ? "did." + verdict + "-unread" : "did." + verdict;
        return tidy(messages.text(List.of(key, "did." + verdict), args));
    }

    /** How two patches differ. */
    public String apart(IndicatorSeries series, PatchDifference apart, String one, String other) {
        Map<String, Object> args = figures(series, apart.one(), apart.other());
        args.put("label", subject(series.id()));
        args.put("one", one);
        args.put("other", other);
        by(series, apart.mean(), apart.low(), apart.high(), apart.mean() < (series.ratio() ? 1 : 0), args);
        boolean more = apart.other() >= apart.one();
        args.put("more", moreOrLess(series.id().indicator(), more));
        args.put("better", better(apart.better()));
        return tidy(messages.text(List.of(apart.told() ? "apart.told" : "apart.alike"), args));
    }

    private String moreOrLess(String indicator, boolean more) {
        String own = messages.optional("apart." + (more ? "more." : "less.") + indicator);
        return own != null ? own : messages.text("apart." + (more ? "more" : "less"));
    }

    private String better(int better) {
        return messages.text("change.direction." + (better > 0 ? "better" : better < 0 ? "worse" : "none"));
    }

    private String smallest(IndicatorSeries series, Told told) {
        double smallest = series.smallest(told);
        return series.ratio()
                ? ShownUnits.plain(Numbers.significant(100 * (smallest - 1), 2), 0) + " %"
                : figure(series, smallest, scale(series, smallest)) + unit(series);
    }

    private Map<String, Object> figures(IndicatorSeries series, double earlier, double later) {
        Map<String, Object> args = new LinkedHashMap<>();
        double scale = Math.max(scale(series, earlier), scale(series, later));
        args.put("earlier", figure(series, earlier, scale));
        args.put("later", figure(series, later, scale));
        args.put("unit", unit(series));
        return args;
    }

    /** By how much, as a difference or in per cent; of a fall its size. */
    private void by(
            IndicatorSeries series, double mean, double low, double high, boolean falls, Map<String, Object> args) {
        if (series.ratio()) {
            double sign = falls ? -1 : 1;
            double one = sign * 100 * (low - 1);
            double other = sign * 100 * (high - 1);
            args.put("by", percent(sign * 100 * (mean - 1)) + " %");
            args.put("range", percent(Math.min(one, other)) + " to " + percent(Math.max(one, other)) + " %");
        } else {
            double sign = falls ? -1 : 1;
            double scale = scale(series, Math.max(Math.abs(low), Math.abs(high)));
            double one = sign * low;
            double other = sign * high;
            args.put("by", figure(series, sign * mean, scale) + unit(series));
            args.put(
                    "range",
                    figure(series, Math.min(one, other), scale)
                            + " to "
                            + figure(series, Math.max(one, other), scale)
                            + unit(series));
        }
    }

    private static String percent(double pct) {
        return ShownUnits.plain(pct, 0);
    }

    /** Decimals by the size of what is shown: no more than the interval carries. */
    private static double scale(IndicatorSeries series, double figure) {
        double size = Math.abs(figure);
        return series.ofScore() || Unit.PH.symbol().equals(series.unit())
                ? 1
                : size >= 20 ? 0 : size < HUNDREDTH ? 2 : 1;
    }

    private static String figure(IndicatorSeries series, double figure, double decimals) {
        return ShownUnits.plain(figure, (int) decimals);
    }

    private static String unit(IndicatorSeries series) {
        String unit = series.unit();
        return unit == null || unit.isEmpty() || unit.equals(Unit.PH.symbol()) || series.ofScore() ? "" : " " + unit;
    }

    private static String tidy(String sentence) {
        return sentence.replace(" .", ".").replace("  ", " ").strip();
    }

    /** The name of a patch as it is read. */
    public String patch(@Nullable String patch) {
        String own = messages.optional("apart.patch." + (patch == null ? "routine" : patch));
        return own != null ? own : patch == null ? "routine" : patch;
    }
}
