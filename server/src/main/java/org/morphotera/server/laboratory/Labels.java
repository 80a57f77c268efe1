package org.morphotera.server.laboratory;

import static org.morphotera.server.reports.PdfWriter.text;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.reports.PdfWriter;
import org.morphotera.server.web.ScanCode;

/** Labels of bags, eight to a sheet of A4, each with a code to scan. */
final class Labels {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    private static final int ACROSS = 2;
    private static final int DOWN = 4;

    private Labels() {}

    static byte[] pdf(String practice, List<Bag> bags, ShownUnits units, Messages messages, ZoneId zone) {
        StringBuilder html = new StringBuilder();
        for (int i = 0; i < bags.size(); i++) {
            if (i % (ACROSS * DOWN) == 0) {
                html.append(i == 0 ? "" : "</table>").append("<table style='table-layout:fixed");
                html.append(i == 0 ? "'>" : ";page-break-before:always'>");
            }
            html.append(i % ACROSS == 0 ? "<tr>" : "");
            html.append("<td style='height:60mm;border:0.4pt dashed #b3bdb6;padding:4mm'>");
            html.append(label(practice, bags.get(i), units, messages, zone)).append("</td>");
            if (i % ACROSS == 1 || i == bags.size() - 1) {
                html.append(i % ACROSS == 0 ? "<td style='border:0'></td>" : "").append("</tr>");
            }
        }
        html.append("</table>");
        return PdfWriter.write("Labels", html.toString());
    }

    private static String label(String practice, Bag bag, ShownUnits units, Messages messages, ZoneId zone) {
        String tests = bag.tests().stream()
                .map(test -> messages.text("composite.option.tests." + test))
                .collect(Collectors.joining(", "));
        LocalDate on = bag.takenAt().atZone(zone).toLocalDate();
        return "<div style='float:right;width:30mm'>" + ScanCode.svg(bag.code(), 110) + "</div>"
                + "<p style='font-size:17pt;font-weight:bold;margin:0'>"
                + bag.code().substring(0, 3) + " "
                + bag.code().substring(3) + "</p>"
                + "<p style='margin:1mm 0 0 0'><b>" + text(cut(bag.field(), 60)) + "</b><br/>"
                + text(cut(bag.stops(), 90)) + "<br/>"
                + text(units.text(bag.depthTopMm(), "mm") + " to " + units.text(bag.depthBottomMm(), "mm")) + "<br/>"
                + on.format(DAY) + ", " + text(cut(bag.sampler(), 40)) + "</p>"
                + "<p style='margin:1.5mm 0 0 0'>" + text(tests)
                + (bag.cool() ? "<br/><b>Keep cool, not airtight</b>" : "") + "</p>"
                + "<p class='soft' style='margin:1.5mm 0 0 0'>" + text(cut(practice, 60)) + "</p>";
    }

    private static String cut(String text, int most) {
        // never in the middle of a character
        return text.length() <= most
                ? text
                : text.substring(0, text.offsetByCodePoints(0, text.codePointCount(0, most - 1))) + "…";
    }
}
