package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/**
 * Comma-separated values on their way out. A text that a spreadsheet would take for a formula gets an apostrophe before
 * it, which {@link CsvFile} takes off again; numbers stay as they are.
 */
final class CsvTable {

    /** What a spreadsheet may work out: so begins a text, or a text that was guarded before. */
    private static final Pattern FORMULA =
            Pattern.compile("'*[=+\\-@\\t\\r\uFF1D\uFF0B\uFF0D\uFF20].*", Pattern.DOTALL);

    private final CSVPrinter printer;

    CsvTable(OutputStream out, List<String> columns) throws IOException {
        printer = new CSVPrinter(
                new OutputStreamWriter(out, StandardCharsets.UTF_8),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader(columns.toArray(String[]::new))
                        .get());
    }

    void row(@Nullable Object... cells) throws IOException {
        printer.printRecord(Arrays.stream(cells).map(CsvTable::guarded));
    }

    void flush() throws IOException {
        printer.flush();
    }

    private static @Nullable Object guarded(@Nullable Object cell) {
        return cell instanceof CharSequence text && isFormula(text.toString()) ? "'" + text : cell;
    }

    private static boolean isFormula(String text) {
        return FORMULA.matcher(text).matches() && Figures.parsed(text) == null;
    }

    /** The text as it was before it was guarded. */
    static String read(String cell) {
        return cell.startsWith("'") && isFormula(cell.substring(1)) ? cell.substring(1) : cell;
    }
}
