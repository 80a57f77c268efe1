package org.morphotera.server.reports;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.faces.FaceBuilder;
import org.morphotera.server.faces.Faces;

/** The soil face of a field as SVG for paper: ground, ruler, and each finding at its depth. */
final class FaceDrawing {

    private static final int WIDTH = 680;
    private static final int ROW = 19;
    private static final int SOIL_X = 46;
    private static final int SOIL_WIDTH = 92;
    private static final int ROWS_X = 212;
    private static final int HEAD = 30;
    private static final int FOOT = 26;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    private static final double[] TINTS = {0, 110, 230, 330, 450};
    private static final String[] SOIL = {"#46362a", "#59452f", "#7a6444", "#97835c", "#8a8770"};
    private static final Map<String, String> COLOURS =
            Map.of("robust", "#0c6a60", "serviceable", "#37658c", "strained", "#935a05", "failing", "#8b2c5b");
    /** The crumb of each level in a square of 20: whole, cracked, broken, scattered. */
    private static final Map<String, String> CRUMBS = Map.of(
            "robust",
            "M6.6 1.6 13.2 1.2 18 5.4 18.8 11.6 15.4 17.2 9 18.8 3.2 16.2 1.2 9.8 2.8 4.4Z",
            "serviceable",
            "M6.6 1.6 9.9 1.4 8.2 6.2 10.8 10 8 13.6 9.2 18.7 3.2 16.2 1.2 9.8 2.8 4.4ZM12 1.3 13.2 1.2 18 5.4 18.8 "
                    + "11.6 15.4 17.2 11.3 18.3 10.4 14.1 13.3 10.1 10.6 6.1Z",
            "strained",
            "M2 5.2 6.2 1.8 9.4 3.6 8.2 7.8 3.4 8.8ZM12.6 3 17 3.4 18.8 7.6 15 10.2 11.6 7.4ZM4.2 12.2 9.6 10.6 12.4 "
                    + "14.2 9.8 18.6 4.8 17.6ZM14.8 13 18 13.6 17.6 17.2 14.4 17Z",
            "failing",
            "M3 3.4h2.6v2.6H3zM9.4 1.8h2.2v2.2H9.4zM15 4.2h2.8v2.8H15zM6.8 7.6h2.4V10H6.8zM12 9h2v2h-2zM2 "
                    + "11.4h2.2v2.2H2zM16.2 11.6h2v2h-2zM8.4 13h2.8v2.8H8.4zM4.2 16.4h2v2h-2zM13.6 15.6H16V18h-2.4z");

    private static final FaceLayout.Sizes SIZES = new FaceLayout.Sizes(ROW, 7, 34, 240);

    private final StringBuilder svg = new StringBuilder();
    private final ShownUnits units;
    private final FaceLayout face;

    private FaceDrawing(List<Faces.FindingView> findings, ShownUnits units) {
        this.units = units;
        this.face = FaceBuilder.layout(findings, SIZES);
    }

    static String of(List<Faces.FindingView> findings, ShownUnits units) {
        FaceDrawing drawing = new FaceDrawing(findings, units);
        drawing.ground();
        drawing.rows(findings);
        return String.format(
                        Locale.ROOT,
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%.0f\" viewBox=\"0 0 %d %.0f\" "
                                + "font-family=\"Helvetica\" font-size=\"11\">",
                        WIDTH,
                        drawing.face.height(),
                        WIDTH,
                        drawing.face.height())
                + drawing.svg
                + "</svg>";
    }

