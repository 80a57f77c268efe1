package org.morphotera.server.reports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.springframework.jdbc.core.JdbcTemplate;

/** The grower's report says what the page says, in the units of whoever prints it. */
@ExtendWith(RunningApp.class)
class ReportTest {

    private static final LocalDate DAY = LocalDate.of(2026, 4, 10);

    private final ApiClient advisor;

    ReportTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    @AfterEach
    void metric() {
        advisor.put("/api/me/settings", Map.of("units", "metric", "theme", "desk"));
    }

    private String report(Land land) throws IOException {
        byte[] pdf = advisor.bytes("/api/fields/" + land.field + "/report.pdf");
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    private Land measured() {
        Land land = new Land(advisor, 1, Map.of("areaHa", 8.0, "crop", "barley"));
        String visit = land.visit(DAY);
        land.ph(visit, 0, 6.4, DAY);
        Map<String, Object> run = Map.of("volumeMl", 450, "seconds", 1130);
        Land.ok(land.record(
                visit,
                0,
                "ring-infiltration",
                Map.of("ringDiameterMm", 150, "runs", List.of(run, run), "depthLevel", "surface"),
                DAY,
                Map.of("depthTopMm", 0, "depthBottomMm", 50)));
        return land;
    }

    @Test
    void everyIndicatorOfThePageStandsInTheReport() throws IOException {
        Land land = measured();
        String text = report(land);
        assertThat(text).contains("Test polder", "Sallow Bank", "8 ha", "By depth");
        for (Map<String, Object> finding : Land.rows(land.face(), "findings")) {
            assertThat(text).contains(finding.get("label").toString());
        }
    }

    @Test
    void inUsCustomaryUnitsAreasAreConverted() throws IOException {
        Land land = measured();
        Land.ok(advisor.put("/api/me/settings", Map.of("units", "us", "theme", "desk")));
        String text = report(land);
        assertThat(text).contains("19.8 ac").doesNotContain("8 ha");
    }

    @Test
    void theFirstPageSaysEachLimitWithItsFigureAndWhatToDoHowMuchAndWhenToLookAgain() throws IOException {
        Land land = new Land(advisor, 3, Map.of("crop", "barley", "textureClass", "loam", "areaHa", 4));
        String visit = land.visit(DAY);
        land.ph(visit, 0, 5.0, DAY);
        land.ph(visit, 1, 5.2, DAY);
        land.ph(visit, 2, 5.1, DAY);
        byte[] pdf = advisor.bytes("/api/fields/" + land.field + "/report.pdf");
        String first;
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setEndPage(1);
            first = stripper.getText(document).replaceAll("\\s+", " ");
        }
        assertThat(first)
                .contains("Sour topsoil. pH of the topsoil 5.1: far too sour")
                .contains("All 3 stops. Costs about")
                .contains("To be talked over")
                .containsPattern("Lime, against sour topsoil: [0-9.]+ \\([0-9.]+ to [0-9.]+\\) t/ha of lime")
                .contains("Look again 12 months after it is done: pH by depth.");
    }

