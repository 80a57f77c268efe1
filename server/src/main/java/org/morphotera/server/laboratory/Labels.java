package org.morphotera.server.laboratory;

import static org.morphotera.server.reports.PdfWriter.text;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.reports.PdfWriter;

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
        return "<div style='float:right;width:30mm'>" + square(bag.code()) + "</div>"
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
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }

    /** The code to scan as a drawing: one stroke for each run of dark squares. */
    static String square(String code) {
        try {
            BitMatrix bits = new QRCodeWriter()
                    .encode(
                            code,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, 4));
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < bits.getHeight(); y++) {
                for (int x = 0; x < bits.getWidth(); x++) {
                    if (bits.get(x, y)) {
                        int from = x;
                        while (x < bits.getWidth() && bits.get(x, y)) {
                            x++;
                        }
                        path.append('M')
                                .append(from)
                                .append(' ')
                                .append(y)
                                .append('h')
                                .append(x - from);
                        path.append("v1h").append(from - x).append('z');
                    }
                }
            }
            int side = bits.getWidth();
            return "<svg xmlns='http://www.w3.org/2000/svg' width='110' height='110' viewBox='0 0 " + side + " " + side
                    + "'><rect width='" + side + "' height='" + side + "' fill='#ffffff'/><path d='" + path
                    + "' fill='#000000'/></svg>";
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }
}
