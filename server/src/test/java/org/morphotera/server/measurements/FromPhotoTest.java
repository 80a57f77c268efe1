package org.morphotera.server.measurements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.photo.Card;
import org.morphotera.core.photo.Picture;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** What a picture proposed stays beside what was recorded; the card is printed as the core looks for it. */
@ExtendWith(RunningApp.class)
class FromPhotoTest {

    private static final Map<String, Object> LINES =
            Map.of("sandMm", 40.0, "siltMm", 62.0, "clayMm", 75.0, "waterColumnMm", 160.0);

    private static final LocalDate ON = LocalDate.now().minusDays(1);

    private final ApiClient advisor;
    private final Land land;
    private final String visit;

    FromPhotoTest(ApiClient advisor) {
        this.advisor = advisor;
        this.land = new Land(advisor, 1);
        this.visit = land.visit(ON);
    }

    private Answer put(UUID id, Map<String, Object> photo) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                land.stops.get(0),
                "method",
                "texture-jar",
                "readings",
                LINES,
                "takenAt",
                ON + "T10:00:00Z"));
        if (photo != null) {
            body.put("photo", photo);
        }
        return advisor.put("/api/measurements/" + id, body);
    }

    private int[] counted(String kind) {
        List<Map<String, Object>> all =
                Land.rows(advisor.get("/api/calibrations").json(), "photos");
        return all.stream()
                .filter(each -> each.get("kind").equals(kind))
                .map(each -> new int[] {(int) each.get("photos"), (int) each.get("asProposed"), (int) each.get("of")})
                .findAny()
                .orElse(new int[3]);
    }

    @Test
    void whatTheHandChangedIsCountedAndShown() {
        int[] before = counted("jar");
        UUID id = UUID.randomUUID();
        // the silt line was moved by 4 mm; the others were put to the half of a millimetre
        Map<String, Object> proposed = Map.of("sandMm", 40.2, "siltMm", 58.0, "clayMm", 74.8, "waterColumnMm", 160.0);
        assertThat(put(id, Map.of("kind", "jar", "proposed", proposed)).status())
                .isEqualTo(200);
        Map<String, Object> photo =
                Land.part(advisor.get("/api/measurements/" + id).json(), "photo");
        assertThat(photo)
                .containsEntry("kind", "jar")
                .containsEntry("asProposed", 2)
                .containsEntry("of", 3);
        assertThat(photo.get("proposed")).isEqualTo(proposed);
        int[] after = counted("jar");
        assertThat(after).containsExactly(before[0] + 1, before[1] + 2, before[2] + 3);
        // sent again it counts once
        assertThat(put(id, Map.of("kind", "jar", "proposed", proposed)).status())
                .isEqualTo(200);
        assertThat(counted("jar")).containsExactly(after);
    }

    @Test
    void aTestWithoutAPhotoSaysNothingOfOne() {
        UUID id = UUID.randomUUID();
        assertThat(put(id, null).status()).isEqualTo(200);
        assertThat(advisor.get("/api/measurements/" + id).json().get("photo")).isNull();
    }

    @Test
    void aKindOfAnotherTestOrNoneIsRefusedByName() {
        for (String kind : List.of("colour", "smell", "")) {
            Answer answer = put(UUID.randomUUID(), Map.of("kind", kind, "proposed", LINES));
            assertThat(answer.status()).as(kind).isEqualTo(422);
            assertThat(answer.text()).contains("photo.kind");
        }
        Answer nothing = put(UUID.randomUUID(), Map.of("kind", "jar"));
        assertThat(nothing.status()).isEqualTo(422);
        assertThat(nothing.text()).contains("photo.proposed");
        Answer endless = put(UUID.randomUUID(), Map.of("kind", "jar", "proposed", Map.of("x", "y".repeat(30_000))));
        assertThat(endless.status()).isEqualTo(422);
        assertThat(endless.text()).contains("photo.proposed");
    }

    @Test
    void theCardIsPrintedAsItIsLookedFor() throws IOException {
        try (PDDocument document = Loader.loadPDF(advisor.bytes("/api/photo-card.pdf"))) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 84);
            int[] rgb = page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
            Card card = Card.find(Picture.of(page.getWidth(), page.getHeight(), i -> rgb[i]));
            assertThat(card).isNotNull();
            assertThat(card.skewPct()).isLessThan(0.5);
            // at its own size: so many points to a millimetre
            assertThat(card.scale()).isCloseTo(84 / 25.4, within(0.02));
            int at = (int) card.y(Card.PATCHES.get(1).xMm(), Card.PATCH_Y_MM) * page.getWidth()
                    + (int) card.x(Card.PATCHES.get(1).xMm(), Card.PATCH_Y_MM);
            assertThat(rgb[at] & 255).isCloseTo(118, within(2));
        }
    }
}
