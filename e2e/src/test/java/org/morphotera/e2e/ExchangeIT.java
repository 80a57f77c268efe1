package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;

/** The way of a composite to a laboratory and back, and of a practice into another. */
class ExchangeIT extends Journeys {

    @TempDir
    Path folder;

    private static FilePayload csv(String text) {
        return new FilePayload("results.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8));
    }

    /** A field that its own kit holds for sound. */
    private static String soundField(ApiClient advisor, String name) {
        String grower = UUID.randomUUID().toString();
        String field = UUID.randomUUID().toString();
        String stop = UUID.randomUUID().toString();
        String visit = UUID.randomUUID().toString();
        advisor.put("/api/growers/" + grower, Map.of("name", "Ness Farm", "version", 0));
        advisor.put(
                "/api/fields/" + field,
                Map.of(
                        "growerId",
                        grower,
                        "name",
                        name,
                        "landUse",
                        "arable",
                        "crop",
                        "barley",
                        "purpose",
                        "field",
                        "areaHa",
                        6,
                        "version",
                        0));
        advisor.put("/api/stops/" + stop, Map.of("fieldId", field, "label", "Stop 1", "position", 1, "version", 0));
        LocalDate day = LocalDate.now().minusDays(2);
        advisor.put(
                "/api/visits/" + visit,
                Map.of("fieldId", field, "visitedOn", day.toString(), "soilMoisture", "moist", "version", 0));
        advisor.put(
                "/api/measurements/" + UUID.randomUUID(),
                Map.of(
                        "visitId",
                        visit,
                        "stopId",
                        stop,
                        "method",
                        "ph",
                        "depthTopMm",
                        0,
                        "depthBottomMm",
                        150,
                        "readings",
                        Map.of(
                                "kind",
                                "vial-kit",
                                "layers",
                                List.of(Map.of("topMm", 0, "bottomMm", 150, "value", 6.8))),
                        "takenAt",
                        day + "T10:00:00Z"));
        return field;
    }

    @Test
    void aCompositeGoesOutAndItsResultsChangeThePlan() {
        ApiClient advisor = server.client();
        String field = soundField(advisor, "Sour Croft");
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/fields/" + field + "/plan"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sour Croft")))
                .isVisible();
        assertThat(page.getByText(Pattern.compile("^Lime"))).hasCount(0);

        page.keyboard().press("g");
        page.keyboard().press("l");
        page.waitForURL("**/laboratory");
        button(page, "Add a laboratory").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Loamworks");
        button(page, "Keep it").click();
        button(page, "Bag a composite").click();
        page.getByLabel("Field", new Page.GetByLabelOptions().setExact(true)).selectOption("Sour Croft");
        page.getByLabel("Exchangeable cations").check();
        assertThat(page.getByText("11 cores, 0 to 200 mm")).isVisible();
        button(page, "Bag it").click();
        Locator bags = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Bags here"));
        assertThat(bags).containsText("Sour Croft");
        assertThat(bags).containsText("should be there in 13 days");

        // its label is a PDF with the code, and the code finds it
        String code = null;
        for (Map<String, Object> each : advisor.get("/api/bags").list()) {
            if (each.get("field").equals("Sour Croft")) {
                code = each.get("code").toString();
            } else {
                page.getByLabel("Bag " + each.get("code"), new Page.GetByLabelOptions().setExact(true))
                        .uncheck();
            }
        }
        String labels = bags.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Labels (1)"))
                .getAttribute("href");
        assertThat(new String(advisor.bytes(labels), 0, 4, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF");
        page.getByLabel("Code on a label").fill(code.substring(0, 3) + " " + code.substring(3));
        button(page, "Find it").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Find a bag")))
                .containsText("not sent yet");
        button(page, "Note as sent").click();

        // two lines of the file are wrong: they are named, and nothing comes in
        button(page, "Take results in").click();
        String head = "Mark,pH (CaCl2),CEC [meq/100 g],Al exch. [meq/100 g]\n";
        String sound = head + code + ",4.2,11,2.4\n";
        page.getByLabel("Choose a file of results")
                .setInputFiles(csv(head + code + ",4.2,11,lots\n" + "QQQQQQ,5,10,0\n"));
        assertThat(page.getByLabel("Faults").getByRole(AriaRole.LISTITEM)).hasCount(2);
        assertThat(page.getByLabel("Faults")).containsText("line 2, Al exch.");
        assertThat(page.getByLabel("Faults")).containsText("line 3, Mark");
        page.getByText("Mend it here").click();
        page.getByLabel("The file", new Page.GetByLabelOptions().setExact(true)).fill(sound);
        button(page, "Read it again").click();
        assertThat(page.getByLabel("What changes")).containsText("too sour");
        button(page, "Take the results in").click();
        assertThat(page.getByText("Taken in: results of 1 bag")).isVisible();
        button(page, "Done").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Answered")))
                .containsText("Sour Croft");

        page.navigate(server.url("/fields/" + field + "/plan"));
        assertThat(page.getByText(Pattern.compile("^Lime")).first()).isVisible();
    }

    /** What the practice has becomes an archive; a new server takes it and shows the same face. */
    @Test
    void aPracticeMovesToAnotherServerByItsArchive() {
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/fields"));
        page.getByText("Gull Polder").first().click();
        page.waitForURL("**/fields/*");
        String field = page.url().replaceAll(".*/", "");
        page.navigate(server.url("/exchange"));
        button(page, "Make an archive now").click();
        Locator fetch = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Fetch")));
        assertThat(fetch).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        Download download = page.waitForDownload(fetch::click);
        assertThat(download.suggestedFilename()).matches("tidemark-soil-advice-.*\\.zip");
        Path archive = folder.resolve("practice.zip");
        download.saveAs(archive);
        Object here = server.client().get("/api/fields/" + field).json();

        try (ServerProcess other = ServerProcess.unstarted(
                "--morphotera.first-account.email=" + ApiClient.EBBSIDE,
                "--morphotera.first-account.keep-password=true",
                "--morphotera.first-account.password=" + ApiClient.PASSWORD)) {
            other.start();
            Page empty = chromium.open(390, 844);
            empty.navigate(other.url("/sign-in"));
            empty.getByLabel("E-mail").fill(ApiClient.EBBSIDE);
            empty.getByLabel("Password").fill(ApiClient.PASSWORD);
            empty.keyboard().press("Enter");
            empty.waitForURL("**/today");
            empty.navigate(other.url("/exchange"));
            // another file is refused, with the place
            empty.getByLabel("Choose an archive").setInputFiles(csv("no archive"));
            button(empty, "Put it back").click();
            assertThat(empty.getByRole(AriaRole.ALERT).first()).containsText("This is no archive");
            empty.getByLabel("Choose an archive").setInputFiles(archive);
            button(empty, "Put it back").click();
            empty.waitForURL("**/sign-in", new Page.WaitForURLOptions().setTimeout(90_000));
            Object there = other.client().get("/api/fields/" + field).json();
            assertThat(there).isEqualTo(here);
        }
    }

    @Test
    void aCalendarAddressIsMadeAndTakenBack() {
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/exchange"));
        page.getByLabel("For which program or person").fill("My phone");
        button(page, "Make an address").click();
        String address = page.locator("code").textContent();
        ApiClient nobody = server.nobody();
        String path = address.replaceFirst("^http://[^/]+", "");
        assertThat(nobody.get(path).text()).startsWith("BEGIN:VCALENDAR");
        button(page, "Take back the address of My phone").click();
        assertThat(button(page, "Take back the address of My phone")).hasCount(0);
        assertThat(nobody.get(path).status()).isEqualTo(404);
    }

    @Test
    void aChartAndAFaceAreKeptAsDrawingAndPicture() throws IOException {
        Page page = chromium.signedIn(server, 1280, 800);
        page.getByText("Gull Polder").first().click();
        page.waitForURL("**/fields/*");
        String field = page.url();
        for (String address : List.of(field, field + "/change")) {
            page.navigate(address);
            Locator menu = page.getByRole(
                    AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Keep the picture of")));
            menu.click();
            Download drawing = page.waitForDownload(
                    () -> page.getByText("As a drawing (SVG)").click());
            String svg = Files.readString(drawing.path());
            assertThat(svg)
                    .startsWith("<svg")
                    .contains("Gull Polder", "Morphotera", "2026")
                    .doesNotContain("var(--");
            menu.click();
            Download picture = page.waitForDownload(
                    () -> page.getByText("As a picture (PNG)").click());
            BufferedImage image = ImageIO.read(picture.path().toFile());
            assertThat(image.getWidth()).isGreaterThan(1000);
            int[] dots = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
            assertThat(Arrays.stream(dots).distinct().count()).isGreaterThan(20);
        }
    }

    /** The camera is a drawn one, which shows the label of a bag. */
    @Test
    void aLabelIsReadByTheCamera() throws Exception {
        ApiClient advisor = server.client();
        String field = soundField(advisor, "Camera Croft");
        Map<String, Object> face = advisor.get("/api/fields/" + field).json();
        Map<String, Object> bag = new LinkedHashMap<>();
        bag.put("visitId", ((Map<?, ?>) ((List<?>) face.get("visits")).get(0)).get("id"));
        bag.put("stopIds", List.of(((Map<?, ?>) ((List<?>) face.get("stops")).get(0)).get("id")));
        bag.put("depthTopMm", 0);
        bag.put("depthBottomMm", 200);
        bag.put("takenAt", Instant.now().toString());
        bag.put("sampler", "Somebody");
        bag.put("tests", List.of("ph"));
        bag.put("version", 0);
        String code = advisor.put("/api/bags/" + UUID.randomUUID(), bag)
                .json()
                .get("code")
                .toString();
        Page page = chromium.signedIn(server, 390, 844);
        page.addInitScript(camera(code));
        page.navigate(server.url("/laboratory"));
        button(page, "Scan").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Find a bag")))
                .containsText("Camera Croft", new LocatorAssertions.ContainsTextOptions().setTimeout(30_000));
        assertThat(page.getByLabel("Code on a label")).hasValue(code);
    }

    /** In the place of a camera, a stream of a picture that shows a code, grey around it. */
    private static String camera(String code) throws WriterException, IOException {
        BitMatrix bits = new QRCodeWriter().encode(code, BarcodeFormat.QR_CODE, 360, 360);
        BufferedImage picture = new BufferedImage(640, 480, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 480; y++) {
            for (int x = 0; x < 640; x++) {
                boolean inside = x >= 140 && x < 500 && y >= 60 && y < 420;
                int grey = !inside ? 190 : bits.get(x - 140, y - 60) ? 30 : 235;
                picture.setRGB(x, y, grey << 16 | grey << 8 | grey);
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return """
                navigator.mediaDevices.getUserMedia = async () => {
                  const image = new Image()
                  image.src = 'data:image/png;base64,%s'
                  await image.decode()
                  const canvas = document.createElement('canvas')
                  canvas.width = 640
                  canvas.height = 480
                  const draw = () => canvas.getContext('2d').drawImage(image, 0, 0)
                  draw()
                  setInterval(draw, 100)
                  return canvas.captureStream(10)
                }
                """.formatted(Base64.getEncoder().encodeToString(png.toByteArray()));
    }
}
