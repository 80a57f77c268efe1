package org.morphotera.core.benchmark;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.text.DataText;
import org.morphotera.core.text.DataTextException;

/**
 * All curves, bands and tables in force. Sections are headed {@code [curve id]}, {@code [bands id]} or
 * {@code [table id]}; {@code [rows id]} adds rows to a table that another file heads.
 */
public final class Benchmarks {

    /** Where the ids of bands begin that belong to a laboratory's own method of extraction. */
    public static final String LABORATORY = "lab.";

    private final Map<String, Curve> curves = new LinkedHashMap<>();
    private final Map<String, Bands> bands = new LinkedHashMap<>();
    private final Map<String, Table> tables = new LinkedHashMap<>();

    private Benchmarks() {}

    /**
     * Parses data files by name; of two entries with the same id in one map the later file wins.
     *
     * @throws DataTextException when a file can't be used
     */
    public static Benchmarks parse(Map<String, String> texts) {
        Benchmarks benchmarks = new Benchmarks();
        List<DataText.Section> rows = new ArrayList<>();
        texts.forEach((file, text) -> {
            for (DataText.Section section : DataText.parse(file, text)) {
                if (kindOf(section).equals("rows")) {
                    rows.add(section);
                } else {
                    benchmarks.add(section);
                }
            }
        });
        rows.forEach(benchmarks::add);
        return benchmarks;
    }

    /**
     * These benchmarks with some replaced. An override must have the shape of what it replaces: a known id, the same
     * band codes, the same columns and at least the same rows. Bands of a laboratory's own extraction may be added.
     *
     * @throws DataTextException naming what does not fit
     */
    public Benchmarks with(String file, String text) {
        Benchmarks merged = new Benchmarks();
        merged.curves.putAll(curves);
        merged.bands.putAll(bands);
        merged.tables.putAll(tables);
        for (DataText.Section section : DataText.parse(file, text)) {
            String problem = merged.misfit(section);
            if (problem != null) {
                throw new DataTextException(file, section.line(), problem);
            }
            merged.add(section);
        }
        return merged;
    }

    private String misfit(DataText.Section section) {
        String id = idOf(section);
        return switch (kindOf(section)) {
            case "curve" -> curves.containsKey(id) ? null : "there is no curve " + id + " to replace";
            case "bands" ->
                id.startsWith(LABORATORY)
                        ? null
                        : !bands.containsKey(id)
                                ? "there are no bands " + id + " to replace"
                                : bands.get(id)
                                                .codes()
                                                .equals(Bands.parse(section, id).codes())
                                        ? null
                                        : "bands " + id + " must keep the codes "
                                                + bands.get(id).codes();
            case "table" -> {
                if (!tables.containsKey(id)) {
                    yield "there is no table " + id + " to replace";
                }
                Table old = tables.get(id);
                Table replacement = Table.parse(section, id);
                boolean fits = old.columns().equals(replacement.columns())
                        && replacement.rows().keySet().containsAll(old.rows().keySet());
                yield fits ? null : "table " + id + " must keep its columns and rows";
            }
            case "rows" -> "rows are given with their table: [table " + id + "]";
            default -> null;
        };
    }

    private void add(DataText.Section section) {
        String id = idOf(section);
        switch (kindOf(section)) {
            case "curve" -> curves.put(id, Curve.parse(section, id));
            case "bands" -> bands.put(id, Bands.parse(section, id));
            case "table" -> tables.put(id, Table.parse(section, id));
            case "rows" -> {
                if (!tables.containsKey(id)) {
                    throw new DataTextException(section.file(), section.line(), "there is no table " + id);
                }
                tables.put(id, tables.get(id).with(section));
            }
            default ->
                throw new DataTextException(
                        section.file(), section.line(), "sections are [curve …], [bands …], [table …] or [rows …]");
        }
    }

    private static String kindOf(DataText.Section section) {
        return section.head().split(" +")[0];
    }

    private static String idOf(DataText.Section section) {
        String[] words = section.head().split(" +");
        return words.length == 2 ? words[1] : "";
    }

    /** @throws IllegalArgumentException when there is no such curve: a data file is missing */
    public Curve curve(String id) {
        return require(curves.get(id), "curve", id);
    }

    /** @throws IllegalArgumentException when there are no such bands: a data file is missing */
    public Bands bands(String id) {
        return require(bands.get(id), "bands", id);
    }

    /** @throws IllegalArgumentException when there is no such table: a data file is missing */
    public Table table(String id) {
        return require(tables.get(id), "table", id);
    }

    /** All curves, in the order of the files. */
    public List<Curve> curves() {
        return List.copyOf(curves.values());
    }

    /** All bands, in the order of the files. */
    public List<Bands> bands() {
        return List.copyOf(bands.values());
    }

    /** Whether there are bands of this id. */
    public boolean hasBands(String id) {
        return bands.containsKey(id);
    }

    /** Whether there is a table of this id. */
    public boolean hasTable(String id) {
        return tables.containsKey(id);
    }

    private static <T> T require(T found, String kind, String id) {
        if (found == null) {
            throw new IllegalArgumentException("no benchmark " + kind + " " + id);
        }
        return found;
    }
}