    /** The drawing by itself: with whose it is above it, and the unit of depth and the day below. */
    static String titled(String field, LocalDate day, List<Faces.FindingView> findings, ShownUnits units) {
        String face = of(findings, units);
        FaceDrawing drawing = new FaceDrawing(findings, units);
        double height = drawing.face.height() + HEAD + FOOT;
        return String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%.0f\" viewBox=\"0 0 %d %.0f\" "
                        + "font-family=\"Helvetica, Arial, sans-serif\"><rect width=\"%d\" height=\"%.0f\" fill=\"#ffffff\"/>"
                        + "<text x=\"0\" y=\"18\" font-size=\"17\" font-weight=\"bold\" fill=\"#14211e\">%s</text>"
                        + "<svg y=\"%d\" width=\"%d\" height=\"%.0f\" viewBox=\"0 0 %d %.0f\">%s</svg>"
                        + "<text x=\"0\" y=\"%.0f\" font-size=\"11\" fill=\"#4b5a55\">Depth in %s · %s · Morphotera</text></svg>",
                WIDTH,
                height,
                WIDTH,
                height,
                WIDTH,
                height,
                PdfWriter.text(field),
                HEAD,
                WIDTH,
                drawing.face.height(),
                WIDTH,
                drawing.face.height(),
                face,
                height - 8,
                units.symbol("mm"),
                day.format(DAY));
    }

    private void add(String format, Object... args) {
        svg.append(String.format(Locale.ROOT, format, args));
    }

    private void ground() {
        for (int i = 0; i < TINTS.length && TINTS[i] < face.maxDepthMm(); i++) {
            double to = i + 1 < TINTS.length ? Math.min(TINTS[i + 1], face.maxDepthMm()) : face.maxDepthMm();
            add(
                    "<rect x=\"%d\" y=\"%.1f\" width=\"%d\" height=\"%.1f\" fill=\"%s\"/>",
                    SOIL_X, face.y(TINTS[i]), SOIL_WIDTH, face.y(to) - face.y(TINTS[i]), SOIL[i]);
        }
        for (double mm = 0; mm <= face.maxDepthMm(); mm += 100) {
            add(
                    "<text x=\"%d\" y=\"%.1f\" text-anchor=\"end\" fill=\"#4b5a55\">%s</text>",
                    SOIL_X - 8,
                    face.y(mm) + 4,
                    PdfWriter.text(units.text(mm, "mm").split(" ")[0]));
        }
        add(
                "<line x1=\"0\" x2=\"%d\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#14211e\" stroke-width=\"1.2\"/>",
                WIDTH, face.surface(), face.surface());
        for (int i = 0; i < 9; i++) {
            add(
                    "<path d=\"M%d %.1f q1 -8 %d -%d\" stroke=\"#4a7a3c\" fill=\"none\" stroke-width=\"1.3\"/>",
                    SOIL_X + 6 + i * 10, face.surface(), i % 3 - 1, 9 + i * 5 % 9);
        }
    }

    private void rows(List<Faces.FindingView> findings) {
        for (FaceLayout.Group group : face.groups()) {
            if (group.layer() != null) {
                bracket(group, findings);
            }
        }
        for (int i = 0; i < findings.size(); i++) {
            row(findings.get(i), face.rowY().get(i));
        }
    }

    /** One bracket over the layer, in the colour of its lowest finding, and one stroke that leads to its rows. */
    private void bracket(FaceLayout.Group group, List<Faces.FindingView> findings) {
        Faces.FindingView lowest = group.rows().stream()
                .map(findings::get)
                .min(Comparator.comparingDouble(Faces.FindingView::standing))
                .orElseThrow();
        double top = face.y(group.layer().topMm());
        double bottom = face.y(group.layer().bottomMm());
        double rows = (face.rowY().get(group.rows().get(0))
                        + face.rowY().get(group.rows().get(group.rows().size() - 1)))
                / 2;
        double x = SOIL_X + SOIL_WIDTH + 8 + group.lane() * 6;
        add(
                "<path d=\"M%.1f %.1fh3V%.1fh-3\" fill=\"none\" stroke=\"%s\" stroke-width=\"1.6\"/>",
                x - 3, top + 1, bottom - 1, COLOURS.get(lowest.level()));
        add(
                "<path d=\"M%.1f %.1fL%d %.1f\" stroke=\"#b3bdb6\" stroke-width=\"0.6\"/>",
                x, (top + bottom) / 2, ROWS_X - 4, rows);
    }

    private void row(Faces.FindingView finding, double at) {
        String colour = COLOURS.get(finding.level());
        add(
                "<g transform=\"translate(%d %.1f) scale(0.6)\"><path d=\"%s\" fill=\"%s\"/></g>",
                ROWS_X, at - 6, CRUMBS.get(finding.level()), colour);
        add("<text x=\"%d\" y=\"%.1f\">%s</text>", ROWS_X + 18, at + 4, PdfWriter.text(finding.label()));
        add(
                "<text x=\"%d\" y=\"%.1f\" fill=\"%s\" font-weight=\"bold\">%s</text>",
                ROWS_X + 168, at + 4, colour, PdfWriter.text(GrowerReport.figure(finding, units)));
        add("<text x=\"%d\" y=\"%.1f\" fill=\"%s\">%s</text>", ROWS_X + 272, at + 4, colour, finding.level());
        double left = ROWS_X + 348;
        double wide = 108;
        add(
                "<line x1=\"%.1f\" x2=\"%.1f\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#cdd5cf\"/>",
                left, left + wide, at + 4, at + 4);
        add(
                "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"6\" fill=\"%s\" fill-opacity=\"0.28\"/>",
                left + finding.lowest() * wide,
                at - 4,
                Math.max(2, (finding.highest() - finding.lowest()) * wide),
                colour);
        add(
                "<rect x=\"%.1f\" y=\"%.1f\" width=\"2\" height=\"9\" fill=\"%s\"/>",
                left + finding.standing() * wide - 1, at - 6, colour);
    }
}
