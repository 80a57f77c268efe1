package org.morphotera.core.text;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.morphotera.core.soil.Unit;

/**
 * Figures and sentences in the units of whoever reads them, metric or US customary. The page writes its figures by the
 * same rules; the cases {@code shown-units.json} hold both to them.
 */
public final class ShownUnits {

    /** As everything is measured and stored. */
    public static final ShownUnits METRIC = new ShownUnits(false);

    /** As an advisor in US customary units reads it. */
    public static final ShownUnits US = new ShownUnits(true);

    private static final double SMALL = 0.1;
    private static final int SMALL_DECIMALS = 3;

    private final boolean us;

    private ShownUnits(boolean us) {
        this.us = us;
    }

    /** @param us US customary units; metric otherwise */
    public static ShownUnits of(boolean us) {
        return us ? US : METRIC;
    }

    /** Whether figures are shown in US customary units. */
    public boolean us() {
        return us;
    }

    /** A number without unit: whole from 100 on, one decimal from 10 on, else two; thousands apart, a true minus. */
    public static String plain(double x) {
        double size = Math.abs(x);
        return plain(x, size >= 100 ? 0 : size >= 10 ? 1 : 2);
    }

    /** A number with at most so many decimals, ties away from zero. */
    public static String plain(double x, int decimals) {
        // by the digits as they are written, as a page rounds: 1.005 is 1.01
        BigDecimal rounded = BigDecimal.valueOf(x).setScale(decimals, RoundingMode.HALF_UP);
        String digits = rounded.abs().toPlainString();
        int point = digits.indexOf('.');
        String whole = point < 0 ? digits : digits.substring(0, point);
        String rest = point < 0 ? "" : withoutZeros(digits.substring(point));
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < whole.length(); i++) {
            if (i > 0 && (whole.length() - i) % 3 == 0) {
                text.append(',');
            }
            text.append(whole.charAt(i));
        }
        return (rounded.signum() < 0 ? "−" : "") + text + rest;
    }

    private static String withoutZeros(String decimals) {
        int end = decimals.length();
        while (end > 0 && decimals.charAt(end - 1) == '0') {
            end--;
        }
        return end == 1 ? "" : decimals.substring(0, end);
    }

    /**
     * A figure as shown, without its unit.
     *
     * @param unit metric symbol; {@code null}, empty or unknown for a figure that is the same in both systems
     */
    public String number(double metric, String unit) {
        Unit known = converted(unit);
        if (known == null) {
            return plain(metric);
        }
        double shown = known.toUs(metric);
        // a converted figure keeps at least two digits: 0.006 in must not become 0.01
        boolean small = shown != 0 && Math.abs(shown) < SMALL;
        return plain(shown, Math.max(known.usDecimals(), small ? SMALL_DECIMALS : 0));
    }

    /** A figure as shown, with its unit; {@code unit} is the metric symbol, or {@code null} for a pure number. */
    public String text(double metric, String unit) {
        if (unit == null || unit.isEmpty()) {
            return plain(metric);
        }
        Unit known = converted(unit);
        return number(metric, unit) + " " + (known == null ? unit : known.usSymbol());
    }

    /** The symbol shown for a metric one. */
    public String symbol(String unit) {
        Unit known = converted(unit);
        return known == null ? unit : known.usSymbol();
    }

    private Unit converted(String symbol) {
        if (!us || symbol == null) {
            return null;
        }
        for (Unit unit : Unit.values()) {
            if (unit.symbol().equals(symbol) && !unit.symbol().equals(unit.usSymbol())) {
                return unit;
            }
        }
        return null;
    }

    /** A sentence with its figures, ranges too, in these units. */
    public String prose(String sentence) {
        return us ? Prose.converted(sentence, this) : sentence;
    }
}
