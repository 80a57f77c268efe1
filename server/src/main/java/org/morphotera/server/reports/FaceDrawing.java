package org.morphotera.server.reports;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.faces.Faces;

/** The soil face of a field as SVG for paper: ground, ruler, and each finding at its depth. */
final class FaceDrawing {

    private static final int WIDTH = 680;
    private static final int SOIL_X = 46;
    private static final int SOIL_WIDTH = 104;
    private static final int EDGE_X = SOIL_X + SOIL_WIDTH + 5;
    private static final int ROWS_X = EDGE_X + 16;
    private static final int HEAD = 30;
    private static final int FOOT = 26;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    /** Where no colour was recorded, the ground is drawn paler downward. */
    private static final double[] UNRECORDED = {0, 110, 230, 330, 450};

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

    private static final FaceLayout.Sizes SIZES = new FaceLayout.Sizes(20, 17, 6, 26);
    private static final int NAMED = 3;

    private final StringBuilder svg = new StringBuilder();
    private final ShownUnits units;
    private final Faces.FieldFaceView view;
    private final FaceLayout.Drawn face;

    private FaceDrawing(Faces.FieldFaceView view, ShownUnits units) {
        this.units = units;
        this.view = view;
        this.face = view.layout().drawn(SIZES);
    }

    static String of(Faces.FieldFaceView view, ShownUnits units) {
        FaceDrawing drawing = new FaceDrawing(view, units);
        drawing.ground();
        drawing.ruler();
        for (int band = 0; band < view.layout().bands().size(); band++) {
            drawing.band(band);
        }
        return String.format(
                        Locale.ROOT,
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%.0f\" viewBox=\"0 0 %d %.0f\" "
                                + "font-family=\"Helvetica\" font-size=\"11\">",
                        WIDTH,
                        drawing.height(),
                        WIDTH,
                        drawing.height())
                + drawing.svg
                + "</svg>";
    }

    private double height() {
        return face.height() + 6;
    }

