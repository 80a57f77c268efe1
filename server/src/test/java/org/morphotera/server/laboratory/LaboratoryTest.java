package org.morphotera.server.laboratory;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.Result;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.qrcode.QRCodeMultiReader;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;

/** A composite's way to a laboratory and back. */
class LaboratoryTest {

    private static final LocalDate DAY = LocalDate.now().minusDays(3);

    private static final int DAMAGES = Integer.getInteger("morphotera.damages", 40);

    @TempDir
    static Path folder;

    private static OwnApp app;
    private static ApiClient advisor;

    @BeforeAll
    static void start() {
        app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"), "--morphotera.simulated-laboratory-delay=PT0S");
        advisor = app.client();
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static String laboratory(boolean simulated) {
        String id = UUID.randomUUID().toString();
        Land.ok(advisor.put(
                "/api/laboratories/" + id,
                Map.of(
                        "name",
                        "Loamworks",
                        "simulated",
                        simulated,
                        "prices",
                        List.of(Map.of("test", "ph", "price", 9.5), Map.of("test", "cations", "price", 22)),
                        "version",
                        0)));
        return id;
    }

    private static Map<String, Object> bag(Land land, String visit, List<String> tests) {
        Answer answer = advisor.put(
                "/api/bags/" + UUID.randomUUID(),
                Map.of(
                        "visitId",
                        visit,
                        "stopIds",
                        land.stops,
                        "depthTopMm",
                        0,
                        "depthBottomMm",
                        200,
                        "takenAt",
                        DAY + "T10:00:00Z",
                        "sampler",
                        "Somebody",
                        "tests",
                        tests,
                        "cores",
                        20,
                        "version",
                        0));
        Land.ok(answer);
        return answer.json();
    }

    private static Answer results(String laboratory, String text, Map<String, Object> form, boolean store) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of("text", text, "store", store));
        if (form != null) {
            body.put("form", form);
        }
        return advisor.post("/api/laboratories/" + laboratory + "/results", body);
    }

    private static List<String> fields(List<Map<String, Object>> errors) {
        return errors.stream().map(each -> each.get("field").toString()).toList();
    }

    @Test
    void aCompositeGoesOutAndItsFiguresComeBackToItsStop() {
        Land land = new Land(advisor, 3);
        String visit = land.visit(DAY);
        land.ph(visit, 0, "vial-kit", 6.6, DAY);
        String laboratory = laboratory(true);
        Map<String, Object> first = bag(land, visit, List.of("ph", "cations"));
        assertThat(first.get("code").toString()).matches("[2-9A-HJKMNP-Z]{6}");
        assertThat(first).containsEntry("state", "here").containsEntry("stops", "Stop 1, Stop 2, Stop 3");
        assertThat(Instant.parse(first.get("until").toString()))
                .isEqualTo(Instant.parse(DAY + "T10:00:00Z").plusSeconds(14 * 86_400));

        String dispatch = UUID.randomUUID().toString();
        Answer sent = advisor.put(
                "/api/dispatches/" + dispatch,
                Map.of(
                        "laboratoryId",
                        laboratory,
                        "sentAt",
                        DAY + "T15:00:00Z",
                        "bagIds",
                        List.of(first.get("id")),
                        "version",
                        0));
        Land.ok(sent);
        assertThat(sent.json()).containsEntry("total", 31.5).containsEntry("answer", true);
        assertThat(advisor.get("/api/bags?code=" + first.get("code")).list().get(0))
                .containsEntry("state", "sent");
        assertThat(advisor.delete("/api/bags/" + first.get("id")).status()).isEqualTo(422);

        String faulty = advisor.get("/api/dispatches/" + dispatch + "/answer.csv?faulty=true")
                .text();
        Answer looked = results(laboratory, faulty, null, false);
        assertThat(looked.status()).isEqualTo(200);
        assertThat(fields(Land.rows(looked.json(), "errors"))).hasSize(3).anyMatch(at -> at.startsWith("line 3"));
        assertThat(results(laboratory, faulty, null, true).status()).isEqualTo(422);
        assertThat(advisor.get("/api/bags?code=" + first.get("code")).list().get(0))
                .containsEntry("state", "sent");

        String sound =
                advisor.get("/api/dispatches/" + dispatch + "/answer.csv").text();
        Answer kept = results(laboratory, sound, null, true);
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        assertThat(Land.rows(kept.json(), "errors")).isEmpty();
        List<Map<String, Object>> figures =
                Land.rows(Land.rows(kept.json(), "bags").get(0), "figures");
        assertThat(figures.stream().map(each -> each.get("analyte"))).contains("ph-water", "ph-cacl2", "cec", "ex-na");
        Map<String, Object> answered =
                advisor.get("/api/bags?code=" + first.get("code")).list().get(0);
        assertThat(answered).containsEntry("state", "answered");
        Map<String, Object> measurement = Land.part(
                advisor.get("/api/measurements/" + answered.get("measurementId"))
                        .json(),
                "measurement");
        assertThat(measurement)
                .containsEntry("method", "lab-result")
                .containsEntry("stopId", land.stops.get(0))
                .containsEntry("takenAt", DAY + "T10:00:00Z");
        assertThat(measurement.get("note").toString()).contains("composite of Stop 1, Stop 2, Stop 3");
        // the laboratory speaks for pH now, whatever a kit said
        assertThat(Land.rows(land.face(), "findings").stream()
                        .filter(each -> each.get("indicator").equals("ph"))
                        .map(each -> ((Number) each.get("figure")).doubleValue()))
                .contains(((Number) figures.stream()
                                .filter(each -> each.get("analyte").equals("ph-water"))
                                .findFirst()
                                .orElseThrow()
                                .get("value"))
                        .doubleValue());
        // the same file again changes nothing; another figure for the same bag is refused
        Answer again = results(laboratory, sound, null, true);
        assertThat(Land.rows(again.json(), "bags").get(0)).containsEntry("already", true);
        String other = sound.replaceFirst(";(\\d)\\.(\\d);", ";9.9;");
        assertThat(results(laboratory, other, null, true).text()).contains("has other figures already");
        assertThat(advisor.delete("/api/dispatches/" + dispatch).status()).isEqualTo(422);
    }

    @Test
    void aFormIsChosenOnceAndRemembered() {
        Land land = new Land(advisor, 1);
        String visit = land.visit(DAY);
        String laboratory = laboratory(false);
        Map<String, Object> bag = bag(land, visit, List.of("ece", "organic-matter"));
        String text = "Ref;Salz;Humus\r\n" + bag.get("code") + ";2500;31\r\n";
        Map<String, Object> form = Map.of(
                "code",
                "Ref",
                "columns",
                List.of(
                        Map.of("name", "Salz", "analyte", "ece", "unit", "µS/cm"),
                        Map.of("name", "Humus", "analyte", "organic-matter", "unit", "g/kg")));
        Answer wrong = results(
                laboratory,
                text,
                Map.of("code", "Ref", "columns", List.of(Map.of("name", "Salz", "analyte", "ece", "unit", "mg/kg"))),
                false);
        assertThat(fields(Land.rows(wrong.json(), "errors"))).containsExactly("line 1, Salz");
        Answer looked = results(laboratory, text, form, false);
        assertThat(Land.rows(looked.json(), "bags")).hasSize(1);
        assertThat(advisor.get("/api/bags?code=" + bag.get("code")).list().get(0))
                .containsEntry("state", "here");
        Land.ok(results(laboratory, text, form, true));
        Map<String, Object> second = bag(land, visit, List.of("ece"));
        Answer kept = results(laboratory, "Ref;Salz;Humus\r\n" + second.get("code") + ";\"4,5\";29\r\n", null, true);
        // 4.5 of micro: as the remembered form says
        assertThat(Land.rows(Land.rows(kept.json(), "bags").get(0), "figures").get(0))
                .containsEntry("value", 0.0045)
                .containsEntry("unit", "dS/m");
    }

    @Test
    void aPreviewSaysWhatTheResultsWouldChange() {
        Land land = new Land(advisor, 1, Map.of("crop", "barley"));
        String visit = land.visit(DAY);
        land.ph(visit, 0, "vial-kit", 6.8, DAY);
        Map<String, Object> bag = bag(land, visit, List.of("ph", "cations"));
        String text = "Bag,pH (CaCl2),CEC [cmol/kg],Al exch. [cmol/kg]\n" + bag.get("code") + ",4.1,10,2.2\n";
        Answer looked = results(laboratory(false), text, null, false);
        assertThat(Land.rows(looked.json(), "changes")).as(looked.text()).hasSize(1);
        Map<String, Object> change = Land.rows(looked.json(), "changes").get(0);
        assertThat(change.get("field")).isEqualTo("Test polder");
        assertThat(change.get("after")).isNotEqualTo(change.get("before"));
        assertThat(change.get("after").toString()).contains("too sour");
        assertThat(land.face().get("leading")).isNull();
    }

    @Test
    void labelsCarryACodeThatACameraReads() throws Exception {
        Land land = new Land(advisor, 2);
        String visit = land.visit(DAY);
        List<String> codes = new ArrayList<>();
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            Map<String, Object> bag = bag(land, visit, i % 2 == 0 ? List.of("ph") : List.of("nitrate-n"));
            codes.add(bag.get("code").toString());
            ids.add(bag.get("id").toString());
        }
        try (PDDocument pdf = Loader.loadPDF(advisor.bytes("/api/labels.pdf?bags=" + String.join(",", ids)))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
            String text = new PDFTextStripper().getText(pdf);
            assertThat(text).contains("Test polder", "Stop 1, Stop 2", "Somebody", "Nitrate", "Keep cool");
            List<String> read = new ArrayList<>();
            for (int page = 0; page < 2; page++) {
                BufferedImage image = new PDFRenderer(pdf).renderImageWithDPI(page, 150);
                int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
                for (Result each : new QRCodeMultiReader()
                        .decodeMultiple(
                                new BinaryBitmap(new HybridBinarizer(
                                        new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels))),
                                Map.of(DecodeHintType.TRY_HARDER, true))) {
                    read.add(each.getText());
                }
            }
            assertThat(read).containsExactlyInAnyOrderElementsOf(codes);
        }
        assertThat(advisor.get("/api/labels.pdf?bags=nonsense").status()).isEqualTo(422);
    }

    @Test
    void aMisreadCodeIsToldFromAnUnknownOne() {
        Land land = new Land(advisor, 1);
        String code = bag(land, land.visit(DAY), List.of("ph")).get("code").toString();
        assertThat(advisor.get("/api/bags?code=" + code.toLowerCase(java.util.Locale.ROOT))
                        .list())
                .hasSize(1);
        String swapped = "" + code.charAt(1) + code.charAt(0) + code.substring(2);
        if (!swapped.equals(code)) {
            assertThat(advisor.get("/api/bags?code=" + swapped).status()).isEqualTo(422);
        }
    }

    /** So many damages (2,000 in {@code bin/bench fuzz}) to a laboratory's file: nothing is stored, nothing answers with an error of ours. */
    @Test
    void noDamagedFileIsStored() {
        Land land = new Land(advisor, 1);
        Map<String, Object> bag = bag(land, land.visit(DAY), List.of("ph", "cations"));
        String laboratory = laboratory(false);
        String text = "Bag;pH (CaCl2);CEC [cmol/kg];Al exch. [cmol/kg]\r\n" + bag.get("code") + ";4,1;10;2,2\r\n";
        Random random = new Random(13);
        int faulty = 0;
        for (int i = 0; i < DAMAGES; i++) {
            StringBuilder damaged = new StringBuilder(text);
            int at = random.nextInt(damaged.length());
            switch (random.nextInt(3)) {
                case 0 -> damaged.setCharAt(at, (char) (32 + random.nextInt(90)));
                case 1 -> damaged.insert(at, "\";,\n<-e".charAt(random.nextInt(7)));
                default -> damaged.delete(at, Math.min(damaged.length(), at + 1 + random.nextInt(12)));
            }
            Answer answer = results(laboratory, damaged.toString(), null, false);
            assertThat(answer.status()).as(damaged.toString()).isEqualTo(200);
            boolean told = !Land.rows(answer.json(), "errors").isEmpty();
            boolean unread = answer.json().get("form") == null;
            faulty += told || unread ? 1 : 0;
        }
        assertThat(faulty).isGreaterThan(DAMAGES / 4);
        assertThat(advisor.get("/api/bags?code=" + bag.get("code")).list().get(0))
                .containsEntry("state", "here");
        assertThat(Land.rows(land.face(), "findings")).isEmpty();
        assertThat(Arrays.asList(results(laboratory, "", null, true).status())).containsExactly(422);
    }
}
