package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** Learning to score: a round with a made-up soil on a phone, and a session of three people on three phones. */
class TrainingIT extends Journeys {

    /** A clear soil whose worst limit is a sour topsoil; the same number is the same soil in every browser. */
    private static final String SOUR = SourSoil.number();

    private static Locator choice(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    @Test
    void aRoundOnAPhoneAlsoWithoutSignal() {
        Page page = chromium.signedIn(server, 390, 844);
        button(page, "Menu").click();
        button(page, "Training ground: made-up soils, and scoring with others").click();
        page.waitForURL("**/training");
        page.getByLabel(Pattern.compile("^Soil number")).fill(SOUR);
        button(page, "Draw a soil").click();
        assertThat(page.getByText("0 min of work so far")).isVisible();
        // once the device has the pages, the rest goes on without signal
        page.evaluate("navigator.serviceWorker.ready.then(worker => !!worker.active)");
        page.context().setOffline(true);

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^pH")))
                .click();
        Locator front = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("In front of you"));
        assertThat(front).containsText("pH meter");
        List<String> shown = front.locator("li").allInnerTexts();
        assertThat(shown).hasSize(3);
        page.getByRole(AriaRole.COMBOBOX).selectOption("meter-1to1");
        for (int i = 0; i < shown.size(); i++) {
            String value = shown.get(i).replaceAll("(?s).*?(\\d+\\.\\d)\\s*$", "$1");
            page.getByRole(AriaRole.TEXTBOX).nth(i).fill(value);
        }
        button(page, "Record").click();
        assertThat(page.getByText("6 min of work so far")).isVisible();

        // crumbs give way by the round's own clock, which can run faster
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Crumb")))
                .first()
                .click();
        button(page, "60 ×").click();
        button(page, "Start clock").click();
        assertThat(page.getByText("60 s, next")
                        .or(page.getByRole(
                                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("next")))))
                .isVisible();
        assertThat(page.getByRole(AriaRole.TIMER).first())
                .hasText(
                        Pattern.compile("^([2-9]|\\d\\d):\\d\\d$"),
                        new LocatorAssertions.HasTextOptions().setTimeout(10_000));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Training ground, ")))
                .click();

        choice(page, "What limits this soil first?").selectOption("acidity");
        choice(page, "What would you do first?").selectOption("lime");
        button(page, "Show the truth").click();
        assertThat(page.getByText("That is right.")).isVisible();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Truth beside reading")))
                .isVisible();
        page.context().setOffline(false);
        link(page, "Another soil").click();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Scores of"))))
                .isVisible();
        button(page, "The same soil again").first().click();
        assertThat(page.getByText("0 min of work so far")).isVisible();
        // nothing of it entered a field
        assertThat(server.client().get("/api/fields?find=nobody").list()).isEmpty();
    }

    private static FilePayload photo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        return new FilePayload("place.jpg", "image/jpeg", out.toByteArray());
    }

    private static void join(Page page, String code, String name) {
        page.navigate(server.url("/calibration"));
        page.getByLabel("Code, as it was read out").fill(code);
        page.getByLabel("Who scores on this phone").fill(name);
        button(page, "Join").click();
        page.waitForURL("**/calibration/*");
    }

    private static void score(Page page, double... scores) {
        for (int i = 0; i < scores.length; i++) {
            String place = String.valueOf(i + 1);
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(Pattern.compile("^Place " + place + "\\b")))
                    .first()
                    .click();
            String step = scores[i] % 1 == 0 ? String.valueOf((int) scores[i]) : String.valueOf(scores[i]);
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + step + "(:|$)")))
                    .click();
        }
        assertThat(page.getByText(Pattern.compile("All of yours are in|Agreement")))
                .isVisible();
    }

    @Test
    void threePeopleScoreTheSamePlaces() throws IOException {
        Page host = chromium.signedIn(server, 390, 844);
        Page second = chromium.signedIn(server, 390, 844);
        Page third = chromium.signedIn(server, 1280, 800);
        host.navigate(server.url("/calibration"));
        choice(host, "Title").fill("Spade day on the upland ley");
        choice(host, "Places").fill("4");
        choice(host, "People").fill("3");
        button(host, "Make the session").click();
        host.waitForURL("**/calibration/*");
        String code = host.locator("strong.tracking-widest").innerText();
        join(host, code, "Ash");
        join(second, code.toLowerCase(), "Birch");
        join(third, code, "Cedar");
        host.setInputFiles("input[type=file]", photo());
        assertThat(host.getByAltText("Place 1")).isVisible();
        score(host, 2, 3, 4, 2);
        score(second, 2, 3, 4, 2.5);
        // two are done, and nobody sees anything yet
        assertThat(second.getByText("Agreement")).hasCount(0);
        score(third, 3.5, 4, 5, 3);
        for (Page page : List.of(host, second, third)) {
            assertThat(page.getByText(Pattern.compile("^Agreement")))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(15_000));
        }
        // the spade's scale runs from good to bad: who scores higher is harsher
        assertThat(host.getByText(Pattern.compile("scores .* higher than the others: harsher"))
                        .first())
                .isVisible();
        assertThat(third.getByAltText("Place 1, seen by Ash")).isVisible();
        assertThat(host.getByText("Place 1")).isVisible();

        // shown beside the years of a score, and no reading is altered
        ApiClient advisor = server.client();
        assertThat(advisor.get("/api/calibration-biases?test=structure").list()).hasSize(3);
        Page field = onField("Beet Reach", 1280, 800);
        field.navigate(field.url() + "/change");
        Locator structure = field.locator("option", new Page.LocatorOptions().setHasText("Structure"))
                .first();
        field.locator("select", new Page.LocatorOptions().setHas(structure))
                .first()
                .selectOption(structure.getAttribute("value"));
        assertThat(field.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Who scored")))
                .containsText("Cedar scores");
        assertThat(chromium.pageErrors).isEmpty();
    }
}
