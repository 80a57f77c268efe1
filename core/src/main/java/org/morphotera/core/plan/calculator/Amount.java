package org.morphotera.core.plan.calculator;

import java.util.List;
import java.util.Map;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;

/** What a calculator's answer comes to, in words that suit the place: t/ha on fields, kg on 10 m² and litres on beds. */
public final class Amount {

    /** @param total name of the figure that it comes to in all, or {@code null} */
    private record Figures(String rate, String total) {}

    private static final Map<String, Figures> KNOWN = Map.of(
            "lime", new Figures("productTHa", "productT"),
            "gypsum", new Figures("gypsumTHa", "gypsumT"),
            "sulfur", new Figures("sulfurKgHa", "sulfurT"),
            "leaching", new Figures("waterMm", null),
            "organic-matter", new Figures("freshTHa", "volumeM3"),
            "drain-spacing", new Figures("spacingM", null),
            "subsoiling", new Figures("workingDepthMm", null),
            "nutrient-need", new Figures("nutrientKgHa", "nutrientT"));

    /** Under this share of itself a figure's interval is not worth telling. */
    private static final double NARROW = 0.02;

    /** t and m³ in the small units of a garden, kg and litres. */
    private static final double SMALL_PER_LARGE = 1000;

    private Amount() {}

    /**
     * @param answer of the calculator
     * @param garden whether to speak of 10 m², where 1 t/ha is 1 kg on 10 m²
     * @return the amount in a sentence's part; {@code null} for a calculator whose answer is no amount
     */
    public static String of(String calculator, Envelope answer, boolean garden, ShownUnits units, Messages messages) {
        List<Map<String, Object>> mixture = answer.series().get("mixture");
        if (mixture != null) {
            return mixture(mixture, messages);
        }
        Figures known = KNOWN.get(calculator);
        Envelope.Figure rate = known == null ? null : answer.values().get(known.rate());
        if (rate == null || rate.value() == 0) {
            return null;
        }
        Envelope.Figure total = known.total() == null ? null : answer.values().get(known.total());
        String what = answer.classes().get("nutrient") instanceof String nutrient
                ? messages.word(nutrient)
                : messages.text("amount.what." + calculator);
        boolean small = garden && Unit.T_PER_HA.symbol().equals(rate.unit()) && !units.us();
        String form = (small ? "garden" : "field") + (total == null ? "" : "-in-all");
        String number = likelyAndRange(rate, small, units, messages);
        String shown = small ? number : number + " " + units.symbol(rate.unit());
        Map<String, Object> args = total == null
                ? Map.of("rate", shown, "what", what)
                : Map.of(
                        "rate", shown,
                        "what", what,
                        "total", small ? inSmallUnits(total) : shown(total, units));
        return messages.text(List.of("amount." + form), args) + inPieces(answer, messages);
    }

    private static String mixture(List<Map<String, Object>> mixture, Messages messages) {
        List<String> names = mixture.stream()
                .map(each -> messages.word(String.valueOf(each.get("species"))))
                .toList();
        return names.isEmpty() ? null : messages.text(List.of("amount.mixture"), Map.of("species", names));
    }

    /** A figure with from how much to how much, where its interval is known and wide enough to matter. */
    private static String likelyAndRange(Envelope.Figure rate, boolean small, ShownUnits units, Messages messages) {
        String likely = number(rate.value(), rate.unit(), small, units);
        Double low = rate.low();
        Double high = rate.high();
        if (low == null || high == null || high - low <= NARROW * rate.value()) {
            return likely;
        }
        return messages.text(
                List.of("amount.range"),
                Map.of(
                        "likely", likely,
                        "low", number(Math.max(0, low), rate.unit(), small, units),
                        "high", number(high, rate.unit(), small, units)));
    }

    private static String number(double value, String unit, boolean small, ShownUnits units) {
        return small ? ShownUnits.plain(value) : units.number(value, unit);
    }

    /** Over how many years or in how many passes. */
    private static String inPieces(Envelope answer, Messages messages) {
        for (String name : List.of("years", "passes", "dressings")) {
            Envelope.Figure count = answer.values().get(name);
            if (count != null && count.value() > 1) {
                return messages.text(List.of("amount." + name), Map.of("count", ShownUnits.plain(count.value(), 0)));
            }
        }
        return "";
    }

    private static String shown(Envelope.Figure figure, ShownUnits units) {
        return units.text(figure.value(), figure.unit());
    }

    private static String inSmallUnits(Envelope.Figure total) {
        String unit = Unit.CUBIC_METRE.symbol().equals(total.unit()) ? " L" : " kg";
        return ShownUnits.plain(total.value() * SMALL_PER_LARGE, 0) + unit;
    }
}
