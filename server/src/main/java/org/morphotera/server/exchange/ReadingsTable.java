package org.morphotera.server.exchange;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A table of readings, one a line, taken test by test: lines of one test follow each other. */
final class ReadingsTable {

    /** Where and of what a line is, as written; lines of one test have all of it in common. */
    record TestKey(
            String field,
            String grower,
            String stop,
            String visitedOn,
            String takenAt,
            String test,
            String measurement,
            String top,
            String bottom) {}

    /**
     * The lines of one test.
     *
     * @param first its first line
     * @param cells its readings by path
     */
    record TestLines(TestKey key, long first, Map<String, ReadingShape.Cell> cells) {}

    private final CsvFile csv;
    private final LineFaults faults;
    private final int field;
    private final int grower;
    private final int stop;
    private final int visitedOn;
    private final int takenAt;
    private final int test;
    private final int measurement;
    private final int top;
    private final int bottom;
    private final int what;
    private final int name;
    private final int value;
    private final int unit;
    private @Nullable TestLines open;
    private long lines;

    /** @param faults gets a fault for each column that is missing; then nothing can be read */
    ReadingsTable(CsvFile csv, LineFaults faults) {
        this.csv = csv;
        this.faults = faults;
        field = required("field");
        grower = csv.column("grower");
        stop = required("stop");
        visitedOn = required("visited_on", "date");
        takenAt = csv.column("taken_at");
        test = required("test", "method");
        measurement = csv.column("measurement");
        top = csv.column("depth_top_mm");
        bottom = csv.column("depth_bottom_mm");
        what = csv.column("what");
        name = required("name", "reading");
        value = required("value");
        unit = csv.column("unit");
    }

    private int required(String... names) {
        int column = csv.column(names);
        if (column < 0) {
            faults.add(1, names[0], "This column is missing. Name it in the first line.");
        }
        return column;
    }

    /** Lines read so far, those of figures among them. */
    long lines() {
        return lines;
    }

    /** The next test; {@code null} at the end. */
    @Nullable
    TestLines next() throws CsvFile.Unreadable {
        for (String[] line = csv.next(); line != null; line = csv.next()) {
            lines++;
            String kind = cell(line, what);
            if (!kind.isEmpty() && !kind.equals(RecordLine.READING)) {
                continue;
            }
            TestLines whole = null;
            TestKey key = key(line);
            if (open == null || !key.equals(open.key())) {
                whole = open;
                open = new TestLines(key, csv.line(), new LinkedHashMap<>());
            }
            ReadingShape.Cell cell = new ReadingShape.Cell(cell(line, value), cell(line, unit), csv.line());
            if (open.cells().putIfAbsent(cell(line, name), cell) != null) {
                faults.add(csv.line(), "name", "This reading is there twice in one test. Leave one of them.");
            }
            if (whole != null) {
                return whole;
            }
        }
        TestLines last = open;
        open = null;
        return last;
    }

    private TestKey key(String[] line) {
        return new TestKey(
                cell(line, field),
                cell(line, grower),
                cell(line, stop),
                cell(line, visitedOn),
                cell(line, takenAt),
                cell(line, test),
                cell(line, measurement),
                cell(line, top),
                cell(line, bottom));
    }

    private static String cell(String[] cells, int column) {
        return column < 0 || column >= cells.length ? "" : cells[column];
    }
}
