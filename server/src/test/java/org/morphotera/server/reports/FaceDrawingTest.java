package org.morphotera.server.reports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.faces.FaceBuilder;
import org.morphotera.server.faces.Faces;
import org.xml.sax.InputSource;

/** The face on paper: each finding with its figure at its depth, as the core lays it out. */
@Tag("no-database")
class FaceDrawingTest {

    private static Faces.FindingView finding(String label, Double top, Double bottom, double standing, double figure) {
        String level = standing >= 0.75 ? "robust" : standing >= 0.25 ? "strained" : "failing";
        return new Faces.FindingView(
                label,
                label,
                "method",
                "band",
                top,
                bottom,
                level,
                standing,
                standing,
                standing,
                figure,
                null,
                null,
                "mm/h",
                null,
                LocalDate.of(2026, 4, 1),
                List.of(),
                List.of(),
                List.of());
    }

    private static final List<Faces.FindingView> FINDINGS = List.of(
            finding("Cover & litter", null, null, 0.9, 80),
            finding("Water in", 0.0, 50.0, 0.9, 81.1),
            finding("Structure", 0.0, 200.0, 0.4, 12),
            finding("Drainage", 0.0, 200.0, 0.1, 3));

    private static Faces.FieldFaceView view(List<Faces.FindingView> findings, GroundMark... marks) {
        GroundPicture ground = GroundPicture.of(List.of(marks));
        return new Faces.FieldFaceView(
                null,
                null,
                null,
                List.of(),
                findings,
                List.of(),
                null,
                List.of(),
                0,
                List.of(),
                false,
                List.of(),
                null,
                FaceBuilder.layout(findings, ground),
                ground,
                null,
                null,
                null);
    }

    private static String drawn(boolean us) {
        return FaceDrawing.of(view(FINDINGS), ShownUnits.of(us));
    }

    @Test
    void isWellFormedWhateverALabelHolds() throws Exception {
        assertThat(DocumentBuilderFactory.newInstance()
                        .newDocumentBuilder()
                        .parse(new InputSource(new StringReader(drawn(false))))
                        .getDocumentElement()
                        .getTagName())
                .isEqualTo("svg");
    }

    @Test
    void figuresStandInTheUnitsOfWhoeverPrints() {
        assertThat(drawn(false)).contains("81.1 mm/h", "robust", "strained", "failing");
        assertThat(drawn(true)).contains("3.19 in/h").doesNotContain("mm/h");
    }

    @Test
    void rowsLieInOrderOfDepthAndNoneOverAnother() {
        List<Double> rows = new ArrayList<>();
        Matcher row = Pattern.compile("<text x=\"189\" y=\"([\\d.]+)\"").matcher(drawn(false));
        while (row.find()) {
            rows.add(Double.parseDouble(row.group(1)));
        }
        assertThat(rows).hasSize(FINDINGS.size()).isSorted();
        for (int i = 1; i < rows.size(); i++) {
            assertThat(rows.get(i) - rows.get(i - 1)).isGreaterThanOrEqualTo(16.9);
        }
    }

    @Test
    void theEdgeOfABandIsInTheColourOfItsLowest() {
        Matcher edge = Pattern.compile("rx=\"2\" fill=\"(#\\w+)\"").matcher(drawn(false));
        List<String> colours = new ArrayList<>();
        while (edge.find()) {
            colours.add(edge.group(1));
        }
        // above the ground, the first 100 mm, and from 100 to 200 where drainage bites
        assertThat(colours).containsExactly("#0c6a60", "#0c6a60", "#8b2c5b");
    }

    @Test
    void whatIsWellIsNamedInOneLineAsFarAsItIsFew() {
        List<Faces.FindingView> many = new ArrayList<>();
        for (int i = 0; i < 7; i++) {
            many.add(finding("Well " + i, 0.0, 100.0, 0.8 + 0.01 * i, i));
        }
        assertThat(FaceDrawing.of(view(many), ShownUnits.METRIC))
                .contains("also well 1, well 2, well 3 and 3 more")
                .doesNotContain("Well 4");
        List<Faces.FindingView> few = new ArrayList<>(many.subList(0, 4));
        few.add(finding("pH", 0.0, 100.0, 0.95, 6.4));
        assertThat(FaceDrawing.of(view(few), ShownUnits.METRIC)).contains("also well 1, well 2, well 3, pH<");
    }

    @Test
    void theGroundIsDrawnAsItsTestsSawIt() {
        String bare = FaceDrawing.of(view(FINDINGS), ShownUnits.METRIC);
        String seen = FaceDrawing.of(
                view(
                        FINDINGS,
                        GroundMark.colour(new DepthLayer(0, 200), "#123456"),
                        GroundMark.pan(240, "compaction"),
                        GroundMark.cover(0.5),
                        GroundMark.of(GroundMark.Kind.WORMS, new DepthLayer(0, 200), 4)),
                ShownUnits.METRIC);
        assertThat(bare).doesNotContain("#123456", "stroke-dasharray", "#4a7a3c", "#d99a88");
        assertThat(seen).contains("#123456", "stroke-dasharray");
        assertThat(seen.split("#4a7a3c", -1)).hasSize(1 + 9);
        assertThat(seen.split("#d99a88", -1)).hasSize(1 + 4);
    }

    @Test
    void nothingMeasuredIsBareGround() {
        assertThat(FaceDrawing.of(view(List.of()), ShownUnits.METRIC))
                .startsWith("<svg")
                .endsWith("</svg>");
    }
}
