package org.morphotera.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Takes one picture of each main view from fresh demo data; run by {@code bin/screenshots} only. */
class Screenshots {

    private static final Path FOLDER = Path.of(System.getProperty("morphotera.screenshots", "target/screenshots"));

    @Test
    void oneOfEachMainView() {
        try (ServerProcess server = ServerProcess.demo();
                Chromium chromium = new Chromium()) {
            desk(server, chromium);
            field(server, chromium);
            assertThat(chromium.pageErrors).isEmpty();
        }
    }

    private static void desk(ServerProcess server, Chromium chromium) {
        Page page = chromium.signedIn(server, 1280, 800);
        laboratory(server, page);
        page.navigate(server.url("/fields"));
        shoot(page, "fields");
        page.navigate(server.url("/today"));
        shoot(page, "today");
        page.getByText("Gull Polder").first().click();
        page.waitForURL("**/days/*");
        page.locator("svg[aria-label^=Lanes]").waitFor();
        shoot(page, "day");
        page.navigate(server.url("/fields"));
        open(page, "Gull Polder");
        shoot(page, "field-face");
        page.navigate(page.url() + "/places");
        shoot(page, "places");
        page.goBack();
        page.locator("button[aria-pressed]").first().click();
        page.locator("a[href^='/measurements/']").first().click();
        page.waitForURL("**/measurements/*");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("visit").setExact(true))
                .click();
        page.waitForURL("**/visits/*");
        shoot(page, "visit");
        page.navigate(server.url("/fields"));
        open(page, "Craigend Ley");
        String field = page.url();
        page.navigate(field + "/sheet?school=points");
        shoot(page, "sheet");
        page.navigate(field + "/compare");
        shoot(page, "compare");
        page.navigate(field + "/change?indicator=ph&band=mid-100-200");
        shoot(page, "change");
        page.navigate(server.url("/fields"));
        open(page, "Long Sluice");
        page.navigate(page.url() + "/limits");
        shoot(page, "limits");
        page.navigate(server.url("/fields"));
        open(page, "Gull Polder");
        page.navigate(page.url() + "/plan");
        shoot(page, "plan");
        page.navigate(server.url("/bench/texture-jar"));
        String[][] marks = {
            {"Ruler at the top of the sand", "26"},
            {"Ruler at the top of the silt", "48"},
            {"Ruler at the top of the clay", "60"},
            {"Height of the water", "148"}
        };
        for (String[] mark : marks) {
            page.getByLabel(mark[0]).fill(mark[1]);
        }
        page.evaluate("window.scrollTo(0, 0)");
        shoot(page, "bench");
    }

    private static void field(ServerProcess server, Chromium chromium) {
        Page page = chromium.signedIn(server, 390, 844);
        page.navigate(server.url("/today"));
        page.getByText("Gull Polder").first().click();
        page.waitForURL("**/days/*");
        page.locator("svg[aria-label^=Lanes]").waitFor();
        shoot(page, "day-phone");
        page.navigate(server.url("/fields"));
        open(page, "Long Sluice");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("New visit"))
                .click();
        page.getByText("moist", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Days since real rain").fill("5");
        page.getByText("Begin the walk").click();
        page.waitForURL("**/visits/*");
        String visit = page.url();
        test(page, visit, "Probe");
        for (String push : new String[] {"081216242826", "091115232724"}) {
            page.getByLabel(Pattern.compile("^Push \\d")).first().fill(push);
            page.keyboard().press("Enter");
        }
        page.evaluate("window.scrollTo(0, 0)");
        shoot(page, "probe-phone");
        test(page, visit, "Earthworms");
        page.getByLabel("Adults", new Page.GetByLabelOptions().setExact(true)).fill("4");
        page.getByLabel("Young", new Page.GetByLabelOptions().setExact(true)).fill("7");
        page.navigate(visit);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Crumbs in water"))
                .first()
                .click();
        page.getByText("Start clock").click();
        page.getByLabel(Pattern.compile("^Crumb 2:")).click();
        page.keyboard().press("Enter");
        page.getByLabel(Pattern.compile("^Crumb 5:")).click();
        shoot(page, "crumbs-phone");
        page.navigate(server.url("/training"));
        page.getByLabel(Pattern.compile("^Soil number")).fill("18");
        page.getByText("Draw a soil").click();
        page.getByText("min of work so far").waitFor();
        page.navigate(server.url("/training/round/structure/0"));
        page.getByText("upper part").waitFor();
        shoot(page, "training-phone");
        page.navigate(visit);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Water leaving a hole"))
                .first()
                .click();
        String[][] levels = {{"09:05", "262"}, {"09:20", "231"}, {"09:50", "203"}, {"10:30", "178"}, {"11:25", "146"}};
        for (String[] level : levels) {
            page.getByLabel("at, if not now").fill(level[0]);
            page.getByLabel("Depth of the water").fill(level[1]);
            page.keyboard().press("Enter");
        }
        page.evaluate("window.scrollTo(0, 0)");
        shoot(page, "hole-phone");
        page.setViewportSize(1280, 800);
        test(page, visit, "Soil in a jar");
        page.getByLabel("Height of the water").fill("148");
        page.getByLabel("Ruler at the top of the sand").fill("26");
        page.getByLabel("Ruler at the top of the silt").fill("48");
        page.getByLabel("Ruler at the top of the clay").fill("60");
        page.evaluate("window.scrollTo(0, 0)");
        shoot(page, "jar");
    }

    private static void test(Page page, String visit, String title) {
        page.navigate(visit);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(title))
                .first()
                .click();
    }

    private static void open(Page page, String field) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(field))
                .first()
                .click();
        page.waitForURL("**/fields/*");
    }

    private static void shoot(Page page, String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate("document.fonts.ready");
        page.waitForTimeout(700);
        Path file = FOLDER.resolve(name + ".png");
        page.screenshot(new Page.ScreenshotOptions().setPath(file));
        assertThat(file).isRegularFile();
    }

    /** A bag that is here and one that was sent, of the fullest field. */
    private static void laboratory(ServerProcess server, Page page) {
        page.navigate(server.url("/laboratory"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add a laboratory"))
                .click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Loamworks");
        page.getByLabel("Simulated: answers by itself, to try it out").check();
        page.getByLabel("pH", new Page.GetByLabelOptions().setExact(true)).fill("9.5");
        page.getByLabel("Organic matter").fill("14");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep it"))
                .click();
        for (String field : List.of("Gull Polder", "Craigend Ley", "Long Sluice")) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bag a composite"))
                    .click();
            page.getByLabel("Field", new Page.GetByLabelOptions().setExact(true))
                    .selectOption(field);
            if (field.equals("Craigend Ley")) {
                page.getByLabel("Nitrate").check();
            }
            page.getByText("cores, 0 to").first().waitFor();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Bag it|Make 2 bags")))
                    .click();
            page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            if (field.equals("Gull Polder")) {
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Note as sent"))
                        .click();
                page.getByText("At a laboratory").waitFor();
            }
        }
        shoot(page, "laboratory");
    }
}
