package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The visit as a walk: how quick it is, and that nothing is lost without signal, without a server, and over days. */
class WalkIT extends Journeys {

    private static final int MOST_STROKES = 60;
    private static final int TESTS = 10;

    /** A picture of one pixel. */
    private static final String PIXEL =
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

    private static Page onWalk(String field, String set) {
        return onNewVisit(field, set, 390, 844);
    }

    private static Locator radio(Page page, String name, int index) {
        return page.getByRole(
                        AriaRole.RADIO,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .nth(index);
    }

    /** Ground cover by shares, probe 3 pushes, ring 2 runs, feel, spade block, worms in 3 blocks, roots, crumbs, pH, salt. */
    private static void tenTests(Hands hands) {
        Page page = hands.page;
        hands.tap(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^First test"))));
        hands.on("ground-cover").type("55").key("Enter").type("20").key("Enter").type("5");
        hands.key("Enter").type("20").record();
        hands.on("penetration")
                .type("081216202428")
                .key("Enter")
                .type("091115222927")
                .key("Enter");
        hands.type("081314202526").key("Enter").record();
        hands.on("ring-infiltration")
                .type("95")
                .key("Enter")
                .type("240")
                .key("Enter")
                .record();
        page.waitForURL("**/texture-feel/*");
        hands.tap(radio(page, "Yes", 0)).tap(radio(page, "Yes", 1));
        hands.tap(page.getByLabel("Ribbon breaks at")).type("38");
        hands.tap(radio(page, "smooth", 0)).record();
        page.waitForURL("**/structure/*");
        hands.tap(page.getByRole(AriaRole.RADIO).nth(2)).record();
        hands.on("earthworms")
                .type("4")
                .key("Enter")
                .type("7")
                .key("Enter")
                .type("3")
                .key("Enter");
        hands.type("5").key("Enter").type("6").key("Enter").type("4").record();
        hands.on("roots").type("320").record();
        page.waitForURL("**/crumb-stability/*");
        hands.tap("Start clock");
        hands.tap(page.getByLabel(Pattern.compile("^Crumb 2:"))).tap(page.getByLabel(Pattern.compile("^Crumb 5:")));
        hands.tap("60 s over, next").tap("Swirled, next").tap("Swirled, next").tap("Clouds read, next");
        hands.record();
        hands.on("ph")
                .type("5.4")
                .key("Enter")
                .type("5.8")
                .key("Enter")
                .type("6.3")
                .record();
        hands.on("salinity")
                .type("0.8")
                .key("Enter")
                .type("0.9")
                .key("Enter")
                .type("0.9")
                .key("Enter")
                .record();
        page.waitForURL(Pattern.compile(".*/ground-cover/.*"));
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> testsOf(String visit) {
        Map<String, Object> view = server.client().get("/api/visits/" + visit).json();
        return (List<Map<String, Object>>) view.get("measurements");
    }

    /** Shows a visit once more under the service worker, so that all the walk needs has been here once. */
    private static void oncePast(Page page) {
        page.reload();
        assertThat(page.getByText("Change conditions")).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("footer")).containsText("all sent");
    }

    private static String visitOf(Page page) {
        return page.url().replaceAll(".*/visits/([^/]+).*", "$1");
    }

    @Test
    void aTenTestStopOnAPhoneTakesFewStrokes() {
        Page page = onWalk("Ebb Lane Beds", "Ten-test stop");
        String visit = visitOf(page);
        Hands hands = new Hands(page);
        tenTests(hands);
        System.out.printf("ten-test stop: %d taps and keys beyond digits%n", hands.strokes());
        assertThat(hands.strokes()).isLessThanOrEqualTo(MOST_STROKES);
        assertThat(testsOf(visit)).hasSize(TESTS);
        page.navigate(server.url("/visits/" + visit));
        assertThat(page.getByText("10 of 10")).isVisible();
    }

    @Test
    void tenTestsWithoutSignalOnAReloadedPageArriveOnceAfterTheServerWasKilled() {
        Page page = onWalk("Long Dyke", "Ten-test stop");
        String visit = visitOf(page);
        page.evaluate("navigator.serviceWorker.ready.then(worker => !!worker.active)");
        oncePast(page);
        page.context().setOffline(true);
        page.reload();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Visit of")))
                .isVisible();
        server.kill();
        tenTests(new Hands(page));
        assertThat(page.locator("footer")).containsText("kept, not sent yet");
        page.navigate(server.url("/visits/" + visit));
        assertThat(page.getByText("10 of 10")).isVisible();
        // leaving now would lose it, and the page says so
        page.getByText("Menu").click();
        page.getByText("Sign out", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        assertThat(page.getByText("Not everything is sent")).isVisible();
        page.getByText("Stay", new Page.GetByTextOptions().setExact(true)).click();
        server.start();
        page.context().setOffline(false);
        assertThat(page.locator("footer"))
                .containsText("all sent", new LocatorAssertions.ContainsTextOptions().setTimeout(40_000));
        List<Map<String, Object>> arrived = testsOf(visit);
        assertThat(arrived).hasSize(TESTS);
        assertThat(arrived).extracting(each -> each.get("method")).doesNotHaveDuplicates();
        page.reload();
        assertThat(page.locator("footer")).containsText("all sent");
        assertThat(testsOf(visit)).hasSize(TESTS);
    }

    @Test
    void aWriteThatTheServerKeepsFailingOnIsSetAsideAndTheOthersArrive() {
        Page page = onWalk("Whin Bank", "Ten-test stop");
        String visit = visitOf(page);
        String poisoned = "**/api/measurements/*";
        page.context().route(poisoned, route -> {
            String body = route.request().postData();
            if (body != null && body.contains("\"method\":\"ground-cover\"")) {
                route.fulfill(new Route.FulfillOptions()
                        .setStatus(500)
                        .setContentType("application/problem+json")
                        .setBody("{\"detail\": \"The server failed.\"}"));
            } else {
                route.resume();
            }
        });
        tenTests(new Hands(page));
        // four tries with growing pauses; what comes after the failing one does not wait for it
        assertThat(page.locator("footer"))
                .containsText("1 to decide", new LocatorAssertions.ContainsTextOptions().setTimeout(120_000));
        List<Map<String, Object>> arrived = testsOf(visit);
        assertThat(arrived).hasSize(TESTS - 1);
        assertThat(arrived).extracting(each -> each.get("method")).doesNotContain("ground-cover");
        page.context().unroute(poisoned);
        page.locator("footer").getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByText("was set aside: the server failed on it 4 times (500)"))
                .isVisible();
        page.getByText("What it holds").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("55 %");
        page.getByText("Send again", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("was set aside")).isHidden();
        assertThat(page.locator("footer")).containsText("all sent");
        assertThat(testsOf(visit)).hasSize(TESTS);
    }

    @Test
    void bothVersionsOfAConflictAreShownToChooseFrom() {
        Page page = onWalk("Beet Reach", "Drainage only");
        String visit = visitOf(page);
        page.evaluate("navigator.serviceWorker.ready.then(worker => !!worker.active)");
        oncePast(page);
        page.context().setOffline(true);
        page.getByText("Change conditions").click();
        page.getByLabel("Last thing done to the land").fill("rolled, says the phone");
        page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("rolled, says the phone")).isVisible();
        Map<String, Object> view = server.client().get("/api/visits/" + visit).json();
        @SuppressWarnings("unchecked")
        Map<String, Object> stored = (Map<String, Object>) view.get("visit");
        Map<String, Object> other = Map.of(
                "fieldId", stored.get("fieldId"),
                "visitedOn", stored.get("visitedOn"),
                "lastManagement", "harrowed, says the desk",
                "version", stored.get("version"));
        assertThat(server.client().put("/api/visits/" + visit, other).status()).isEqualTo(200);
        page.context().setOffline(false);
        assertThat(page.locator("footer"))
                .containsText("1 to decide", new LocatorAssertions.ContainsTextOptions().setTimeout(20_000));
        page.getByText("1 to decide").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("harrowed, says the desk");
        page.getByText("The one here").click();
        assertThat(page.locator("footer")).containsText("all sent");
        assertThat(server.client().get("/api/visits/" + visit).text()).contains("rolled, says the phone");
    }

    @Test
    void aJarIsReadOverTwoDays() {
        Page page = onWalk("Whin Bank", null);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Soil in a jar"))
                .first()
                .click();
        page.getByLabel("Height of the water").fill("148");
        assertThat(page.getByText(Pattern.compile("The sand line is due after \\d:\\d\\d")))
                .isVisible();
        page.getByText("Start clock").click();
        assertThat(page.locator("footer")).containsText("Mark the sand");
        assertThat(page.locator("footer")).containsText("all sent");
        server.stop();
        server.start(Duration.ofSeconds(66));
        page.reload();
        page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Top of the sand"))
                .focus();
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("ArrowUp");
        }
        page.getByLabel("Mark the sand: now").click();
        page.getByLabel("Ruler at the top of the sand").fill("26");
        assertThat(page.locator("footer")).containsText("Mark the silt");
        String jar = page.url();
        assertThat(page.locator("footer")).containsText("all sent");
        server.stop();
        server.start(Duration.ofHours(13));
        page.reload();
        assertThat(page.locator("footer")).containsText("late");
        page.getByLabel("Mark the silt: now").click();
        page.getByLabel("Ruler at the top of the silt").fill("48");
        assertThat(page.locator("footer")).containsText("all sent");
        server.stop();
        server.start(Duration.ofHours(49));
        page.navigate(server.url("/clocks"));
        assertThat(page.getByText(Pattern.compile("Mark the clay"))).hasCount(2);
        page.navigate(jar);
        page.getByLabel("Mark the clay: now").click();
        page.getByLabel("Ruler at the top of the clay").fill("60");
        page.getByText("Water clear at the end").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record"))
                .click();
        page.waitForURL("**/measurements/*");
        assertThat(page.getByText("Silt line stands for").first()).isVisible();
        @SuppressWarnings("unchecked")
        Map<String, Object> readings = (Map<String, Object>) ((Map<String, Object>) server.client()
                        .get("/api/measurements/" + page.url().replaceAll(".*/", ""))
                        .json()
                        .get("measurement"))
                .get("readings");
        // what really passed, not what should have
        assertThat(((Number) readings.get("siltMarkSeconds")).intValue()).isBetween(46_700, 47_500);
        assertThat(((Number) readings.get("clayMarkSeconds")).intValue()).isBetween(176_300, 177_500);
        server.stop();
        server.start();
    }

