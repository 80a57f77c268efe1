package org.morphotera.core.benchmark;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.text.DataText;
import org.morphotera.core.text.DataTextException;

/**
 * Figures by name: {@code columns} heads them, every other line is a row.
 *
 * @param id key in the data file
 * @param rows figures by row name, each as many as {@code columns}
 */
public record Table(String id, List<String> columns, Map<String, List<Double>> rows, String source) {

    static Table parse(DataText.Section section, String id) {
        List<String> columns = List.of(section.require("columns").split(" +"));
        return new Table(id, columns, rows(section, columns), section.require("source"));
    }

    /** With the rows of another section. */
    Table with(DataText.Section section) {
        Map<String, List<Double>> all = new LinkedHashMap<>(rows);
        rows(section, columns).forEach((name, figures) -> {
            if (all.put(name, figures) != null) {
                throw new DataTextException(
                        section.file(), section.line(), "table " + id + " has a row " + name + " already");
            }
        });
        return new Table(id, columns, all, source);
    }

    private static Map<String, List<Double>> rows(DataText.Section section, List<String> columns) {
        Map<String, List<Double>> rows = new LinkedHashMap<>();
        for (Map.Entry<String, String> entry : section.entries().entrySet()) {
            if (isHead(entry.getKey())) {
                continue;
            }
            List<Double> figures = new ArrayList<>();
            try {
                for (String word : entry.getValue().split(" +")) {
                    figures.add(Double.parseDouble(word));
                }
            } catch (NumberFormatException e) {
                throw new DataTextException(section.file(), section.line(), entry.getKey() + ": figures only");
            }
            if (figures.size() != columns.size()) {
                throw new DataTextException(
                        section.file(), section.line(), entry.getKey() + " needs " + columns.size() + " figures");
            }
            rows.put(entry.getKey(), List.copyOf(figures));
        }
        return rows;
    }

    private static boolean isHead(String key) {
        return key.equals("columns") || key.equals("source") || key.equals("note");
    }

    /** Whether the table has a row of this key. */
    public boolean has(String row) {
        return rows.containsKey(row);
    }

    /** @throws IllegalArgumentException when the table has no such row or column */
    public double at(String row, String column) {
        List<Double> figures = rows.get(row);
        if (figures == null) {
            throw new IllegalArgumentException("table " + id + " has no " + row);
        }
        return figures.get(place(column));
    }

    /**
     * Where a column's figure stands in each row, from 0.
     *
     * @throws IllegalArgumentException when the table has no such column
     */
    public int place(String column) {
        int place = columns.indexOf(column);
        if (place < 0) {
            throw new IllegalArgumentException("table " + id + " has no " + column);
        }
        return place;
    }
}
