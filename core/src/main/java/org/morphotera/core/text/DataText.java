package org.morphotera.core.text;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The plain text form of all data files: sections {@code [head]} of {@code key = value} lines; {@code #} begins a
 * comment line; a line that begins with white space continues the value before it.
 */
public final class DataText {

    /** One section: its head and its entries in file order. */
    public record Section(String file, int line, String head, Map<String, String> entries) {

        /** @throws DataTextException when the entry is missing */
        public String require(String key) {
            String value = entries.get(key);
            if (value == null) {
                throw new DataTextException(file, line, "[" + head + "] needs a line \"" + key + " = …\"");
            }
            return value;
        }
    }

    private DataText() {}

    /**
     * Parses a data file.
     *
     * @param file its name, for error messages only
     * @throws DataTextException naming file, line and remedy, when a line is neither head, entry nor comment
     */
    public static List<Section> parse(String file, String text) {
        List<Section> sections = new ArrayList<>();
        Section current = null;
        String lastKey = null;
        String[] lines = text.split("\n");
        for (int i = 0; i < lines.length; i++) {
            String line = lines[i].endsWith("\r") ? lines[i].substring(0, lines[i].length() - 1) : lines[i];
            String trimmed = line.trim();
            if (trimmed.isEmpty() || trimmed.startsWith("#")) {
                continue;
            }
            if (trimmed.startsWith("[") && trimmed.endsWith("]")) {
                String head = trimmed.substring(1, trimmed.length() - 1).trim();
                current = new Section(file, i + 1, head, new LinkedHashMap<>());
                sections.add(current);
                lastKey = null;
            } else if (line.startsWith(" ") && lastKey != null) {
                current.entries().put(lastKey, current.entries().get(lastKey) + " " + trimmed);
            } else {
                lastKey = addEntry(file, i + 1, current, trimmed);
            }
        }
        return sections;
    }

    private static String addEntry(String file, int line, Section section, String trimmed) {
        int equals = trimmed.indexOf('=');
        if (section == null || equals < 1) {
            throw new DataTextException(file, line, "expected \"[head]\" or \"key = value\"");
        }
        String key = trimmed.substring(0, equals).trim();
        if (section.entries().put(key, trimmed.substring(equals + 1).trim()) != null) {
            throw new DataTextException(file, line, "\"" + key + "\" is given twice in [" + section.head() + "]");
        }
        return key;
    }
}
