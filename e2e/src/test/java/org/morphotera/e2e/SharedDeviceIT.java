package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** One device in several hands: nobody sees what was somebody else's, and nobody's unsent work is lost. */
class SharedDeviceIT extends Journeys {

    private static void signIn(Page page, String email) {
        page.waitForURL("**/sign-in");
        page.getByLabel("E-mail").fill(email);
        page.getByLabel("Password").fill(ApiClient.PASSWORD);
        button(page, "Sign in").click();
        page.waitForURL(Pattern.compile("/(today|fields)$"));
        link(page, "Fields").click();
        page.waitForURL("**/fields");
    }

    private static void fieldsAreThere(Page page) {
        assertThat(link(page, "Long Dyke")).isVisible();
        // the page and what it read are kept for a walk without signal
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        assertThat(link(page, "Long Dyke")).isVisible();
        until(page, "async () => (await (await caches.open('data-read')).keys()).length > 0");
    }

    /** Everything that this browser has kept of answers, as text. */
    @SuppressWarnings("unchecked")
    private static String kept(Page page) {
        List<String> texts = (List<String>) page.evaluate("async () => { const all = [];"
                + "for (const name of (await caches.keys()).filter(n => n.startsWith('data-')))"
                + "  for (const key of await (await caches.open(name)).keys()) {"
                // one may give way to a newer one meanwhile
                + "    const answer = await (await caches.open(name)).match(key);"
                + "    if (answer) all.push(key.url + await answer.text()); }"
                + "return all }");
        return String.join("\n", texts);
    }

    @Test
    void signingOutLeavesNothingToReadWithoutSignal() {
        Page page = chromium.signedIn(server, 1280, 800);
        fieldsAreThere(page);
        assertThat(kept(page)).contains("Long Dyke");
        button(page, "Sign out").click();
        page.waitForURL("**/sign-in");
        assertThat(kept(page)).doesNotContain("Long Dyke", "Tidemark");
        page.context().setOffline(true);
        page.navigate(server.url("/fields"));
        page.waitForTimeout(1500);
        assertThat(page.getByText("Long Dyke")).hasCount(0);
    }

    @Test
    void aSessionThatEndedShowsNothingAnyMoreWithSignalOrWithout() {
        Page page = chromium.signedIn(server, 390, 844);
        fieldsAreThere(page);
        // it ends without this page having a hand in it
        page.context().clearCookies();
        page.navigate(server.url("/clocks"));
        page.waitForURL("**/sign-in");
        until(
                page,
                "async () => !(await caches.has('data-read'))"
                        + " || (await (await caches.open('data-read')).keys()).length === 0");
        page.context().setOffline(true);
        page.navigate(server.url("/fields"));
        page.waitForTimeout(1500);
        assertThat(page.getByText("Long Dyke")).hasCount(0);
        assertThat(page.getByText("Tidemark")).hasCount(0);
    }

    @Test
    void aSecondPracticeSeesOnlyItsOwnAndTheFirstFindsItsUnsentWork() {
        Page page = chromium.signedIn(server, 1280, 800);
        fieldsAreThere(page);
        link(page, "Long Dyke").click();
        page.waitForURL("**/fields/*");
        link(page, "New visit").click();
        page.getByText("moist", new Page.GetByTextOptions().setExact(true)).click();
        page.context().setOffline(true);
        button(page, "Begin the walk").click();
        page.waitForURL("**/visits/*");
        String visit = page.url().replaceFirst(".*/visits/", "");
        assertThat(page.locator("footer")).containsText("not sent");
        // back at the desk the session has ended, and somebody of another practice takes the device
        page.context().clearCookies();
        page.context().setOffline(false);
        page.navigate(server.url("/fields"));
        signIn(page, ApiClient.EBBSIDE);
        assertThat(page.getByRole(AriaRole.LINK)
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("Long Dyke")))
                .hasCount(0);
        assertThat(page.locator("footer")).not().containsText("not sent");
        assertThat(kept(page)).doesNotContain("Long Dyke");
        button(page, "Sign out").click();
        signIn(page, ApiClient.TIDEMARK);
        assertThat(page.locator("footer")).containsText("all sent");
        assertThat(server.client().get("/api/visits/" + visit).status()).isEqualTo(200);
    }
}
