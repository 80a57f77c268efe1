package org.morphotera.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.server.ApiClient;

/** Debian's Chromium without a window, and what every journey does in it. */
final class Chromium implements AutoCloseable {

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser;

    static {
        // a page that plans a day takes several seconds on a machine that is busy with other work
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
    }

    /** Errors that pages reported, of every page opened here. */
    final List<String> pageErrors = new ArrayList<>();

    Chromium() {
        this(List.of());
    }

    /** @param more options, such as what its camera sees */
    Chromium(List<String> more) {
        List<String> options = new ArrayList<>(List.of(
                "--no-sandbox",
                "--disable-gpu",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--no-first-run",
                "--disable-quic"));
        options.addAll(more);
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(options));
    }

    /** With a camera that sees one picture for ever. */
    static Chromium seeing(Path mjpeg) {
        return new Chromium(List.of(
                "--use-fake-ui-for-media-stream",
                "--use-fake-device-for-media-stream",
                "--use-file-for-fake-video-capture=" + mjpeg));
    }

    /** A page of a browser that nobody has used before. */
    Page open(int width, int height) {
        BrowserContext context = browser.newContext(
                new Browser.NewContextOptions().setViewportSize(width, height).setTimezoneId("UTC"));
        Page page = context.newPage();
        page.onPageError(pageErrors::add);
        return page;
    }

    Page signedIn(ServerProcess server, int width, int height) {
        Page page = open(width, height);
        page.navigate(server.url("/sign-in"));
        page.getByLabel("E-mail").fill(ApiClient.TIDEMARK);
        page.getByLabel("Password").fill(ApiClient.PASSWORD);
        page.keyboard().press("Enter");
        page.waitForURL("**/today");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Fields").setExact(true))
                .click();
        page.waitForURL("**/fields");
        // the page before stays in sight until the next one was fetched
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Fields").setExact(true))
                .waitFor();
        return page;
    }

    @Override
    public void close() {
        playwright.close();
    }
}
