package org.morphotera.core.text;

import java.util.Arrays;
import java.util.Comparator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.morphotera.core.soil.Unit;

/** Finds figures with a metric unit in a sentence: "5–10 mm", "−1.5 °C", "1,200 mm/h". */
final class Prose {

    private static final String FIGURE = "([−-]?\\d[\\d,]*(?:\\.\\d+)?)";

    // longest symbols first, so that mm/h is not read as mm
    private static final Pattern FIGURES = Pattern.compile(FIGURE + "(?:( ?(?:to|–|-) ?)" + FIGURE + ")? ("
            + Arrays.stream(Unit.values())
                    .filter(unit -> !unit.symbol().equals(unit.usSymbol()))
                    .map(Unit::symbol)
                    .sorted(Comparator.comparingInt(String::length).reversed())
                    .map(Pattern::quote)
                    .collect(Collectors.joining("|"))
            + ")(?![\\w/²√])");

    private Prose() {}

    static String converted(String sentence, ShownUnits units) {
        Matcher found = FIGURES.matcher(sentence);
        StringBuilder text = new StringBuilder();
        int end = 0;
        while (found.find()) {
            String unit = found.group(4);
            text.append(sentence, end, found.start()).append(units.number(number(found.group(1)), unit));
            if (found.group(3) != null) {
                text.append(found.group(2)).append(units.number(number(found.group(3)), unit));
            }
            text.append(' ').append(units.symbol(unit));
            end = found.end();
        }
        return text.append(sentence.substring(end)).toString();
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(",", "").replace('−', '-'));
    }
}
