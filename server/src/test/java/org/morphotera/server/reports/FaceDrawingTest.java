package org.morphotera.server.reports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.faces.Faces;
import org.xml.sax.InputSource;

/** The face on paper: each finding with its figure at its depth, as the core lays it out. */
@Tag("no-database")
class FaceDrawingTest {

    private static Faces.FindingView finding(String label, Double top, Double bottom, double standing, double figure) {
        String level = standing >= 0.75 ? "robust" : standing >= 0.25 ? "strained" : "failing";
        return new Faces.FindingView(
                label, label, "method", "band", top, bottom, level, standing, standing, standing, figure, null, null,
                "mm/h", null, List.of());
    }

    private static final List<Faces.FindingView> FINDINGS = List.of(
            finding("Cover & litter", null, null, 0.9, 80),
            finding("Water in", 0.0, 50.0, 0.9, 81.1),
            finding("Structure", 0.0, 200.0, 0.4, 12),
            finding("Drainage", 0.0, 200.0, 0.1, 3));

    private static String drawn(boolean us) {
        return FaceDrawing.of(FINDINGS, ShownUnits.of(us));
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
        Matcher row = Pattern.compile("<text x=\"230\" y=\"([\\d.]+)\">").matcher(drawn(false));
        while (row.find()) {
            rows.add(Double.parseDouble(row.group(1)));
        }
        assertThat(rows).hasSize(FINDINGS.size()).isSorted();
        for (int i = 1; i < rows.size(); i++) {
            assertThat(rows.get(i) - rows.get(i - 1)).isGreaterThanOrEqualTo(18.9);
        }
    }

    @Test
    void rowsOfOneLayerShareABracketInTheColourOfTheLowest() {
        Matcher bracket =
                Pattern.compile("stroke=\"(#\\w+)\" stroke-width=\"1.6\"").matcher(drawn(false));
        List<String> colours = new ArrayList<>();
        while (bracket.find()) {
            colours.add(bracket.group(1));
        }
        assertThat(colours).containsExactly("#0c6a60", "#8b2c5b");
    }

    @Test
    void nothingMeasuredIsBareGround() {
        assertThat(FaceDrawing.of(List.of(), ShownUnits.METRIC))
                .startsWith("<svg")
                .endsWith("</svg>");
    }
}