    /** The drawing by itself: with whose it is above it, and the unit of depth and the day below. */
    static String titled(Faces.FieldFaceView view, LocalDate day, ShownUnits units) {
        double drawn = new FaceDrawing(view, units).height();
        double height = drawn + HEAD + FOOT;
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
                PdfWriter.text(view.field().name()),
                HEAD,
                WIDTH,
                drawn,
                WIDTH,
                drawn,
                of(view, units),
                height - 8,
                units.symbol("mm"),
                day.format(DAY));
    }

    private void add(String format, Object... args) {
        svg.append(String.format(Locale.ROOT, format, args));
    }

    private double x(double across) {
        return SOIL_X + across * SOIL_WIDTH;
    }

    private void tint(double fromMm, double toMm, String colour) {
        add(
                "<rect x=\"%d\" y=\"%.1f\" width=\"%d\" height=\"%.1f\" fill=\"%s\"/>",
                SOIL_X, face.y(fromMm), SOIL_WIDTH, face.y(toMm) - face.y(fromMm), colour);
    }

    private void ground() {
        GroundPicture ground = view.ground();
        double deepest = view.layout().deepestMm();
        for (int i = 0; i < UNRECORDED.length && UNRECORDED[i] < deepest; i++) {
            tint(UNRECORDED[i], i + 1 < UNRECORDED.length ? Math.min(UNRECORDED[i + 1], deepest) : deepest, SOIL[i]);
        }
        for (GroundPicture.Tint tint : ground.tints()) {
            tint(tint.topMm(), Math.min(tint.bottomMm(), deepest), tint.colour());
        }
        if (ground.waterMm() != null && ground.waterMm() < deepest) {
            add(
                    "<rect x=\"%d\" y=\"%.1f\" width=\"%d\" height=\"%.1f\" fill=\"#5c88a4\" fill-opacity=\"0.45\"/>",
                    SOIL_X, face.y(ground.waterMm()), SOIL_WIDTH, face.y(deepest) - face.y(ground.waterMm()));
        }
        for (GroundPicture.Root root : ground.roots()) {
            double down = face.y(root.toMm()) - face.surface();
            add(
                    "<path d=\"M%.1f %.1fq%.1f %.1f %.1f %.1f\" stroke=\"#e6d9b8\" stroke-opacity=\"0.8\" fill=\"none\" "
                            + "stroke-width=\"1.1\"/>",
                    x(root.x()), face.surface(), 8 * root.bend(), down * 0.5, -4 * root.bend(), down);
        }
        ground.dots().forEach(this::dot);
        if (ground.panMm() != null) {
            add(
                    "<path d=\"M%d %.1fh%d\" stroke=\"#14211e\" stroke-width=\"2\" stroke-dasharray=\"9 3\"/>",
                    SOIL_X, face.y(ground.panMm()), SOIL_WIDTH);
        }
        add(
                "<line x1=\"0\" x2=\"%d\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#14211e\" stroke-width=\"1.2\"/>",
                WIDTH, face.surface(), face.surface());
        int blades = ground.coverShare() == null ? 0 : (int) Math.round(18 * ground.coverShare());
        for (int i = 0; i < blades; i++) {
            add(
                    "<path d=\"M%.1f %.1fq1 -8 %d -%d\" stroke=\"#4a7a3c\" fill=\"none\" stroke-width=\"1.3\"/>",
                    x((i + 0.5) / blades), face.surface(), i % 3 - 1, 8 + i * 5 % 9);
        }
    }

    private void dot(GroundPicture.Dot dot) {
        double y = face.y(dot.mm());
        switch (Coded.find(GroundMark.Kind.values(), dot.kind())) {
            case WORMS ->
                add(
                        "<path d=\"M%.1f %.1fq4 -5 8 0t7 0\" stroke=\"#d99a88\" stroke-width=\"2\" fill=\"none\"/>",
                        x(dot.x()) - 7, y);
            case STONES ->
                add(
                        "<ellipse cx=\"%.1f\" cy=\"%.1f\" rx=\"%.1f\" ry=\"%.1f\" fill=\"#a9a79d\"/>",
                        x(dot.x()), y, 5 * dot.size(), 3.4 * dot.size());
            case MOTTLES ->
                add("<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\" fill=\"#b5622f\"/>", x(dot.x()), y, 3 * dot.size());
            default ->
                add(
                        "<rect x=\"%.1f\" y=\"%.1f\" width=\"2.4\" height=\"2.4\" fill=\"#f3f1ea\"/>",
                        x(dot.x()) - 1.2, y - 1.2);
        }
    }

    /** The true depth at each end of a band, however tall it is drawn. */
    private void ruler() {
        for (FaceLayout.FaceBand band : view.layout().bands()) {
            add(
                    "<text x=\"%d\" y=\"%.1f\" text-anchor=\"end\" fill=\"#4b5a55\">%s</text>",
                    SOIL_X - 8,
                    face.y(band.bottomMm()) + 4,
                    PdfWriter.text(units.text(band.bottomMm(), "mm").split(" ")[0]));
        }
    }

    /** What was found in a band: an edge in the colour of its lowest, the rows told, and the rest in a line. */
    private void band(int index) {
        FaceLayout.FaceBand band = view.layout().bands().get(index);
        double y = face.top(index);
        if (index > 1) {
            add(
                    "<line x1=\"%d\" x2=\"%d\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#cdd5cf\" stroke-width=\"0.6\"/>",
                    SOIL_X + SOIL_WIDTH, WIDTH, y, y);
        }
        if (band.holdsNothing()) {
            add("<text x=\"%d\" y=\"%.1f\" fill=\"#4b5a55\">nothing measured</text>", ROWS_X, y + 17);
            return;
        }
        List<Faces.FindingView> shown =
                band.shown().stream().map(view.findings()::get).toList();
        add(
                "<rect x=\"%d\" y=\"%.1f\" width=\"4\" height=\"%.1f\" rx=\"2\" fill=\"%s\"/>",
                EDGE_X,
                y + 3,
                face.top(index + 1) - y - 6,
                COLOURS.get(shown.get(0).level()));
        y += SIZES.pad();
        for (int i = 0; i < shown.size(); i++) {
            double tall = i == 0 ? SIZES.first() : SIZES.line();
            row(shown.get(i), y + tall / 2, i == 0);
            y += tall;
        }
        if (!band.folded().isEmpty()) {
            add(
                    "<text x=\"%d\" y=\"%.1f\" fill=\"#4b5a55\">%s</text>",
                    ROWS_X, y + SIZES.line() / 2 + 4, PdfWriter.text(rest(band)));
        }
    }

    /** Those that hold or are serviceable, by name as far as they are few. */
    private String rest(FaceLayout.FaceBand band) {
        List<String> names = band.folded().stream()
                .map(i -> GrowerReport.lower(view.findings().get(i).label()))
                .toList();
        return names.size() <= NAMED + 1
                ? "also " + String.join(", ", names)
                : "also " + String.join(", ", names.subList(0, NAMED)) + " and " + (names.size() - NAMED) + " more";
    }

    private void row(Faces.FindingView finding, double at, boolean first) {
        String colour = COLOURS.get(finding.level());
        String figure = GrowerReport.figure(finding, units);
        add(
                "<g transform=\"translate(%d %.1f) scale(0.6)\"><path d=\"%s\" fill=\"%s\"/></g>",
                ROWS_X, at - 6, CRUMBS.get(finding.level()), colour);
        add(
                "<text x=\"%d\" y=\"%.1f\" font-weight=\"%s\">%s</text>",
                ROWS_X + 18, at + 4, first ? "bold" : "normal", PdfWriter.text(finding.label()));
        add(
                "<text x=\"%d\" y=\"%.1f\" fill=\"%s\" font-weight=\"bold\">%s</text>",
                ROWS_X + 190, at + 4, colour, PdfWriter.text(figure));
        add("<text x=\"%d\" y=\"%.1f\" fill=\"%s\">%s</text>", ROWS_X + 300, at + 4, colour, finding.level());
        double left = ROWS_X + 384;
        double wide = WIDTH - left - 4;
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
