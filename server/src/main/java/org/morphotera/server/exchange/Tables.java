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
    private static final int[] WIDTHS = {22, 18, 16, 12, 22, 18, 38, 10, 10, 10, 26, 14, 12};

    private final Records records;

    Tables(Records records) {
        this.records = records;
    }

    /** @param what which kinds of line are wanted */
    void csv(UUID practice, @Nullable UUID field, Predicate<String> what, OutputStream out) throws IOException {
        CsvTable table = new CsvTable(out, RecordLine.COLUMNS);
        records.each(practice, field, what, line -> table.row(line.cells()));
        table.flush();
    }

    /** A sheet of readings and one of figures; a full one goes on in another. */
    void workbook(UUID practice, @Nullable UUID field, OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "Morphotera", "1.0")) {
            sheets(book, "Readings", practice, field, RecordLine.READING::equals);
            sheets(book, "Figures", practice, field, kind -> !kind.equals(RecordLine.READING));
        }
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
