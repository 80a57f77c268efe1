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
            "subsoiling", new Figures("workingDepthMm", null));

    /** t and m³ in the small units of a garden, kg and litres. */
    private static final double SMALL_PER_LARGE = 1000;

    private Amount() {}

    /**
     * @param answer of the calculator
     * @param garden whether to speak of 10 m², where 1 t/ha is 1 kg on 10 m²
     * @return the amount in a sentence's part; {@code null} for a calculator whose answer is no amount
     */
    public static String of(String calculator, Envelope answer, boolean garden, ShownUnits units, Messages messages) {
        if (answer.classes().get("best") instanceof String best) {
            return messages.word(best);
        }
        Figures known = KNOWN.get(calculator);
        Envelope.Figure rate = known == null ? null : answer.values().get(known.rate());
        if (rate == null) {
            return null;
        }
        Envelope.Figure total = known.total() == null ? null : answer.values().get(known.total());
        String what = messages.text("amount.what." + calculator);
        boolean small = garden && Unit.T_PER_HA.symbol().equals(rate.unit()) && !units.us();
        String form = (small ? "garden" : "field") + (total == null ? "" : "-in-all");
        Map<String, Object> args = total == null
                ? Map.of("rate", small ? ShownUnits.plain(rate.value()) : shown(rate, units), "what", what)
                : Map.of(
                        "rate", small ? ShownUnits.plain(rate.value()) : shown(rate, units),
                        "what", what,
                        "total", small ? inSmallUnits(total) : shown(total, units));
        return messages.text(List.of("amount." + form), args);
    }

    private static String shown(Envelope.Figure figure, ShownUnits units) {
        return units.text(figure.value(), figure.unit());
    }

    private static String inSmallUnits(Envelope.Figure total) {
        String unit = Unit.CUBIC_METRE.symbol().equals(total.unit()) ? " L" : " kg";
        return ShownUnits.plain(total.value() * SMALL_PER_LARGE, 0) + unit;
    }
}
