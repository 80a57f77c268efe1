package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
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

    private static final double LARGE = 20;
    private static final double SMALL = 0.1;

    private final Messages messages;

    /** @param messages with the sections {@code told}, {@code did}, {@code apart} */
    public ChangeWords(Messages messages) {
        this.messages = messages;
    }

    /** The indicator with its depth, as a sentence begins. */
    public String subject(IndicatorSeries.Id id) {
        String word = messages.word(id.indicator());
        boolean lower = word.startsWith("pH") || word.isEmpty();
        String label = lower ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1);
        String key = id.key() == null ? "" : " (" + messages.word(id.key()) + ")";
        return id.band().equals("above-ground")
                ? label + key
                : label + key + ", " + messages.text("depth." + id.band());
    }

    /** Whether the treated field has changed. */
    public String changed(IndicatorSeries series, Told told) {
        String verdict = FieldJudgement.verdict(told.risen(), told.fallen());
        Map<String, Object> args = figures(series, told.earlier(), told.later());
        args.put("label", subject(series.id()));
        by(
                series,
                between(series, told.earlier(), told.later(), told.mean()),
                told.low(),
                told.high(),
                verdict.endsWith("fallen"),
                args);
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
        args.put("on", day(did.event().on()));
        args.put("without", args.get("earlier"));
        args.put("with", args.get("later"));
        args.put("before", did.before() == null ? "–" : ShownUnits.plain(did.before(), decimals(series, did.with())));
        by(
                series,
                between(series, did.without(), did.with(), did.mean()),
                did.low(),
                did.high(),
                verdict.endsWith("fallen"),
                args);
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
        double between = between(series, apart.one(), apart.other(), apart.mean());
        by(series, between, apart.low(), apart.high(), apart.mean() < (series.ratio() ? 1 : 0), args);
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
                : ShownUnits.plain(smallest, decimals(series, smallest)) + apartUnit(series);
    }

    private Map<String, Object> figures(IndicatorSeries series, double earlier, double later) {
        Map<String, Object> args = new LinkedHashMap<>();
        int decimals = Math.max(decimals(series, earlier), decimals(series, later));
        args.put("earlier", ShownUnits.plain(earlier, decimals));
        args.put("later", ShownUnits.plain(later, decimals));
        args.put("unit", unit(series));
        return args;
    }

    /** What lies between two figures as they are shown, so that a reader who reckons it after gets the same. */
    private static double between(IndicatorSeries series, double earlier, double later, double mean) {
        if (series.ratio()) {
            return mean;
        }
        double tens = Math.pow(10, Math.max(decimals(series, earlier), decimals(series, later)));
        double shown = (Math.rint(later * tens) - Math.rint(earlier * tens)) / tens;
        return shown != 0 && Math.abs(shown - mean) < 1 / tens ? shown : mean;
    }

    /** By how much, as a difference or in per cent; of a fall its size. */
    private void by(
            IndicatorSeries series, double mean, double low, double high, boolean falls, Map<String, Object> args) {
        double size = series.ratio() ? 100 : Math.max(Math.abs(low), Math.abs(high));
        by(series, mean, low, high, falls, decimals(series, size), args);
    }

    private void by(
            IndicatorSeries series,
            double mean,
            double low,
            double high,
            boolean falls,
            int decimals,
            Map<String, Object> args) {
        double sign = falls ? -1 : 1;
        double one = sign * difference(series, low);
        double other = sign * difference(series, high);
        String unit = series.ratio() ? " %" : apartUnit(series);
        args.put("by", ShownUnits.plain(sign * difference(series, mean), decimals) + unit);
        args.put(
                "range",
                ShownUnits.plain(Math.min(one, other), decimals)
                        + " to "
                        + ShownUnits.plain(Math.max(one, other), decimals)
                        + unit);
    }

    /** A ratio in per cent more or less; a difference as it is. */
    private static double difference(IndicatorSeries series, double told) {
        return series.ratio() ? 100 * (told - 1) : told;
    }

    /** Decimals by the size of what is shown: no more than the interval carries. */
    private static int decimals(IndicatorSeries series, double figure) {
        double size = Math.abs(figure);
        boolean tenths = series.ofScore() || Unit.PH.symbol().equals(series.unit());
        return tenths ? 1 : size >= LARGE ? 0 : size < SMALL ? 2 : 1;
    }

    /** A figure of a series with no more digits than it is shown with in a sentence. */
    public static double rounded(IndicatorSeries series, double figure) {
        double tens = Math.pow(10, decimals(series, figure));
        return Math.rint(figure * tens) / tens;
    }

    private static String unit(IndicatorSeries series) {
        String unit = series.unit();
        return unit == null || unit.isEmpty() || unit.equals(Unit.PH.symbol()) || series.ofScore() ? "" : " " + unit;
    }

    /** The unit of a difference: of two shares, points. */
    private String apartUnit(IndicatorSeries series) {
        return Unit.PERCENT.symbol().equals(series.unit()) ? " " + messages.text("told.points") : unit(series);
    }

    private static String tidy(String sentence) {
        return sentence.replace(" .", ".").replace("  ", " ").strip();
    }

    private static String day(LocalDate on) {
        String month = on.getMonth().name();
        return on.getDayOfMonth() + " " + month.charAt(0)
                + month.substring(1, 3).toLowerCase(Locale.ROOT) + " " + on.getYear();
    }

    /** The mean slope of the course, from three dates on. */
    public String slope(IndicatorSeries series, IndicatorSeries.Slope slope) {
        Map<String, Object> args = new LinkedHashMap<>();
        args.put("label", subject(series.id()));
        args.put("n", slope.dates());
        args.put("from", String.valueOf(slope.from().getYear()));
        double size = Math.max(Math.abs(slope.low()), Math.abs(slope.high()));
        int decimals = series.ratio() ? 0 : size >= LARGE ? 0 : size >= 1 ? 1 : 2;
        by(series, slope.aYear(), slope.low(), slope.high(), false, decimals, args);
        return tidy(messages.text(List.of("told.slope"), args));
    }

    /** The name of a patch as it is read. */
    public String patch(@Nullable String patch) {
        String own = messages.optional("apart.patch." + (patch == null ? "routine" : patch));
        return own != null ? own : patch == null ? "routine" : patch;
    }
}
