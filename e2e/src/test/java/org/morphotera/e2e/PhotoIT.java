package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.DrawnCard;
import org.morphotera.core.photo.drawn.Taken;

/** Readings proposed from pictures on a phone: looked at, changed by hand, taken over, and recorded with the photo. */
class PhotoIT extends Journeys {

    private static final Random RANDOM = new Random(8);

    private static byte[] encoded(Drawn drawn, String format) {
        BufferedImage image = new BufferedImage(drawn.width(), drawn.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, drawn.width(), drawn.height(), drawn.rgb(), 0, drawn.width());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static FilePayload png(Drawn drawn) {
        return new FilePayload("taken.png", "image/png", encoded(drawn, "png"));
    }

    /** On a test of a new visit, ready for a picture. */
    private static Page onTest(String method) {
        Page page = onNewVisit("Long Dyke", null, 390, 844);
        String path = page.locator("a[href*='/" + method + "']").first().getAttribute("href");
        page.navigate(server.url(path));
        button(page, "Read it from a photo").click();
        return page;
    }

    private static void choose(Page page, FilePayload picture) {
        page.locator("input[type=file][accept='image/jpeg,image/png']").setInputFiles(picture);
    }

    private static Map<String, Object> recorded(Page page) {
        page.waitForURL("**/measurements/*");
        String id = page.url().replaceAll(".*/", "");
        return server.client().get("/api/measurements/" + id).json();
    }

    @Test
    void coverIsCountedOnAPhotoAndOnePointIsTurned() {
        Drawn drawn = Drawn.cover(0.2, 0.05, 0.3, Taken.WELL, RANDOM::nextDouble);
        Page page = onTest("ground-cover");
        choose(page, png(drawn));
        Locator points = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Row ")));
        assertThat(points).hasCount(100);
        // nothing was shown: all that is not green counts as bare until then
        assertThat(page.getByText(Pattern.compile("Only green and not green"))).isVisible();
        button(page, "Show litter").click();
        Locator shown = page.getByLabel("Litter is shown here");
        shown.focus();
        page.keyboard().press("ArrowLeft");
        assertThat(shown).hasAttribute("aria-valuetext", "25 % across, 50 % down");
        page.keyboard().press("Delete");
        assertThat(shown).hasCount(0);
        String before = points.first().getAttribute("aria-label");
        points.first().focus();
        page.keyboard().press("Space");
        assertThat(points.first()).not().hasAttribute("aria-label", before);
        page.keyboard().press("ArrowRight");
        assertThat(points.nth(1)).isFocused();
        button(page, "Take it").click();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("100 points taken")))
                .isVisible();
        button(page, "Record").click();
        Map<?, ?> measurement = (Map<?, ?>) recorded(page).get("measurement");
        List<?> kept = (List<?>) ((Map<?, ?>) measurement.get("readings")).get("points");
        List<?> truth = (List<?>) drawn.truth().get("points");
        int wrong = 0;
        for (int i = 1; i < 100; i++) {
            wrong += kept.get(i).equals("living") == truth.get(i).equals("living") ? 0 : 1;
        }
        assertThat(wrong).isLessThan(5);
        Map<?, ?> visit =
                server.client().get("/api/visits/" + measurement.get("visitId")).json();
        String photos = "/api/fields/" + ((Map<?, ?>) visit.get("field")).get("id") + "/photos";
        assertThat(server.client().get(photos).list())
                .anySatisfy(photo -> assertThat(photo).containsEntry("method", "ground-cover"));
        assertThat(chromium.pageErrors).isEmpty();
    }

    @Test
    void theCameraSeesAJar(@TempDir Path folder) throws IOException {
        Drawn drawn = Drawn.jar(42, 66, 80, 160, Taken.WELL, RANDOM::nextDouble);
        Path film = Files.write(folder.resolve("jar.mjpeg"), encoded(drawn, "jpg"));
        Chromium own = chromium;
        chromium = Chromium.seeing(film);
        try {
            Page page = onTest("texture-jar");
            button(page, "Open the camera").click();
            assertThat(page.getByLabel("What the camera sees")).isVisible();
            until(page, "document.querySelector('video').videoWidth > 0");
            button(page, "Take the picture").click();
            assertThat(button(page, "Another picture")).isVisible();
            page.getByLabel("Height of the water").first().fill("160");
            Locator silt = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Top of the silt"));
            assertThat(silt).hasAttribute("aria-valuenow", Pattern.compile("\\d+"));
            // both ends are put where they are
            move(page, "Inside of the bottom", spot(drawn, "bottom"));
            move(page, "Top of the water", spot(drawn, "waterTop"));
            assertThat(silt).hasAttribute("aria-valuenow", Pattern.compile("6[5-7]"));
            silt.focus();
            page.keyboard().press("ArrowUp");
            button(page, "Take it").click();
            button(page, "Record").click();
            Map<?, ?> readings = (Map<?, ?>) ((Map<?, ?>) recorded(page).get("measurement")).get("readings");
            assertThat(((Number) readings.get("sandMm")).doubleValue()).isCloseTo(42, within(1.5));
            assertThat(((Number) readings.get("siltMm")).doubleValue()).isCloseTo(66, within(2.0));
            assertThat(chromium.pageErrors).isEmpty();
        } finally {
            chromium.close();
            chromium = own;
        }
    }

    private static double[] spot(Drawn drawn, String name) {
        Map<?, ?> spot = (Map<?, ?>) drawn.inputs().get(name);
        return new double[] {((Number) spot.get("x")).doubleValue(), ((Number) spot.get("y")).doubleValue()};
    }

    private static final Pattern SHARES = Pattern.compile("(\\d+) % across, (\\d+) % down");

    /** With the arrow keys, down and up only, to within half a hundredth of the picture. */
    private static void move(Page page, String handle, double[] to) {
        Locator place = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName(handle));
        place.focus();
        for (int i = 0; i < 200; i++) {
            Matcher at = SHARES.matcher(place.getAttribute("aria-valuetext"));
            assertThat(at.matches()).isTrue();
            long off = Math.round(100 * to[1]) - Long.parseLong(at.group(2));
            if (off == 0) {
                return;
            }
            page.keyboard().press(off > 0 ? "ArrowDown" : "ArrowUp");
        }
    }

    @Test
    void aColourIsPickedAmongItsNearestChipsAndABadPictureIsRefused() {
        Drawn drawn = Drawn.colour(4, 3, 76, Taken.WELL, RANDOM::nextDouble);
        Page page = onTest("colour");
        choose(page, new FilePayload("words.png", "image/png", "no picture".getBytes()));
        assertThat(page.getByText(Pattern.compile("^This file is no picture"))).isVisible();
        choose(page, png(new Drawn(200, 150, new int[30_000], Map.of(), Map.of())));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("nearly black");
        assertThat(button(page, "Take it")).isDisabled();
        button(page, "Another picture").click();
        choose(page, png(drawn));
        Locator nearest = page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("10YR 4/3"));
        assertThat(nearest).isChecked();
        button(page, "Take it").click();
        button(page, "Record").click();
        Map<?, ?> readings = (Map<?, ?>) ((Map<?, ?>) recorded(page).get("measurement")).get("readings");
        assertThat((Map<?, ?>) readings.get("sample")).isEqualTo(Map.of("hue", "10YR", "value", 4, "chroma", 3));
        assertThat(page.getByText("From a photo, as it proposed.")).isVisible();
        page.navigate(server.url("/calibration"));
        assertThat(page.getByText(Pattern.compile("^Photos left as they proposed: .*colour \\d+ of \\d+ chips")))
                .isVisible();
        assertThat(chromium.pageErrors).isEmpty();
    }

    @Test
    void aPictureOfTheCardIsStraightenedAndSaysWhereGreyAndSoilLie() {
        double[] soil = {0.13, 0.08, 0.045};
        DrawnCard card = DrawnCard.of(new DrawnCard.View(18, -12, 4, 300), soil, Taken.WELL, RANDOM::nextDouble);
        Page page = onTest("colour");
        choose(page, png(new Drawn(card.width(), card.height(), card.rgb(), Map.of(), Map.of())));
        Locator straight = page.getByLabel(Pattern.compile("^The card is seen: taken \\d+ % askew, shown straight"));
        assertThat(straight).isChecked();
        Locator grey = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Grey patch"));
        assertThat(grey).hasAttribute("aria-valuetext", Pattern.compile("^(49|50|51) % across, .*"));
        // a luminance of 9 % is a value of 3.5
        Locator nearest = page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Nearest chips"));
        assertThat(nearest.getByRole(AriaRole.RADIO).first()).hasText(Pattern.compile("YR (3|4)/"));
        straight.uncheck();
        assertThat(grey).hasAttribute("aria-valuetext", "75 % across, 50 % down");
        assertThat(chromium.pageErrors).isEmpty();
    }

    @Test
    void aSeriesOfCrumbsGoesOnAfterAReloadAndCanBeLeft() {
        Drawn dish = Drawn.crumbs(new double[] {1, 1.5, 2}, 0, Taken.WELL, RANDOM::nextDouble)
                .get(0);
        Page page = onTest("crumb-stability");
        choose(page, png(dish));
        Locator kept = page.getByText(Pattern.compile("^The picture from before is kept"));
        assertThat(kept).isVisible();
        page.reload();
        assertThat(kept).isVisible();
        button(page, "Start clock").click();
        Locator moments = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Pictures by the clock"))
                .getByRole(AriaRole.LISTITEM);
        assertThat(moments).hasCount(4);
        assertThat(moments.nth(1)).hasText(Pattern.compile("60 s\\s*in 0:5\\d"));
        assertThat(button(page, "Choose a file")).isDisabled();
        button(page, "Without a photo").click();
        assertThat(moments).hasCount(0);
        page.reload();
        assertThat(page.getByText("in the water")).isVisible();
        assertThat(moments).hasCount(0);
        assertThat(chromium.pageErrors).isEmpty();
    }

    @Test
    void aMadeUpSoilIsPhotographedOnTheTrainingGround() {
        Page page = chromium.signedIn(server, 390, 844);
        page.navigate(server.url("/training"));
        button(page, "Draw a soil").click();
        page.waitForURL("**/training/round");
        page.locator("a[href='/training/round/ground-cover']").first().click();
        button(page, "Read it from a photo").click();
        assertThat(page.getByAltText("What the camera sees")).isVisible();
        button(page, "Take the picture").click();
        Locator points = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Row ")));
        assertThat(points).hasCount(100);
        button(page, "Take it").click();
        button(page, "Record").click();
        page.waitForURL("**/training/round");
        assertThat(chromium.pageErrors).isEmpty();
    }
}
