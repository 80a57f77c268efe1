package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.security.InvalidKeyException;
import java.time.Instant;
import java.util.Map;
import java.util.regex.Pattern;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** People of a practice: a helper, a grower, an authenticator; and a practice's own curve. */
class PeopleIT extends Journeys {

    private static final String PASSWORD = "sluice bramble quarto";

    private static Locator radio(Page page, String name) {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    /** Invites somebody on the page; they take it up in a browser of their own, and are signed in there. */
    private static Page invited(String name, String email, String role, String grower, int width) {
        Page owner = chromium.signedIn(server, 1280, 800);
        owner.navigate(server.url("/settings/people"));
        button(owner, "Invite somebody").click();
        owner.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(name);
        owner.getByLabel("E-mail they will sign in with").fill(email);
        radio(owner, role).check();
        if (grower != null) {
            owner.getByLabel("Whose fields").selectOption(grower);
        }
        button(owner, "Make the invitation").click();
        String address = owner.locator("code").innerText();
        owner.context().close();

        Page page = chromium.open(width, 844);
        page.navigate(address);
        page.getByLabel("A password of your own").fill("123456789012");
        button(page, "Begin").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("among the first that others would try");
        page.getByLabel("A password of your own").fill(PASSWORD);
        button(page, "Begin").click();
        page.waitForURL(Pattern.compile("/(fields|today)$"));
        return page;
    }

    @Test
    void aHelperRecordsAtTheVisitGivenAndPlansNothing() {
        Page helper = invited("Teal", "teal@tidemark.example", "Helper", null, 390);
        assertThat(helper.getByText("Fields appear once an advisor has given you a visit"))
                .isVisible();

        Page advisor = onNewVisit("Gull Polder", null, 1280, 800);
        button(advisor, "Helpers").click();
        advisor.getByLabel("Teal").click();
        assertThat(advisor.getByLabel("Teal")).isChecked();
        assertThat(advisor.getByText("Given to Teal to record at.")).isVisible();
        String visit = advisor.url();

        helper.reload();
        link(helper, "Gull Polder").click();
        assertThat(helper.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Plan")))
                .hasCount(0);
        assertThat(helper.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("New visit")))
                .hasCount(0);
        helper.navigate(visit);
        link(helper, "Smell").click();
        helper.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^2")))
                .or(helper.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^2"))))
                .first()
                .click();
        button(helper, "Record").click();
        helper.navigate(visit);
        assertThat(helper.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Smell again"))
                        .first())
                .isVisible();
        // and nothing else, however it is asked for
        ApiClient client = server.nobody().signIn("teal@tidemark.example", PASSWORD);
        String field = client.get("/api/fields").list().get(0).get("id").toString();
        assertThat(client.get("/api/fields/" + field + "/plan").status()).isEqualTo(403);
        assertThat(client.put("/api/growers/" + field, Map.of("name", "x", "version", 0))
                        .status())
                .isEqualTo(403);

        // removed, the helper is out at once; the name stays
        Page owner = chromium.signedIn(server, 1280, 800);
        owner.navigate(server.url("/settings/people"));
        owner.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Teal")))
                .click();
        button(owner, "Remove from the practice").click();
        button(owner, "Remove").click();
        assertThat(owner.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("No longer here")))
                .isVisible();
        helper.reload();
        helper.waitForURL("**/sign-in");
    }

    @Test
    void aGrowerSeesTheOwnFieldsOnly() {
        Page owner = chromium.signedIn(server, 1280, 800);
        owner.navigate(server.url("/fields?order=name"));
        owner.locator("main li a").first().waitFor();
        int all = owner.locator("main li a").count();
        String grower = owner.getByLabel("Grower").locator("option").nth(1).innerText();
        owner.getByLabel("Grower").selectOption(grower);
        owner.waitForURL("**grower=**");
        owner.waitForTimeout(500);
        int own = owner.locator("main li a").count();
        assertThat(own).isPositive().isLessThan(all);
        owner.context().close();

        Page page = invited("Reed", "reed@tidemark.example", "Grower", grower, 390);
        assertThat(page.locator("main li a")).hasCount(own);
        page.locator("main li a").first().click();
        page.waitForURL("**/fields/*");
        link(page, "Plan").click();
        page.waitForURL("**/plan");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile(" plan$")))
                        .first())
                .isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it up")))
                .hasCount(0);
        link(page, "Limits").click();
        page.waitForURL("**/limits");
        // the plan, which has a heading for paper too, stands until the limits have come
        assertThat(page.locator("main h1", new Page.LocatorOptions().setHasText(Pattern.compile("[Ll]imit"))))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
        assertThat(page.getByText("could not be fetched")).hasCount(0);
    }

    @Test
    void anAuthenticatorIsAskedForAtTheNextSignIn() throws InvalidKeyException {
        Page page = invited("Moss", "moss@tidemark.example", "Advisor", null, 1280);
        page.navigate(server.url("/settings"));
        button(page, "Set one up").click();
        String secret = page.locator("code").innerText().replace(" ", "");
        page.getByLabel("Six figures that it shows now").fill(code(secret, -1));
        page.getByLabel("Your password").fill(PASSWORD);
        button(page, "Use it from now on").click();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Codes for when it is lost"))
                        .getByRole(AriaRole.LISTITEM))
                .hasCount(8);
        button(page, "I have kept them").click();
        button(page, "Sign out").click();
        page.waitForURL("**/sign-in");
        page.getByLabel("E-mail").fill("Moss@Tidemark.example");
        page.getByLabel("Password").fill(PASSWORD);
        button(page, "Sign in").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Give the code");
        page.getByLabel("Code").fill(code(secret, 0));
        button(page, "Sign in").click();
        page.waitForURL("**/today");
    }

    private static String code(String secret, int steps) throws InvalidKeyException {
        return new TimeBasedOneTimePasswordGenerator()
                .generateOneTimePasswordString(
                        new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
                        Instant.now().plusSeconds(30L * steps));
    }

    private static void assertJudged(Page page) {
        assertThat(page.getByText("All findings are judged by these."))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
    }

    @Test
    void aBandOfOnesOwnIsLookedAtAndThenJudges() {
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/settings/curves"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Infiltration")))
                .click();
        Locator figures = page.getByLabel(Pattern.compile("^Figure of point"));
        // everything is held to ten times as much
        for (int i = figures.count() - 1; i > 0; i--) {
            figures.nth(i).fill(figures.nth(i).inputValue() + "0");
        }
        page.getByLabel("Who says so").fill("Our own fields");
        button(page, "Take it in").click();
        button(page, "See what changes").click();
        Locator changes = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Findings that change"));
        assertThat(changes.getByRole(AriaRole.LISTITEM).first()).containsText("Water entering the soil");
        button(page, "Keep, and judge by them").click();
        assertJudged(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Infiltration")))
                .click();
        button(page, "As it ships again").click();
        button(page, "Keep, and judge by them").click();
        assertJudged(page);
        assertThat(page.getByText("own", new Page.GetByTextOptions().setExact(true)))
                .hasCount(0);
    }
}
