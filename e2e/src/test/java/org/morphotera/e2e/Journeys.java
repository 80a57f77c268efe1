package org.morphotera.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;

/** One server with fresh demo data and one browser for all journeys of a class. */
abstract class Journeys {

    static ServerProcess server;
    static Chromium chromium;

    @BeforeAll
    static void startServerAndBrowser() {
        server = ServerProcess.demo();
        chromium = new Chromium();
    }

    @AfterAll
    static void end() {
        chromium.close();
        server.close();
    }

    /**
     * Waits until something is so in the page. Asked each time anew from here: a page that polls its own text has it
     * refused by the content security policy from the second look on.
     */
    static void until(Page page, String expression) {
        page.waitForCondition(() -> (Boolean) page.evaluate(expression));
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** The first link whose name has these words. */
    static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name))
                .first();
    }

    /** On a field, found by its name in the list. */
    static Page onField(String name, int width, int height) {
        Page page = chromium.signedIn(server, width, height);
        link(page, name).click();
        page.waitForURL("**/fields/*");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name))
                .waitFor();
        return page;
    }

    /** On a new visit, the soil moist, two days after rain; with a set of tests, or {@code null} for all. */
    static Page onNewVisit(String field, String set, int width, int height) {
        return visiting(onField(field, width, height), set);
    }

    /** From a field's page. */
    static Page visiting(Page page, String set) {
        link(page, "New visit").click();
        page.getByText("moist", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Days since real rain").fill("2");
        page.getByLabel("Soil temperature").fill("12");
        if (set != null) {
            page.getByText(set, new Page.GetByTextOptions().setExact(true)).click();
        }
        button(page, "Begin the walk").click();
        page.waitForURL("**/visits/*");
        return page;
    }
}