    @Test
    void aFieldWithoutTestsHasAReportTooAndAnUnknownOneHasNone() throws IOException {
        assertThat(report(new Land(advisor, 1))).contains("Test polder");
        assertThat(advisor.get("/api/fields/" + java.util.UUID.randomUUID() + "/report.pdf")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void lettersOfEveryScriptAreReadable() throws IOException {
        String words = "Żytnia Ďolík Ñandú Ελιά Почва 土壤 田んぼ 흙 मिट्टी תלם Đất";
        Land land = new Land(advisor, 1, Map.of("name", words, "soilNote", "x"));
        String text = java.text.Normalizer.normalize(report(land), java.text.Normalizer.Form.NFKC);
        for (String word : words.split(" ")) {
            // letters are counted, not their order: scripts that join or run the other way are set letter by letter
            assertThat(text.codePoints().mapToObj(Character::toString))
                    .as(word)
                    .containsAll(word.codePoints().mapToObj(Character::toString).toList());
        }
        assertThat(text).doesNotContain("#");
    }

    @Test
    void aReportWithManyStopsAndLongNamesIsMade() throws IOException {
        Land land = new Land(advisor, 30, Map.of("name", "土壤".repeat(90)));
        String visit = land.visit(DAY);
        for (int stop = 0; stop < 30; stop++) {
            land.ph(visit, stop, 5.5 + stop / 20.0, DAY);
        }
        assertThat(report(land)).contains("土壤");
    }

    @Test
    void thePlanStandsInTheReportWithAmountsAndDatesAndWhatWasDone() throws IOException {
        Land land = measured();
        String agreed = UUID.randomUUID().toString();
        Land.ok(advisor.put(
                "/api/actions/" + agreed,
                Map.of(
                        "fieldId",
                        land.field,
                        "kind",
                        "keep-covered",
                        "inputs",
                        Map.of(),
                        "amount",
                        "3 t/ha of straw",
                        "person",
                        "The contractor",
                        "dueFrom",
                        "2026-09-01",
                        "dueTo",
                        "2026-10-15",
                        "state",
                        "agreed",
                        "version",
                        0)));
        Land.ok(advisor.put(
                "/api/actions/" + UUID.randomUUID(),
                Map.of(
                        "fieldId",
                        land.field,
                        "kind",
                        "cover-crop",
                        "inputs",
                        Map.of(),
                        "state",
                        "done",
                        "doneOn",
                        "2026-04-20",
                        "actualRate",
                        "25 kg/ha of vetch",
                        "followUpOn",
                        "2026-10-01",
                        "version",
                        0)));
        String text = report(land);
        assertThat(text)
                .contains("What is agreed", "3 t/ha of straw", "1 Sep 2026 to 15 Oct 2026", "The contractor")
                .contains("Done of the plan", "25 kg/ha of vetch", "20 Apr 2026", "1 Oct 2026");
        assertThat(text.indexOf("What is agreed")).isLessThan(text.indexOf("By depth"));
    }

    /** However long what stands before it is, the head of a table has a line of it on the same page. */
    @Test
    void noHeadOfATableIsLeftBehindOnAPage() throws IOException {
        Land land = measured();
        Set<String> heads = Set.of("Function Level Standing Seen", "Indicator Depth Stop 1 Field");
        int seen = 0;
        for (int events = 0; events < 40; events++) {
            land.event(DAY.minusDays(events), "other", List.of());
            if (events % 2 == 1) {
                continue;
            }
            byte[] pdf = advisor.bytes("/api/fields/" + land.field + "/report.pdf");
            try (PDDocument document = Loader.loadPDF(pdf)) {
                for (int page = 1; page <= document.getNumberOfPages(); page++) {
                    PDFTextStripper stripper = new PDFTextStripper();
                    stripper.setStartPage(page);
                    stripper.setEndPage(page);
                    List<String> lines = stripper.getText(document)
                            .lines()
                            .map(String::strip)
                            .filter(line -> !line.isEmpty() && !line.matches("Morphotera.*|\\d+ of \\d+"))
                            .toList();
                    assertThat(heads).doesNotContain(lines.get(lines.size() - 1));
                    assertThat(lines.get(lines.size() - 1))
                            .doesNotStartWith("What this soil does")
                            .doesNotStartWith("What was done")
                            .doesNotStartWith("Sheet of");
                    seen += lines.stream().anyMatch(heads::contains) ? 1 : 0;
                }
            }
        }
        assertThat(seen).isGreaterThan(20);
    }

    @Test
    void textsThatPaperCantShowAreLeftOutOfPaperAndDrawings(JdbcTemplate jdbc) throws IOException {
        Land land = measured();
        // as rows of before the rule for texts hold them
        String spoilt = "Sallow\uFFFE\uFFFF\u0007 polder";
        jdbc.update(
                "update field set name = ?, soil_note = ? where id = ?", spoilt, spoilt, UUID.fromString(land.field));
        assertThat(report(land)).contains("Sallow polder");
        Answer drawing = advisor.get("/api/fields/" + land.field + "/face.svg");
        assertThat(drawing.status()).isEqualTo(200);
        assertThat(drawing.text()).contains("Sallow polder").doesNotContain("\uFFFE", "\uFFFF", "\u0007");
        String visit = land.visit(DAY);
        String bag = UUID.randomUUID().toString();
        Land.ok(advisor.put(
                "/api/bags/" + bag,
                Map.of(
                        "visitId",
                        visit,
                        "stopIds",
                        land.stops,
                        "depthTopMm",
                        0,
                        "depthBottomMm",
                        150,
                        "sampler",
                        "Wick",
                        "tests",
                        List.of("ph"),
                        "takenAt",
                        "2026-04-10T10:00:00Z",
                        "version",
                        0)));
        try (PDDocument labels = Loader.loadPDF(advisor.bytes("/api/labels.pdf?bags=" + bag))) {
            assertThat(new PDFTextStripper().getText(labels)).contains("Sallow polder");
        }
    }
}
