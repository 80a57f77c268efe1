package org.morphotera.core.text;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.Numbers;

/**
 * The texts of one language: {@code [section]} with {@code key = text}, looked up as {@code section.key}. A text may
 * hold placeholders {@code {name}}: a number is written with four significant digits, a code by its word from the
 * section {@code word}, if there is one. {@code {name?one|many}} is the first word where the number is 1, else the
 * second. Where the argument {@code figure} is 0, a text of the key with {@code .none} behind it goes before.
 */
public final class Messages {

    private final Map<String, String> texts = new LinkedHashMap<>();

    private Messages() {}

    /** @throws DataTextException when a file can't be used or gives a key twice */
    public static Messages parse(Map<String, String> files) {
        Messages messages = new Messages();
        files.forEach((file, text) -> DataText.parse(file, text)
                .forEach(section -> section.entries().forEach((key, value) -> {
                    if (messages.texts.put(section.head() + "." + key, value) != null) {
                        throw new DataTextException(file, section.line(), section.head() + "." + key + " comes twice");
                    }
                })));
        return messages;
    }

    /** Whether there is a text of this key. */
    public boolean has(String key) {
        return texts.containsKey(key);
    }

    /** The text of the first of some keys that has one; the last key itself when none has. */
    public String text(List<String> keys, Map<String, ?> args) {
        boolean none = args.get("figure") instanceof Number figure && figure.doubleValue() == 0;
        for (String key : keys) {
            String text = none ? texts.getOrDefault(key + ".none", texts.get(key)) : texts.get(key);
            if (text != null) {
                return fill(text, args);
            }
        }
        return keys.get(keys.size() - 1);
    }

    /** The text of a key, or the key itself when there is none. */
    public String text(String key) {
        return texts.getOrDefault(key, key);
    }

    /** The text of a key, or {@code null}. */
    public String optional(String key) {
        return texts.get(key);
    }

    /** The word for a code: the entry {@code word.code}, else the code with spaces for hyphens. */
    public String word(String code) {
        return texts.getOrDefault("word." + code, code.replace('-', ' '));
    }

    /** Texts numbered {@code key.1}, {@code key.2} …, in order. */
    public List<String> numbered(String key) {
        int count = 0;
        while (texts.containsKey(key + "." + (count + 1))) {
            count++;
        }
        String[] found = new String[count];
        for (int i = 0; i < count; i++) {
            found[i] = texts.get(key + "." + (i + 1));
        }
        return List.of(found);
    }

    /** Texts whose keys begin with a prefix, by the rest of the key, in file order. */
    public Map<String, String> under(String prefix) {
        Map<String, String> found = new LinkedHashMap<>();
        texts.forEach((key, text) -> {
            if (key.startsWith(prefix)) {
                found.put(key.substring(prefix.length()), text);
            }
        });
        return found;
    }

    private String fill(String text, Map<String, ?> args) {
        StringBuilder filled = new StringBuilder();
        int from = 0;
        while (true) {
            int open = text.indexOf('{', from);
            int close = open < 0 ? -1 : text.indexOf('}', open);
            if (close < 0) {
                return filled.append(text, from, text.length()).toString();
            }
            filled.append(text, from, open).append(placeholder(text.substring(open + 1, close), args));
            from = close + 1;
        }
    }

    private String placeholder(String written, Map<String, ?> args) {
        int asks = written.indexOf('?');
        if (asks < 0) {
            return show(args.get(written));
        }
        String[] words = written.substring(asks + 1).split("\\|", 2);
        boolean one = args.get(written.substring(0, asks)) instanceof Number number && number.doubleValue() == 1;
        return one ? words[0] : words[1];
    }

    private String show(Object arg) {
        if (arg instanceof Number number) {
            return Numbers.show(number.doubleValue());
        }
        if (arg instanceof List<?> list) {
            StringBuilder joined = new StringBuilder();
            for (Object item : list) {
                joined.append(joined.length() == 0 ? "" : ", ").append(show(item));
            }
            return joined.toString();
        }
        return arg == null ? "–" : word(arg.toString());
    }
}
