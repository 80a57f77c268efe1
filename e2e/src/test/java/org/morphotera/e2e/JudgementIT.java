package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** From stops to judgement, in the browser: sheet, comparison, change, what was done, photos, finding fields. */
class JudgementIT extends Journeys {

    /** A picture of one pixel. */
    private static final String PIXEL =
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

    private static Page onField(String name) {
        return onField(name, 1280, 800);
    }

    @Test
    void theSheetSwitchesSchoolsAndEveryMarkOpensItsWorking() {
        Page page = onField("Whin Bank");
        link(page, "Sheet").click();
        assertThat(page.getByText("to look into")).isVisible();
        page.getByText("Points sheet").click();
        assertThat(page.getByText("Soil sheet")).isVisible();
        assertThat(page.getByText("Plant sheet")).isVisible();
        page.getByText("Stop average").click();
        assertThat(page.getByText("over all that was measured")).isVisible();
        page.locator("tr", new Page.LocatorOptions().setHasText("Water in at surface"))
                .locator("a[href^='/measurements/']")
                .first()
                .click();
        page.waitForURL("**/measurements/*");
        assertThat(page.getByText("How this was worked out")).isVisible();
    }

    @Test
    void theSheetOfEverySchoolPrintsOnOnePage() throws IOException {
        Page page = onField("Gull Polder");
        String field = page.url();
        for (String school : List.of("flags", "points", "average")) {
            page.navigate(field + "/sheet?school=" + school);
            assertThat(page.getByText("Middle figure")).isVisible();
            try (PDDocument paper = Loader.loadPDF(page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true)))) {
                assertThat(paper.getNumberOfPages()).as(school).isEqualTo(1);
                assertThat(new PDFTextStripper().getText(paper)).contains("Gull Polder", "Worms");
            }
        }
    }

    @Test
    void thePoorAndTheGoodPatchAreHeldAgainstEachOther() {
        Page page = onField("Craigend Ley");
        link(page, "Compare").click();
        assertThat(page.getByText("What differs, strongest first")).isVisible();
        assertThat(page.getByText("The poor patch against the good patch, newest"))
                .isVisible();
        assertThat(page.getByText(Pattern.compile("^Sward: .* in the good patch, .* in the poor patch: .* more")))
                .isVisible();
        page.getByText("more that can’t be told apart").click();
        assertThat(page.getByText("can't be told apart.").first()).isVisible();
    }

    @Test
    void aChangeIsToldBeforeItsPictureAndAnUnsureOneIsNot() {
        Page page = onField("Craigend Ley");
        link(page, "Change").click();
        page.getByLabel("Indicator").selectOption("ph|mid-100-200|");
        assertThat(page.getByText("Risen: better")).isVisible();
        assertThat(page.getByText("Ground limestone on the whole ley").first()).isVisible();
        assertThat(page.getByText("What would more stops or visits show?")).isVisible();
        page.navigate(server.url("/fields"));
        link(page, "Long Dyke").click();
        link(page, "Change").click();
        page.getByLabel("Indicator").selectOption("earthworms|mid-100-200|");
        assertThat(page.getByText("Can’t tell yet", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void whatLimitsAFieldShowsItsEvidenceAndAnswersAWhatIf() {
        Page page = onField("Whin Bank");
        assertThat(page.getByText("% sure.")).isVisible();
        link(page, "All the evidence").click();
        page.waitForURL("**/limits");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Free lime")))
                .click();
        assertThat(page.getByText("Soil with free lime is not sour.")).hasCount(0);
        assertThat(page.getByText("Where the evidence for “free lime” lies")).isVisible();
        page.getByLabel("… a finding not made yet").selectOption("fizz");
        page.getByLabel("… were").selectOption("strong");
        assertThat(page.getByText("(supposed)").first()).isVisible();
        assertThat(page.getByText("Lime fizzes.")).isVisible();
        button(page, "Forget").click();
        assertThat(page.getByText("(supposed)")).hasCount(0);
    }

    @Test
    void fromALimitToAnAgreedPlanToADoneActionOnTheChangePage() {
        Page page = onField("Whin Bank");
        link(page, "Limits").click();
        assertThat(page.getByText("Before money is spent")).isVisible();
        link(page, "Plan").click();
        assertThat(page.getByText("Proposed, in the order of the work")).isVisible();
        page.getByText("Take it up").first().click();
        page.getByLabel("Product", new Page.GetByLabelOptions().setExact(true))
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Ground limestone"));
        assertThat(page.getByText("How this was worked out").first()).isVisible();
        button(page, "Keep").click();
        assertThat(page.getByText("Agreed in all")).isVisible();
        assertThat(page.getByText("pH: expected and read").first()).isVisible();
        page.getByText(Pattern.compile("^Lime")).first().click();
        page.getByText("done", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("What was really given").fill("5 t/ha");
        button(page, "Keep").click();
        assertThat(page.getByText(Pattern.compile("done .*5 t/ha"))).isVisible();
        link(page, "Change").click();
        assertThat(page.locator("svg text", new Page.LocatorOptions().setHasText("lime"))
                        .first())
                .isVisible();
    }

    @Test
    void aDayToComeIsRefusedAsDoneAndThePlanPrints() throws IOException {
        Page page = onField("Beet Reach");
        link(page, "Plan").click();
        page.getByText("Take it up").first().click();
        button(page, "Keep").click();
        assertThat(page.getByText(Pattern.compile("^Test again from .*where water stands after rain")))
                .isVisible();
        page.getByText(Pattern.compile("^Lead the water off")).first().click();
        page.getByText("done", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Done on").fill("2099-01-01");
        button(page, "Keep").click();
        assertThat(page.getByText("What is done can't lie in the future.")).isVisible();
        page.keyboard().press("Escape");
        try (PDDocument paper = Loader.loadPDF(page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true)))) {
            assertThat(new PDFTextStripper().getText(paper))
                    .contains("Beet Reach: what to do", "Agreed, in the order of the work", "Gypsum", "Test again");
        }
    }

    @Test
    void aProductIsAddedRemovedAndPutBackAndAPlanOffersIt() {
        Page page = chromium.signedIn(server, 1280, 800);
        assertThat(page.getByText("Beet Reach")).isVisible();
        page.keyboard().press("g");
        page.keyboard().press("p");
        page.waitForURL("**/products");
        button(page, "Add to Lime").click();
        page.getByLabel("Name").fill("Harbour shell");
        page.getByLabel("Neutralising value").fill("900");
        button(page, "Keep").click();
        assertThat(page.locator("[role=alert]").first()).isVisible();
        page.getByLabel("Neutralising value").fill("88");
        page.getByLabel("Price").fill("21");
        button(page, "Keep").click();
        // the sample practice counts in a currency of its own choice
        assertThat(page.getByText(Pattern.compile("neutralising value 88 % · price €.21 per t")))
                .isVisible();
        page.getByText("Harbour shell").click();
        button(page, "Remove").click();
        button(page, "Undo").click();
        assertThat(page.getByText("Harbour shell")).isVisible();
    }

    @Test
    void whatWasDoneIsAddedRemovedAndPutBack() {
        Page page = onField("Whin Bank");
        button(page, "Add").click();
        page.getByLabel("Kind").fill("lime");
        button(page, "Keep").click();
        assertThat(page.getByText("Say what was done.")).isVisible();
        page.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).fill("Lime on stop 1");
        button(page, "Keep").click();
        page.getByText("Lime on stop 1").click();
        button(page, "Remove").click();
        assertThat(page.getByText("Removed “Lime on stop 1”.")).isVisible();
        button(page, "Undo").click();
        assertThat(page.getByText("Removed “Lime on stop 1”.")).hasCount(0);
        assertThat(page.getByText("Lime on stop 1")).isVisible();
    }

    @Test
    void aPhotoOfAStopIsKeptAndShownOnTheField() {
        Page page = onField("Gull Polder");
        assertThat(page.locator("section[aria-label=Photos] img").first()).isVisible();
        int before = page.locator("section[aria-label=Photos] img").count();
        page.locator("a[href^='/visits/']").last().click();
        page.waitForURL("**/visits/*");
        page.locator("input[type=file]")
                .first()
                .setInputFiles(new FilePayload(
                        "soil.png", "image/png", Base64.getDecoder().decode(PIXEL)));
        assertThat(page.getByText("photo kept")).isVisible();
        link(page, "Gull Polder").click();
        assertThat(page.locator("section[aria-label=Photos] img")).hasCount(before + 1);
    }

    @Test
    void fieldsAreFoundFilteredAndOrdered() {
        Page page = chromium.signedIn(server, 1280, 800);
        page.getByLabel("Level", new Page.GetByLabelOptions().setExact(true)).selectOption("failing");
        assertThat(page.getByText("Ebb Lane Beds")).hasCount(0);
        assertThat(page.getByText("Beet Reach").first()).isVisible();
        page.getByLabel("Grower", new Page.GetByLabelOptions().setExact(true)).selectOption("Orrin Hop Yard");
        assertThat(page.getByText("Beet Reach")).hasCount(0);
        page.getByLabel("Find a field").fill("nothing of this name");
        assertThat(page.getByText("No field matches")).isVisible();
    }

    @Test
    void aFunctionLightsUpWhereItComesFromAndTheReportIsAPdf() {
        Page page = onField("Long Sluice");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Rooting")))
                .click();
        assertThat(page.getByText(Pattern.compile("Roots ×3: 0\\.\\d\\d"))).isVisible();
        APIResponse report =
                page.request().get(server.url(page.getByText("Report").getAttribute("href")));
        assertThat(report.status()).isEqualTo(200);
        assertThat(new String(report.body(), 0, 4)).isEqualTo("%PDF");
    }

    @Test
    void aCalculatorOnTheBenchWorksAtOnceAndSaysHow() {
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/bench/plan/lime"));
        page.getByText("Texture", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("pH in water now").fill("5.4");
        page.getByLabel("pH wanted").fill("6.5");
        page.getByText("medium", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("7.7 t/ha").first()).isVisible();
        assertThat(page.getByText("(6.5 − 5.4) × 7 t/ha")).isVisible();
    }
}
