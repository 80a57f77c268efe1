package org.morphotera.server.change;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.text.Messages;
import org.morphotera.core.trend.ChangeScale;
import org.morphotera.core.trend.Direction;
import org.morphotera.core.trend.History;
import org.morphotera.core.trend.Likeness;
import org.morphotera.core.trend.LongTrend;
import org.morphotera.core.trend.PairedChange;
import org.morphotera.server.fields.ManagementEvent;
import org.springframework.stereotype.Component;

/** What the core found of one indicator over the years, in the shapes and sentences that leave the server. */
@Component
class ChangeSentences {

    private final Messages messages;

    ChangeSentences(Messages messages) {
        this.messages = messages;
    }

    /** Of what a history is: its indicator, and the unit of its figures, {@code null} for standings. */
    record Of(String indicator, @Nullable String unit, History history) {

        /** The unit as a sentence says it: a pH needs none behind its name. */
        private String shownUnit() {
            return unit == null || unit.equals(Unit.PH.symbol()) ? "" : unit;
        }
    }

    static Changes.Date date(History.Date date) {
        return new Changes.Date((UUID) date.day().visit(), date.day().on(), date.stops(), date.middle());
    }

    Changes.ChangeVerdict change(Of of, History.Compared compared) {
        ChangeScale scale = of.history().scale();
        PairedChange change = compared.change();
        List<Changes.MismatchView> mismatches = compared.mismatches().stream()
                .map(each -> mismatch(each, compared.pairs().get(0)))
                .toList();
        String key = change.verdict().code() + (scale.logarithmic() ? "-log" : "");
        String sentence = messages.text(
                List.of(
                        "change." + (compared.otherKinds() ? "other-keys" : key),
                        "change." + change.verdict().code()),
                args(of, compared, mismatches));
        return new Changes.ChangeVerdict(
                compared.from().on(),
                compared.to().on(),
                change.verdict().code(),
                compared.direction().code(),
                change.pairs(),
                change.controls(),
                scale.logarithmic(),
                told(scale, change.mean()),
                told(scale, change.low()),
                told(scale, change.high()),
                told(scale, change.smallest()),
                compared.deviation(),
                compared.shared(),
                mismatches,
                tidy(sentence));
    }

    private Changes.MismatchView mismatch(Likeness.Mismatch each, History.Pair first) {
        return new Changes.MismatchView(
                each.condition().code(),
                messages.text("change.mismatch." + each.condition().code()),
                each.matters(),
                told(each.condition(), first.earlier()),
                told(each.condition(), first.later()));
    }

    private static String told(Likeness.Condition condition, History.Reading reading) {
        History.Day day = reading.day();
        return switch (condition) {
            case SEASON -> day.on().toString();
            case MOISTURE -> day.moisture();
            case RAIN -> day.daysSinceRain() + " d";
            case TEMPERATURE -> Numbers.show(day.soilTempC()) + " °C";
            case DEPTH ->
                Numbers.show(reading.layer().topMm()) + "–"
                        + Numbers.show(reading.layer().bottomMm()) + " mm";
            case WATER -> reading.kind().replace('-', ' ');
            case PERSON -> day.person();
        };
    }

    /** A change as it is told: a difference, or a factor. */
    private static @Nullable Double told(ChangeScale scale, @Nullable Double change) {
        return change == null ? null : Double.valueOf(scale.told(change));
    }

    private Map<String, Object> args(Of of, History.Compared compared, List<Changes.MismatchView> mismatches) {
        PairedChange change = compared.change();
        boolean log = of.history().scale().logarithmic();
        Map<String, Object> args = new LinkedHashMap<>();
        args.put("indicator", of.indicator());
        args.put("unit", of.shownUnit());
        args.put("n", change.pairs());
        args.put("earlier", shown(of.history().earlier(compared.pairs())));
        args.put("later", shown(of.history().later(compared.pairs())));
        args.put("mean", log ? percent(change.mean(), change) : shown(signed(change)));
        args.put("low", log ? percent(change.low(), change) : shown(change.low()));
        args.put("high", log ? percent(change.high(), change) : shown(change.high()));
        args.put("smallest", log ? percent(change.smallest(), null) : shown(change.smallest()));
        Direction direction = compared.direction();
        args.put("direction", messages.text("change.direction." + direction.code()));
        args.put(
                "against",
                change.controls() == 0
                        ? ""
                        : messages.text(List.of("change.against"), Map.of("controls", change.controls())));
        args.put(
                "mismatches",
                mismatches.stream()
                        .filter(Changes.MismatchView::matters)
                        .map(Changes.MismatchView::label)
                        .toList());
        return args;
    }

    /** A change on a logarithmic scale in per cent; of a fall its size. */
    private static Object percent(@Nullable Double change, @Nullable PairedChange of) {
        if (change == null) {
            return "–";
        }
        double pct = 100 * (Math.exp(change) - 1);
        return Numbers.significant(of != null && of.verdict() == PairedChange.Verdict.FALLEN ? -pct : pct, 2);
    }

    /** "fallen by" takes the size, everything else the sign too. */
    private static @Nullable Double signed(PairedChange change) {
        if (change.mean() == null) {
            return null;
        }
        return change.verdict() == PairedChange.Verdict.FALLEN ? -change.mean() : change.mean();
    }

    private static Object shown(@Nullable Double x) {
        return x == null ? "–" : Numbers.significant(x, 3);
    }

    /** A figure without a unit leaves a gap behind it. */
    private static String tidy(String sentence) {
        return sentence.replace("  ", " ")
                .replace(" .", ".")
                .replace(" (", " (")
                .strip();
    }

    /** Before and after one event; {@code null} where it was not read on both sides. */
    Changes.@Nullable EventChange around(ManagementEvent event, Of of, History.@Nullable Compared compared) {
        if (compared == null) {
            return null;
        }
        int controls = compared.change().controls();
        String caution = controls == 0
                ? messages.text("change.event-alone")
                : messages.text(List.of("change.event-controlled"), Map.of("controls", controls));
        return new Changes.EventChange(event, change(of, compared), controls, caution);
    }

    /** A steady rise or fall over three dates or more; {@code null} where there is too little. */
    Changes.@Nullable TrendView trend(Of of) {
        LongTrend trend = of.history().trend();
        if (trend == null) {
            return null;
        }
        Map<String, Object> args = Map.of(
                "n", trend.dates(),
                "indicator", of.indicator(),
                "slope", Numbers.significant(trend.slopePerYear(), 2),
                "unit", of.shownUnit(),
                "low", Numbers.significant(trend.low(), 2),
                "high", Numbers.significant(trend.high(), 2),
                "p", Numbers.significant(trend.p(), 2));
        return new Changes.TrendView(
                trend.dates(),
                trend.slopePerYear(),
                trend.low(),
                trend.high(),
                trend.p(),
                trend.shown(),
                tidy(messages.text(List.of("change.trend-" + (trend.shown() ? "shown" : "none")), args)));
    }
}
