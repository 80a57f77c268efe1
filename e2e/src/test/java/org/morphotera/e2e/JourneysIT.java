package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What an advisor does from signing in to finding it again, in the browser, against the real jar. */
class JourneysIT extends Journeys {

    private static Page onNewVisit(String field, int width, int height) {
        return onNewVisit(field, null, width, height);
    }

    private static void readLevel(Page page, String time, String mm) {
        page.getByLabel("at, if not now").fill(time);
        page.getByLabel("Depth of the water").fill(mm);
        page.keyboard().press("Enter");
    }

    @Test
    void holeReadAtIrregularTimesShowsItsLastingRateOnTheFaceAndAfterARestart() {
        Page page = onNewVisit("Schoolyard Basin", 390, 844);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Water leaving a hole"))
                .first()
                .click();
        readLevel(page, "09:00", "262");
        readLevel(page, "09:14", "231");
        readLevel(page, "09:41", "203");
        readLevel(page, "10:18", "178");
        // a slip of the finger is said at the reading concerned, and nothing else is lost
        readLevel(page, "10:02", "160");
        assertThat(page.getByText("Minutes must rise from reading to reading")).isVisible();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Readings"))
                        .getByRole(AriaRole.LISTITEM))
                .hasCount(5);
        assertThat(button(page, "Record")).isDisabled();
        page.getByLabel("Remove the reading of 160 mm").click();
        readLevel(page, "11:11", "146");
        assertThat(page.getByText("It has settled. One more reading at 11:30 makes it certain."))
                .isVisible();
        assertThat(page.getByText("79 % too high")).isVisible();
        // what was read is still there when the page comes back
        page.reload();
        assertThat(page.getByText("79 % too high")).isVisible();
        button(page, "Record").click();
        page.waitForURL("**/measurements/*");
        assertThat(page.getByText("Lasting rate").first()).isVisible();
        String measurement = page.url();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Schoolyard Basin"))
                .click();
        assertThat(page.getByText("What limits this field")).isVisible();
        server.stop();
        server.start();
        page.navigate(measurement);
        assertThat(page.getByText("38 mm/h").first()).isVisible();
        assertThat(page.getByText("How this was worked out")).isVisible();
    }

    @Test
    void crumbsWithAClockThatARestartAndASecondBrowserShowAlike() {
        Page page = onNewVisit("Long Dyke", 390, 844);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Crumbs in water"))
                .first()
                .click();
        button(page, "Start clock").click();
        page.getByLabel(Pattern.compile("^Crumb 2:")).click();
        assertThat(page.getByText("1 of 6 gave way")).isVisible();
        assertThat(page.locator("footer")).containsText("60 s still");
        assertThat(page.locator("footer")).containsText("all sent");
        server.kill();
        server.start();
        page.reload();
        assertThat(page.getByText("1 of 6 gave way")).isVisible();
        Page second = chromium.signedIn(server, 1280, 800);
        assertThat(second.locator("footer")).containsText("60 s still");
        button(page, "60 s over, next").click();
        assertThat(second.locator("footer")).containsText("Swirl gently", containsWithin());
        page.getByLabel(Pattern.compile("^Crumb 5:")).click();
        button(page, "Swirled, next").click();
        button(page, "Swirled, next").click();
        // no level before the last required reading
        assertThat(page.getByText("serviceable")).hasCount(0);
        page.getByLabel(Pattern.compile("^Crumb 4:")).click();
        button(page, "Clouds read, next").click();
        button(page, "Clouds read, next").click();
        page.getByLabel(Pattern.compile("^Crumb 6:")).click();
        button(page, "Record").click();
        page.waitForURL("**/measurements/*");
        assertThat(page.getByText("Crumbs that count")).isVisible();
        assertThat(page.locator("dd").first()).containsText("5");
        assertThat(page.locator("footer")).containsText("No clock running");
    }

    private static com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions containsWithin() {
        return new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions().setTimeout(25_000);
    }

    @Test
    void aCorrectionShowsWhatWasThereBefore() {
        Page page = onNewVisit("Whin Bank", 1280, 800);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Texture by feel"))
                .first()
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("No"))
                .first()
                .click();
        button(page, "Record").click();
        page.waitForURL("**/measurements/*");
        page.getByText("Correct it").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Yes"))
                .first()
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("No"))
                .nth(1)
                .click();
        page.getByLabel("Why it is corrected").fill("wetted it once more");
        button(page, "Record").click();
        assertThat(page.getByText("wetted it once more")).isVisible();
        assertThat(page.getByText("loamy sand").first()).isVisible();
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("before")))
                .containsText("no");
    }

    @Test
    void figuresAndEntriesAreInTheUnitsChosen() {
        Page page = onNewVisit("Ebb Lane Beds", 1280, 800);
        page.getByLabel("Show US customary units").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Water leaving a hole"))
                .first()
                .click();
        readLevel(page, "09:00", "10");
        readLevel(page, "09:30", "9");
        readLevel(page, "10:00", "8");
        assertThat(page.getByText("2 in/h").first()).isVisible();
        button(page, "Record").click();
        page.waitForURL("**/measurements/*");
        page.getByLabel("Show metric units").click();
        assertThat(page.getByText("50.8 mm/h").first()).isVisible();
    }

    @Test
    void everythingGoesByKeyboard() {
        Page page = chromium.signedIn(server, 1280, 800);
        assertThat(page.getByText("Beet Reach")).isVisible();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Keys")))
                .isVisible();
        page.keyboard().press("Escape");
        page.keyboard().press("g");
        page.keyboard().press("b");
        page.waitForURL("**/bench");
        // the address changes before the page does: keys that come before it still go to the page that leaves
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Bench")))
                .isVisible();
        page.keyboard().press("g");
        page.keyboard().press("f");
        page.waitForURL("**/fields");
        assertThat(page.getByLabel("Find a field")).isVisible();
        page.keyboard().press("/");
        assertThat(page.getByLabel("Find a field")).isFocused();
        page.keyboard().type("craigend");
        assertThat(page.getByText("Beet Reach")).hasCount(0);
        Locator found = page.locator("a[href^='/fields/']").first();
        for (int i = 0;
                i < 12 && !Boolean.TRUE.equals(found.evaluate("link => link === document.activeElement"));
                i++) {
            page.keyboard().press("Tab");
        }
        page.keyboard().press("Enter");
        page.waitForURL("**/fields/*");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("New visit")))
                .isVisible();
        page.keyboard().press("v");
        page.waitForURL("**/visit");
        page.getByLabel("Days since real rain").focus();
        page.keyboard().press("Enter");
        page.waitForURL("**/visits/*");
        assertThat(page.locator("a[href*='/hole-drainage']").first()).isVisible();
        page.keyboard().press("n");
        page.waitForURL("**/ground-cover/*");
        page.goBack();
        page.locator("a[href*='/hole-drainage']").first().focus();
        page.keyboard().press("Enter");
        page.waitForURL("**/hole-drainage/*");
        page.getByLabel("Depth of the water").focus();
        page.keyboard().type("250");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Read again when the level has fallen")).isVisible();
    }

    @Test
    void badInputOfAVisitIsShownAtItsFieldAndNothingIsLost() {
        Page page = chromium.signedIn(server, 390, 844);
        page.getByText("Long Sluice").first().click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("New visit"))
                .click();
        page.getByLabel("Soil temperature").fill("200");
        page.getByLabel("Last thing done to the land").fill("strimmed the alleys");
        button(page, "Begin the walk").click();
        assertThat(page.getByText("Must be between -20 and 70 °C.")).isVisible();
        assertThat(page.getByLabel("Last thing done to the land")).hasValue("strimmed the alleys");
        page.getByLabel("Soil temperature").fill("12");
        button(page, "Begin the walk").click();
        page.waitForURL("**/visits/*");
        assertThat(page.getByText("strimmed the alleys")).isVisible();
    }

    @Test
    void everyPageIsWithoutSeriousAccessibilityFaultsInBothThemes() {
        Page page = onNewVisit("Beet Reach", 1280, 800);
        String visit = page.url().replaceAll(".*(/visits/[^/]+).*", "$1");
        String stop = page.locator("a[href*='/crumb-stability']").first().getAttribute("href");
        page.navigate(server.url("/fields"));
        String field = page.locator("a[href^='/fields/']").first().getAttribute("href");
        page.navigate(server.url(field));
        page.locator("button[aria-pressed]").first().click();
        String measurement = page.locator("a[href^='/measurements/']").first().getAttribute("href");
        page.navigate(server.url("/today"));
        String day = page.locator("a[href^='/days/']:not([href^='/days/new'])")
                .first()
                .getAttribute("href");
        List<String> paths = List.of(
                "/sign-in",
                "/fields",
                field,
                field + "/visit",
                field + "/sheet",
                field + "/limits",
                field + "/plan",
                field + "/change",
                field + "/compare",
                visit,
                stop,
                stop.replace("crumb-stability", "hole-drainage"),
                stop.replace("crumb-stability", "texture-feel"),
                measurement,
                "/bench",
                "/bench/crumb-stability",
                "/bench/plan/lime",
                stop.replace("crumb-stability", "ph"),
                stop.replace("crumb-stability", "ground-cover"),
                stop.replace("crumb-stability", "penetration"),
                stop.replace("crumb-stability", "earthworms"),
                stop.replace("crumb-stability", "roots"),
                stop.replace("crumb-stability", "texture-jar"),
                stop.replace("crumb-stability", "structure"),
                stop.replace("crumb-stability", "colour"),
                stop.replace("crumb-stability", "pit"),
                stop.replace("crumb-stability", "nutrient-kit"),
                "/products",
                "/laboratory",
                "/exchange",
                "/training",
                "/calibration",
                "/settings",
                "/settings/people",
                "/settings/practice",
                "/settings/curves",
                "/settings/log",
                "/bench/plan/composite",
                "/bench/plan/agreement",
                "/clocks",
                "/today",
                "/year",
                "/days/new",
                day,
                field + "/places",
                "/bench/plan/day-plan",
                "/bench/plan/stop-placement",
                "/nowhere");
        for (String theme : List.of("Daylight: for bright sun", "Desk: for indoors")) {
            for (String path : paths) {
                page.navigate(server.url(path));
                page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
                assertThat(serious(page)).as(path + " before " + theme).isEmpty();
            }
            page.navigate(server.url("/fields"));
            page.getByLabel(theme).click();
        }
        assertThat(chromium.pageErrors).isEmpty();
    }

    private static List<String> serious(Page page) {
        return new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(each -> List.of("serious", "critical").contains(each.getImpact()))
                        .map(each ->
                                each.getId() + ": " + each.getNodes().get(0).getHtml())
                        .toList();
    }
}
