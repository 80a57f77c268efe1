package org.morphotera.server.reports;

import static org.morphotera.server.reports.PdfWriter.text;

import java.util.List;
import java.util.Locale;
import org.morphotera.core.photo.Card;

/** The card to print for readings from photos, drawn as the core looks for it, and how to use it in four drawings. */
final class PhotoCard {

    /** Of the paper around the middles of the marks, mm: the marks fill the printed width. */
    private static final double EDGE = Card.MARK_MM / 2;

    private static final double WIDE = Card.WIDE_MM + 2 * EDGE;
    private static final double HIGH = Card.HIGH_MM + 2 * EDGE;
    private static final int RULER_FROM = 25;
    private static final int RULER_MM = 190;
    private static final String INK = "#14211e";

    private final StringBuilder svg = new StringBuilder();

    private PhotoCard() {}

    static byte[] pdf() {
        PhotoCard card = new PhotoCard();
        card.draw();
        String body = "<div style='width:" + WIDE + "mm;height:" + HIGH + "mm'>" + card.svg + "</div>"
                + "<h1 style='page-break-before:always'>How to use the card</h1>"
                + "<p>"
                + text("Print the first page at its own size (100 %, not fitted to the paper) on matt white paper. "
                        + "Then hold a ruler to its scale: 100 mm must be 100 mm.")
                + "</p>"
                + "<p>"
                + text("All four squares must be on the picture, the card upright. They show whether it was taken "
                        + "straight; where it was not, it is straightened.")
                + "</p>"
                + Drawings.table()
                + "<p class='soft'>"
                + text("A printer's grey is only about right. For colours lay a bought grey card of "
                        + "18 % on the middle patch, or say what the patch gives back.")
                + "</p>";
        return PdfWriter.write("Card for photos", body);
    }

    private void draw() {
        svg.append(String.format(
                Locale.ROOT,
                "<svg xmlns='http://www.w3.org/2000/svg' width='%.0fmm' height='%.0fmm' viewBox='0 0 %.0f %.0f'>",
                WIDE,
                HIGH,
                WIDE,
                HIGH));
        for (double x : new double[] {0, Card.WIDE_MM}) {
            for (double y : new double[] {0, Card.HIGH_MM}) {
                square(x, y, Card.MARK_MM, "#000");
                square(x, y, Card.FRAME_INSIDE_MM, "#fff");
                square(x, y, Card.CORE_MM, "#000");
            }
        }
        circle(Card.DISH_X_MM, Card.DISH_Y_MM, Card.DISH_RADIUS_MM, "0.6");
        words(Card.DISH_X_MM, Card.DISH_Y_MM + 1, "The dish stands here");
        for (Card.Patch patch : Card.PATCHES) {
            rectangle(
                    patch.xMm() - Card.PATCH_WIDE_MM / 2,
                    Card.PATCH_Y_MM - Card.PATCH_HIGH_MM / 2,
                    Card.PATCH_WIDE_MM,
                    Card.PATCH_HIGH_MM,
                    grey(patch.reflectancePct() / 100));
            words(
                    patch.xMm(),
                    Card.PATCH_Y_MM + Card.PATCH_HIGH_MM / 2 + 4,
                    String.format(Locale.ROOT, "%.0f %%", patch.reflectancePct()));
        }
        circle(Card.SOIL_X_MM, Card.SOIL_Y_MM, 16, "0.3");
        words(Card.SOIL_X_MM, Card.SOIL_Y_MM + 1, "Moist soil here");
        ruler();
        svg.append("</svg>");
    }

    private void square(double x, double y, double side, String fill) {
        rectangle(x - side / 2, y - side / 2, side, side, fill);
    }

    private void rectangle(double x, double y, double wide, double high, String fill) {
        svg.append(String.format(
                Locale.ROOT,
                "<rect x='%.2f' y='%.2f' width='%.2f' height='%.2f' fill='%s'/>",
                x + EDGE,
                y + EDGE,
                wide,
                high,
                fill));
    }

    private void circle(double x, double y, double radius, String line) {
        svg.append(String.format(
                Locale.ROOT,
                "<circle cx='%.2f' cy='%.2f' r='%.2f' fill='none' stroke='%s' stroke-width='%s'/>",
                x + EDGE,
                y + EDGE,
                radius,
                INK,
                line));
    }

    private void words(double x, double y, String words) {
        svg.append(String.format(
                Locale.ROOT,
                "<text x='%.2f' y='%.2f' font-family='Helvetica' font-size='3.4' text-anchor='middle' fill='%s'>%s</text>",
                x + EDGE,
                y + EDGE,
                INK,
                text(words)));
    }

