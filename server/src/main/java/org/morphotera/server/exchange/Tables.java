package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.util.UUID;
import java.util.function.Predicate;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The record as comma-separated values (RFC 4180) and as a workbook. */
@Component
class Tables {

    /** Rows that a sheet of a workbook holds, by the format. */
    static final int ROWS_OF_SHEET = 1_048_576;

    private static final int ROWS_AT_ONCE = 2000;
    private static final int[] LEVEL_WIDTHS = {22, 18, 16, 20, 14, 10, 10, 10, 12, 12, 8, 12, 30};
    private static final int[] WIDTHS = {22, 18, 16, 12, 22, 18, 38, 10, 10, 10, 26, 14, 12};

    private final Records records;
    private final Levels levels;

    Tables(Records records, Levels levels) {
        this.levels = levels;
        this.records = records;
    }

    /** @param what which kinds of line are wanted */
    void csv(UUID practice, @Nullable UUID field, Predicate<String> what, OutputStream out) throws IOException {
        CsvTable table = new CsvTable(out, RecordLine.COLUMNS);
        records.each(practice, field, what, line -> table.row(line.cells()));
        table.flush();
    }

    /** Where fields and stops stand. */
    void levels(UUID practice, @Nullable UUID field, OutputStream out) throws IOException {
        CsvTable table = new CsvTable(out, Levels.COLUMNS);
        levels.each(practice, field, line -> table.row(line.cells()));
        table.flush();
    }

    /** A sheet of levels, one of readings and one of figures; a full one goes on in another. */
    void workbook(UUID practice, @Nullable UUID field, OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "Morphotera", "1.0")) {
            levels(book, practice, field);
            sheets(book, "Readings", practice, field, RecordLine.READING::equals);
            sheets(book, "Figures", practice, field, kind -> !kind.equals(RecordLine.READING));
        }
    }

    private void levels(Workbook book, UUID practice, @Nullable UUID field) throws IOException {
        Worksheet sheet = book.newWorksheet("Levels");
        sheet.freezePane(0, 1);
        for (int i = 0; i < Levels.COLUMNS.size(); i++) {
            sheet.width(i, LEVEL_WIDTHS[i]);
            sheet.value(0, i, Levels.COLUMNS.get(i));
            sheet.style(0, i).bold().set();
        }
        int[] row = {1};
        levels.each(practice, field, line -> {
            if (row[0] < ROWS_OF_SHEET) {
                put(sheet, row[0]++, line);
            }
            if (row[0] % ROWS_AT_ONCE == 0) {
                sheet.flush();
            }
        });
        sheet.finish();
    }

    private static void put(Worksheet sheet, int row, Levels.Line line) {
        String[] texts = {line.field(), line.grower(), line.stop(), line.indicator(), line.depth()};
        for (int i = 0; i < texts.length; i++) {
            sheet.value(row, i, texts[i]);
        }
        sheet.value(row, 5, line.value());
        sheet.value(row, 6, line.low());
        sheet.value(row, 7, line.high());
        sheet.value(row, 8, line.unit());
        sheet.value(row, 9, line.level());
        sheet.value(row, 10, line.score());
        sheet.value(row, 11, line.readOn());
        sheet.style(row, 11).format("yyyy-mm-dd").set();
        sheet.value(row, 12, line.since());
    }

    private void sheets(Workbook book, String name, UUID practice, @Nullable UUID field, Predicate<String> what)
            throws IOException {
        Sheets sheets = new Sheets(book, name);
        records.each(practice, field, what, sheets::add);
        sheets.finish();
    }

    /** Sheets that follow each other under one name. */
    private static final class Sheets {

        private final Workbook book;
        private final String name;
        private Worksheet sheet;
        private int number;
        private int row;

        private Sheets(Workbook book, String name) throws IOException {
            this.book = book;
            this.name = name;
            next();
        }

        private void next() throws IOException {
            finish();
            number++;
            sheet = book.newWorksheet(number == 1 ? name : name + " " + number);
            sheet.freezePane(0, 1);
            for (int i = 0; i < RecordLine.COLUMNS.size(); i++) {
                sheet.width(i, WIDTHS[i]);
                sheet.value(0, i, RecordLine.COLUMNS.get(i));
                sheet.style(0, i).bold().set();
            }
            row = 1;
        }

        private void add(RecordLine line) throws IOException {
            if (row == ROWS_OF_SHEET) {
                next();
            }
            text(0, line.field());
            text(1, line.grower());
            text(2, line.stop());
            sheet.value(row, 3, line.visitedOn());
            sheet.style(row, 3).format("yyyy-mm-dd").set();
            text(4, line.takenAt().toString());
            text(5, line.test());
            text(6, line.measurement().toString());
            number(7, line.depthTopMm());
            number(8, line.depthBottomMm());
            text(9, line.what());
            text(10, line.name());
            if (line.value() instanceof Number value) {
                number(11, value);
            } else {
                text(11, Figures.text(line.value()));
            }
            text(12, line.unit());
            row++;
            if (row % ROWS_AT_ONCE == 0) {
                sheet.flush();
            }
        }

        private void text(int column, String text) {
            sheet.value(row, column, text);
        }

        private void number(int column, @Nullable Number number) {
            if (number != null) {
                sheet.value(row, column, number);
            }
        }

        private void finish() throws IOException {
            if (sheet != null) {
                sheet.finish();
            }
        }
    }
}
