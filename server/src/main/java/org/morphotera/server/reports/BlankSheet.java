package org.morphotera.server.reports;

import static org.morphotera.server.reports.PdfWriter.text;

import java.util.List;
import org.morphotera.core.method.Catalogue.MethodEntry;
import org.morphotera.core.method.Catalogue.OptionEntry;
import org.morphotera.core.method.Catalogue.ReadingEntry;

/** A field sheet to fill in by hand, made from the catalogue: for days without a device. */
final class BlankSheet {

    private static final int ROWS_OF_A_LIST = 6;

    private final StringBuilder html = new StringBuilder();

    private BlankSheet() {}

    static byte[] pdf(List<MethodEntry> methods) {
        BlankSheet sheet = new BlankSheet();
        sheet.html.append("<h1>Field sheet</h1><table>");
        for (String line : List.of("Field, stop", "Date, person", "Soil moisture, days since rain, soil temperature")) {
            sheet.html.append("<tr><td style='width:38%'>").append(line).append("</td><td class='write'></td></tr>");
        }
        sheet.html.append("</table>");
        methods.forEach(sheet::test);
        return PdfWriter.write("Field sheet", sheet.html.toString());
    }

    private void test(MethodEntry method) {
        html.append("<div class='test'><h2 style='margin-top:0'>")
                .append(text(method.title()))
                .append("</h2>");
        method.cautions()
                .forEach(caution ->
                        html.append("<p><b>Mind:</b> ").append(text(caution)).append("</p>"));
        method.timedSteps()
                .forEach(step -> html.append("<p class='soft'>Clock: ")
                        .append(text(step.label()))
                        .append("</p>"));
        html.append("<table>");
        for (ReadingEntry reading : method.readings()) {
            if (reading.items().isEmpty() || !reading.type().equals("list")) {
                line(reading);
            }
        }
        html.append("</table>");
        method.readings().stream()
                .filter(reading ->
                        reading.type().equals("list") && !reading.items().isEmpty())
                .forEach(this::list);
        html.append("</div>");
    }

    private void line(ReadingEntry reading) {
        html.append("<tr><td style='width:38%'>").append(head(reading)).append("</td><td class='write'>");
        html.append(options(reading)).append("</td></tr>");
    }

    private void list(ReadingEntry reading) {
        html.append("<p style='margin-top:2mm'>").append(text(reading.label())).append("</p><table><tr>");
        reading.items().forEach(item -> html.append("<th>").append(head(item)).append("</th>"));
        html.append("</tr>");
        for (int i = 0; i < ROWS_OF_A_LIST; i++) {
            html.append("<tr>");
            reading.items().forEach(item -> html.append("<td class='write'></td>"));
            html.append("</tr>");
        }
        html.append("</table>");
    }

    private static String head(ReadingEntry reading) {
        return text(reading.label()) + (reading.unit() == null ? "" : ", " + text(reading.unit()));
    }

    private static String options(ReadingEntry reading) {
        return text(String.join(
                "   /   ", reading.options().stream().map(OptionEntry::label).toList()));
    }
}