    @Test
    void aSimulatedProbeIsReadWhenItStandsStill() {
        Page page = onWalk("Gull Polder", null);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Salt"))
                .first()
                .click();
        page.getByText("Read from the probe").click();
        assertThat(page.getByText("simulated instrument")).isVisible();
        page.getByText("Take it when stable").click();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Readings"))
                        .getByRole(AriaRole.LISTITEM))
                .hasCount(1, new LocatorAssertions.HasCountOptions().setTimeout(60_000));
        assertThat(page.getByText("simulated instrument")).hasCount(0);
    }

    @Test
    void aPhotoAndANoteStayWithTheirTestBesideTheLastPhotoOfThePlace() {
        Page page = onWalk("Millrace Orchard", null);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Structure"))
                .first()
                .click();
        assertThat(page.getByAltText(Pattern.compile("^structure here on"))).isVisible();
        page.getByRole(AriaRole.RADIO).nth(1).click();
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "block.png", "image/png", Base64.getDecoder().decode(PIXEL)));
        assertThat(page.getByText("photo kept")).isVisible();
        page.getByText("Note", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Note").fill("roots along the cracks only");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record"))
                .click();
        page.waitForURL("**/measurements/*");
        assertThat(page.getByText("roots along the cracks only")).isVisible();
        assertThat(chromium.pageErrors).isEmpty();
    }

    @Test
    void aSetOfOnesOwnIsKeptAndWalked() {
        Page page = onWalk("Long Sluice", null);
        page.getByText("Choose …").click();
        page.getByLabel("Smell").check();
        page.getByLabel("Pores").check();
        page.getByLabel("Name, to keep it").fill("By nose and eye");
        page.getByText("Keep the set and walk it").click();
        assertThat(page.getByText("0 of 2", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        // the progress shows behind the panel before the panel has gone, and a key belongs to the panel till then
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
        // a key that is pressed while the walk is laid out anew goes to nobody, and is pressed again; once the test is
        // on
        // its way it is not, since the key then means the test after it
        for (int tries = 0; tries < 5 && !page.url().contains("/porosity"); tries++) {
            page.keyboard().press("n");
            try {
                page.waitForURL("**/porosity/*", new Page.WaitForURLOptions().setTimeout(8000));
            } catch (TimeoutError e) {
                // the key went to nobody
            }
        }
        page.waitForURL("**/porosity/*");
        page.getByRole(AriaRole.RADIO).first().click();
        // a key records what can be recorded, and the rules of the job may still be on their way
        assertThat(button(page, "Record")).isEnabled();
        page.keyboard().press("r");
        page.waitForURL("**/smell/*");
        assertThat(page.getByText("recorded at Stop 1")).isVisible();
    }
}