    /** In millimetres, upwards, for a jar that stands before it. */
    private void ruler() {
        double right = WIDE - 4;
        double foot = RULER_FROM + RULER_MM;
        words(right - 5 - EDGE, foot + 4 - EDGE, "mm");
        for (int mm = 0; mm <= RULER_MM; mm++) {
            double length = mm % 10 == 0 ? 7 : mm % 5 == 0 ? 5 : 3;
            svg.append(String.format(
                    Locale.ROOT,
                    "<path d='M%.2f %.2fh%.2f' stroke='%s' stroke-width='0.2'/>",
                    right - length,
                    foot - mm,
                    length,
                    INK));
            if (mm % 10 == 0) {
                svg.append(String.format(
                        Locale.ROOT,
                        "<text x='%.2f' y='%.2f' font-family='Helvetica' font-size='3' text-anchor='end' fill='%s'>%d</text>",
                        right - 8,
                        foot - mm + 1.1,
                        INK,
                        mm));
            }
        }
    }

    /** The sRGB grey that gives back a share of the light (IEC 61966-2-1). */
    private static String grey(double share) {
        long level = Math.round(255 * (1.055 * Math.pow(share, 1 / 2.4) - 0.055));
        return String.format(Locale.ROOT, "#%02x%02x%02x", level, level, level);
    }

    /** Four drawings, each with its words. */
    private static final class Drawings {

        private record Drawing(String title, String words, String lines) {}

        private static final String PHONE = "<rect x='34' y='3' width='32' height='5' rx='2' fill='#14211e'/>"
                + "<path d='M50 8L14 52M50 8L86 52' stroke='#14211e' stroke-width='0.7' stroke-dasharray='2 2'/>";

        private static final List<Drawing> ALL = List.of(
                new Drawing(
                        "Ground cover",
                        "From straight above at the height of the chest, the whole picture ground, your shadow beside it. "
                                + "No card is needed.",
                        PHONE + "<path d='M10 54H90' stroke='#14211e' stroke-width='1.2'/>"
                                + "<path d='M20 54q2 -8 5 -9M27 54q-1 -7 -5 -10M62 54q3 -9 7 -10M70 54q-2 -6 -6 -8' "
                                + "stroke='#0c6a60' stroke-width='1.2' fill='none'/>"
                                + "<ellipse cx='46' cy='53' rx='5' ry='2' fill='#8a8f8d'/>"),
                new Drawing(
                        "Jar",
                        "The card stands behind the jar with its foot where the jar's is. The phone at the height of the "
                                + "soil, so that no line is seen from above.",
                        "<rect x='44' y='6' width='4' height='48' fill='#c9cfcb'/>"
                                + "<path d='M54 14v40h18v-40' stroke='#14211e' stroke-width='1.2' fill='none'/>"
                                + "<rect x='55' y='46' width='16' height='8' fill='#8a6a48'/>"
                                + "<rect x='55' y='41' width='16' height='5' fill='#b08c62'/>"
                                + "<path d='M10 54H90' stroke='#14211e' stroke-width='1.2'/>"
                                + "<rect x='88' y='34' width='4' height='20' rx='1.5' fill='#14211e'/>"
                                + "<path d='M87 44H73' stroke='#14211e' stroke-width='0.7' stroke-dasharray='2 2'/>"),
                new Drawing(
                        "Colour",
                        "Moist soil in its circle, as wide as a coin and flat. Card and soil in the same shade, no sun and "
                                + "no lamp on either.",
                        "<rect x='26' y='6' width='48' height='48' fill='none' stroke='#14211e' stroke-width='1'/>"
                                + "<rect x='30' y='14' width='11' height='12' fill='#bcbcbc'/>"
                                + "<rect x='44.5' y='14' width='11' height='12' fill='#767676'/>"
                                + "<rect x='59' y='14' width='11' height='12' fill='#545454'/>"
                                + "<circle cx='50' cy='41' r='8' fill='#6e5138'/>"),
                new Drawing(
                        "Crumbs",
                        "The light dish on its circle, the phone on something that stands still, straight above. The first "
                                + "picture is of dry crumbs; the rest are taken by the clock.",
                        PHONE + "<path d='M22 50q28 8 56 0' stroke='#14211e' stroke-width='1.2' fill='none'/>"
                                + "<path d='M20 44v6M80 44v6' stroke='#14211e' stroke-width='1.2'/>"
                                + "<circle cx='36' cy='50' r='3' fill='#6e5138'/><circle cx='50' cy='51.5' r='3' "
                                + "fill='#6e5138'/><circle cx='64' cy='50' r='3' fill='#6e5138'/>"));

        private static String table() {
            StringBuilder table = new StringBuilder("<table style='margin-top:6mm'>");
            for (int i = 0; i < ALL.size(); i++) {
                Drawing drawing = ALL.get(i);
                table.append(i % 2 == 0 ? "<tr>" : "")
                        .append("<td style='width:50%;padding:3mm 6mm 5mm 0'>")
                        .append(
                                "<svg xmlns='http://www.w3.org/2000/svg' width='78mm' height='47mm' viewBox='0 0 100 60'>")
                        .append(drawing.lines())
                        .append("</svg><p style='margin:1mm 0 0 0'><b>")
                        .append(text(drawing.title()))
                        .append("</b><br/>")
                        .append(text(drawing.words()))
                        .append("</p></td>")
                        .append(i % 2 == 1 ? "</tr>" : "");
            }
            return table.append("</table>").toString();
        }
    }
}
