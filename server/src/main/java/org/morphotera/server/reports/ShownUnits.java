package org.morphotera.server.reports;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;

/** Figures and sentences in the units of whoever prints them; conversion by the core's table. */
final class ShownUnits {

    private static final String FIGURE = "([−-]?\\d[\\d,]*(?:\\.\\d+)?)";
    private static final Pattern IN_PROSE = Pattern.compile(FIGURE + "(?:( ?(?:to|–|-) ?)" + FIGURE + ")? ("
            + Arrays.stream(Unit.values())
                    .filter(unit -> !unit.symbol().equals(unit.usSymbol()))
                    .map(Unit::symbol)
                    .sorted(Comparator.comparingInt(String::length).reversed())
                    .map(Pattern::quote)
                    .collect(Collectors.joining("|"))
            + ")(?![\\w/²√])");

    private final boolean us;

    ShownUnits(boolean us) {
        this.us = us;
    }

    /** A figure with its unit; {@code symbol} is the metric one, or {@code null} for a pure number. */
    String text(double value, String symbol) {
        if (symbol == null || symbol.isEmpty()) {
            return Numbers.show(Numbers.significant(value, 3));
        }
        Unit unit = unit(symbol);
        return unit == null || !us
                ? Numbers.show(Numbers.significant(value, 3)) + " " + symbol
                : converted(value, unit) + " " + unit.usSymbol();
    }

    private static Unit unit(String symbol) {
        return Arrays.stream(Unit.values())
                .filter(each -> each.symbol().equals(symbol))
                .findFirst()
                .orElse(null);
    }

    private static String converted(double value, Unit unit) {
        return String.format(Locale.ROOT, "%." + unit.usDecimals() + "f", unit.toUs(value));
    }

    /** A sentence with the figures in it converted. */
    String prose(String sentence) {
        if (!us) {
            return sentence;
        }
        return IN_PROSE.matcher(sentence).replaceAll(found -> Matcher.quoteReplacement(replaced(found)));
    }

    private static String replaced(java.util.regex.MatchResult found) {
        Unit unit = unit(found.group(4));
        String first = converted(number(found.group(1)), unit);
        String second = found.group(3) == null ? "" : found.group(2) + converted(number(found.group(3)), unit);
        return first + second + " " + unit.usSymbol();
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(",", "").replace('−', '-'));
    }
}
