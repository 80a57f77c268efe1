package org.morphotera.server.web;

import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.reading.FaultText;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;

/**
 * The one rule for texts that come in, names of entries among them: no control characters but tab and line breaks, no
 * halves of characters, none that XML has no place for, and not longer than any place for them. Numbers of a body must be
 * finite, wherever in it they stand.
 */
public final class TextRule {

    static final int LONGEST = 100_000;

    /** The rule as a pattern, for the API's description. */
    static final String PATTERN = "^[^\\u0000-\\u0008\\u000B\\u000C\\u000E-\\u001F\\u007F\\uFFFE\\uFFFF]*$";

    private static final JsonFactory JSON = JsonFactory.builder().build();

    private TextRule() {}

    /**
     * What is wrong with a JSON body, or {@code null}; what is no JSON is left to whoever reads it.
     *
     * @param longest a text may be, characters
     */
    static @Nullable FaultText inJson(byte[] body, int longest) {
        try (JsonParser in = JSON.createParser(ObjectReadContext.empty(), body)) {
            for (JsonToken token = in.nextToken(); token != null; token = in.nextToken()) {
                if (token == JsonToken.VALUE_STRING || token == JsonToken.PROPERTY_NAME) {
                    String wrong = wrong(in.getString(), longest);
                    if (wrong != null) {
                        return fault(in.streamReadContext().pathAsPointer().toString(), "TEXT", wrong);
                    }
                } else if (token == JsonToken.VALUE_NUMBER_FLOAT || token == JsonToken.VALUE_NUMBER_INT) {
                    if (!Double.isFinite(in.getDoubleValue())) {
                        return fault(in.streamReadContext().pathAsPointer().toString(), "NUMBER", FiniteNumbers.REMEDY);
                    }
                }
            }
            return null;
        } catch (JacksonException e) {
            return null;
        }
    }

    /** What is wrong with the parameters of a query or a form, or {@code null}. */
    static @Nullable FaultText inParameters(Map<String, String[]> parameters) {
        for (Map.Entry<String, String[]> each : parameters.entrySet()) {
            String wrong = wrong(each.getKey(), LONGEST);
            for (String value : each.getValue()) {
                wrong = wrong == null ? wrong(value, LONGEST) : wrong;
            }
            if (wrong != null) {
                return fault(each.getKey(), "TEXT", wrong);
            }
        }
        return null;
    }

    private static FaultText fault(String where, String code, String wrong) {
        String field =
                where.replaceFirst("^/", "").replaceAll("/(\\d+)", "[$1]").replace('/', '.');
        // the name itself may hold what can't be shown
        String shown = field.codePoints()
                .filter(each -> !forbidden(each))
                .limit(200)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        return new FaultText(shown, code, wrong);
    }

    private static @Nullable String wrong(String text, int longest) {
        if (text.length() > longest) {
            return String.format(Locale.ROOT, "At most %,d characters.", longest);
        }
        return text.codePoints().anyMatch(TextRule::forbidden)
                ? "It holds a character that can't be shown. Type it again."
                : null;
    }

    /** Whether a text holds no character that can't be shown. */
    public static boolean showable(String text) {
        return text.codePoints().noneMatch(TextRule::forbidden);
    }

    private static boolean forbidden(int point) {
        boolean control = point < 0x20 && point != '\t' && point != '\n' && point != '\r' || point == 0x7F;
        // a code point of this kind is the half of one
        boolean half = point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE;
        // what XML can't say, and so no paper and no drawing
        boolean outside = point == 0xFFFE || point == 0xFFFF;
        return control || half || outside;
    }

    /** A text without the characters that can't be shown, as paper and drawings take it: older rows may hold some. */
    public static String printable(String text) {
        if (showable(text)) {
            return text;
        }
        StringBuilder kept = new StringBuilder(text.length());
        text.codePoints().filter(each -> !forbidden(each)).forEach(kept::appendCodePoint);
        return kept.toString();
    }
}
