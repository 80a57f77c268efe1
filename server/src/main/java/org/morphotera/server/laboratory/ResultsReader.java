package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.chemistry.labresult.LabResult.Analyte;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.KnownUnits;
import org.morphotera.server.exchange.CsvFile;
import org.morphotera.server.exchange.LineFaults;

/** A laboratory's file of results, read by its form: which column is what. */
final class ResultsReader {

    private static final int MOST_LINES = 2000;
    private static final Pattern UNIT = Pattern.compile("[\\[(]([^\\])]{1,20})[\\])]\\s*$");

    /** Figures of one bag as they stand in the file. */
    record Line(long number, String code, Map<Analyte, Double> figures) {}

    /** A column of the file with a figure from it, to tell what it is. */
    @Schema(name = "SeenColumn")
    record Seen(String name, String example) {}

    final List<Seen> columns = new ArrayList<>();
    final List<Line> lines = new ArrayList<>();
    final LineFaults faults = new LineFaults();
    Laboratory.@Nullable ResultForm form;

    /** @param form as remembered or chosen; a guess from the names of the columns where there is none */
    static ResultsReader read(String text, Laboratory.@Nullable ResultForm form) {
        ResultsReader reader = new ResultsReader();
        try (CsvFile file = CsvFile.open(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)))) {
            List<String[]> rows = new ArrayList<>();
            List<Long> numbers = new ArrayList<>();
            for (String[] row = file.next(); row != null && rows.size() <= MOST_LINES; row = file.next()) {
                rows.add(row);
                numbers.add(file.line());
            }
            for (int i = 0; i < file.head().size(); i++) {
                int at = i;
                String example = rows.stream()
                        .filter(row -> at < row.length && !row[at].isEmpty())
                        .map(row -> row[at])
                        .findFirst()
                        .orElse("");
                reader.columns.add(new Seen(file.head().get(i), example));
            }
            reader.form = form != null ? form : guess(reader.columns);
            if (rows.size() > MOST_LINES) {
                reader.faults.add(MOST_LINES + 2, "", "At most 2,000 lines. Send the file in parts.");
            } else if (reader.form != null) {
                reader.lines(file.head(), rows, numbers);
            }
        } catch (CsvFile.Unreadable e) {
            reader.faults.add(e.line(), "", e.getMessage());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return reader;
    }

    private void lines(List<String> head, List<String[]> rows, List<Long> numbers) {
        int code = head.indexOf(form.code());
        if (code < 0) {
            faults.add(1, form.code(), "This column is not in the file. Choose the one that names the bags.");
            return;
        }
        for (Laboratory.Column column : form.columns()) {
            Analyte analyte = Coded.find(Analyte.values(), column.analyte());
            if (KnownUnits.toMetric(1, column.unit(), analyte.unit()) == null) {
                faults.add(
                        1,
                        column.name(),
                        "The unit is not one of this analyte. Use "
                                + analyte.unit().symbol() + " or another of "
                                + String.join(", ", KnownUnits.ways(analyte.unit())) + ".");
            }
        }
        if (!faults.none()) {
            return;
        }
        for (int i = 0; i < rows.size(); i++) {
            String[] row = rows.get(i);
            Map<Analyte, Double> figures = new LinkedHashMap<>();
            for (Laboratory.Column column : form.columns()) {
                int at = head.indexOf(column.name());
                String cell = at < 0 || at >= row.length ? "" : row[at].strip();
                if (!cell.isEmpty()) {
                    figure(numbers.get(i), column, cell, figures);
                }
            }
            String bag = code < row.length ? row[code] : "";
            lines.add(new Line(numbers.get(i), bag, figures));
        }
    }

    private void figure(long line, Laboratory.Column column, String cell, Map<Analyte, Double> figures) {
        Analyte analyte = Coded.find(Analyte.values(), column.analyte());
        Double value = number(cell);
        if (value == null) {
            faults.add(
                    line,
                    column.name(),
                    cell.startsWith("<") || cell.startsWith(">")
                            ? "Beyond what the laboratory can tell. Leave the cell empty, and note it with the bag."
                            : "This is no number. Correct it, or leave the cell empty.");
        } else if (figures.put(analyte, KnownUnits.toMetric(value, column.unit(), analyte.unit())) != null) {
            faults.add(line, column.name(), "Two columns hold this analyte. Choose one of them.");
        }
    }

    /** With a point or, as laboratories of many countries write, a comma. */
    private static @Nullable Double number(String cell) {
        try {
            double value = Double.parseDouble(cell.replace(',', '.'));
            boolean digits = cell.chars().allMatch(c -> c >= '0' && c <= '9' || "+-.,eE".indexOf(c) >= 0);
            return digits && Double.isFinite(value) ? Double.valueOf(value) : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** What the names of the columns say; {@code null} where none names the bags. */
    private static Laboratory.@Nullable ResultForm guess(List<Seen> columns) {
        String code = columns.stream()
                .filter(column -> BagCode.sound(BagCode.plain(column.example())))
                .map(Seen::name)
                .findFirst()
                .orElse(null);
        if (code == null) {
            return null;
        }
        List<Laboratory.Column> known = new ArrayList<>();
        for (Seen column : columns) {
            Analyte analyte = analyte(column.name());
            if (analyte != null
                    && known.stream().noneMatch(each -> each.analyte().equals(analyte.code()))) {
                Matcher unit = UNIT.matcher(column.name());
                String written = unit.find() ? unit.group(1) : "";
                boolean fits = KnownUnits.toMetric(1, written, analyte.unit()) != null;
                known.add(new Laboratory.Column(column.name(), analyte.code(), fits ? written : ""));
            }
        }
        return known.isEmpty() ? null : new Laboratory.ResultForm(code, known);
    }

    private static @Nullable Analyte analyte(String head) {
        String name = head.toLowerCase(Locale.ROOT);
        boolean exchangeable = name.contains("exch") || name.contains("ex-") || name.contains("ex.");
        if (name.matches(".*(\\bph\\b|reaction).*")) {
            return name.contains("cacl") ? Analyte.PH_CACL2 : name.contains("buffer") ? null : Analyte.PH_WATER;
        }
        if (name.matches(".*(lime|buffer).*")) {
            return Analyte.BUFFER_PH;
        }
        if (name.matches(".*(organic matter|humus|\\bom\\b).*")) {
            return Analyte.ORGANIC_MATTER;
        }
        if (name.matches(".*(nitrate|no3).*")) {
            return Analyte.NITRATE_N;
        }
        if (name.matches(".*(\\bcec\\b|exchange capacity).*")) {
            return Analyte.CEC;
        }
        if (name.matches(".*(\\bece\\b|sat\\. extract|saturat.*extract).*")) {
            return Analyte.ECE;
        }
        String first = name.replaceFirst("^(ex-|exch\\.? ?|avail\\.? ?)", "").split("[^a-z]", 2)[0];
        return switch (first) {
            case "p", "phosphorus" -> Analyte.P;
            case "k", "potassium" -> exchangeable ? Analyte.EX_K : Analyte.K;
            case "mg", "magnesium" -> exchangeable ? Analyte.EX_MG : Analyte.MG;
            case "s", "sulfur", "sulphur" -> Analyte.S;
            case "ca", "calcium" -> exchangeable ? Analyte.EX_CA : null;
            case "na", "sodium" -> exchangeable ? Analyte.EX_NA : null;
            case "al", "aluminium" -> exchangeable ? Analyte.EX_AL : null;
            default -> null;
        };
    }
}
