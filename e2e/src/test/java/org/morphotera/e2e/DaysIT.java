package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.Geolocation;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/** Where to stand, on which day, in what order and with whom: from an outline to a day that is walked. */
class DaysIT extends Journeys {

    private static final String OUTLINE = """
            {"type": "Feature", "properties": {"name": "Ness Croft"}, "geometry": {"type": "Polygon", "coordinates":
            [[[3.46, 53.84], [3.464, 53.8398], [3.4642, 53.8419], [3.4601, 53.8421], [3.46, 53.84]]]}}""";

    private static final String ZONES = """
            {"type": "FeatureCollection", "features": [{"type": "Feature", "properties": {"id": "Heavy end"}, "geometry":
            {"type": "Polygon", "coordinates":
            [[[3.4599, 53.8399], [3.4619, 53.8399], [3.4619, 53.8422], [3.4599, 53.8422], [3.4599, 53.8399]]]}}]}""";

    private static FilePayload file(String text) {
        return new FilePayload("shape.geojson", "application/geo+json", text.getBytes(StandardCharsets.UTF_8));
    }

    private static Locator section(Page page, String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** A field without a place, with one stop, and a set of two tests that are quick to enter. */
    private static String field(ApiClient advisor, String name, int stops) {
        String grower = UUID.randomUUID().toString();
        String field = UUID.randomUUID().toString();
        advisor.put("/api/growers/" + grower, Map.of("name", "Ness Farm", "version", 0));
        advisor.put(
                "/api/fields/" + field,
                Map.of("growerId", grower, "name", name, "landUse", "arable", "purpose", "field", "version", 0));
        for (int i = 1; i <= stops; i++) {
            advisor.put(
                    "/api/stops/" + UUID.randomUUID(),
                    Map.of("fieldId", field, "label", "Stop " + i, "position", i, "version", 0));
        }
        String set = UUID.randomUUID().toString();
        advisor.put(
                "/api/test-sets/" + set,
                Map.of("name", "Quick two", "methods", List.of("texture-feel", "structure"), "version", 0));
        return field;
    }

    @Test
    void fromAnOutlineToADayThatIsWalked() {
        ApiClient advisor = server.client();
        String field = field(advisor, "Ness Croft", 1);
        Page page = chromium.signedIn(server, 1280, 800);
        page.navigate(server.url("/fields/" + field + "/places"));
        page.getByLabel("File with outline, GeoJSON").setInputFiles(file(OUTLINE));
        assertThat(page.getByText("within the outline")).containsText("6.3 ha");
        page.getByLabel("File with zones, GeoJSON").setInputFiles(file(ZONES));
        assertThat(section(page, "Shapes")).containsText("Heavy end");

        // a bad outline is said to be one, and nothing is changed
        page.getByLabel("File with outline, GeoJSON")
                .setInputFiles(file("{\"type\": \"Polygon\", \"coordinates\": []}"));
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("GeoJSON");
        assertThat(page.getByText("within the outline")).containsText("6.3 ha");

        // the one that was there goes, six come
        button(page, "Change Stop 1").click();
        button(page, "Retire").click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Stops")))
                .fill("6");
        button(page, "Show them").click();
        assertThat(page.getByText("6 new, walked in")).isVisible();
        button(page, "Take these 6").click();
        assertThat(section(page, "Stops")
                        .getByText("Stop 7", new Locator.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();

        // the good days of the field, and a day for two people
        page.navigate(server.url("/fields/" + field));
        assertThat(section(page, "Good days").getByRole(AriaRole.LISTITEM)).hasCount(14);
        page.navigate(server.url("/days/new?fields=" + field));
        for (int stop = 4; stop <= 7; stop++) {
            page.getByLabel("Stop " + stop, new Page.GetByLabelOptions().setExact(true))
                    .uncheck();
        }
        page.getByText("Quick two", new Page.GetByTextOptions().setExact(true)).click();
        button(page, "One more person").click();
        LocalTime now = LocalTime.now(ZoneOffset.UTC);
        // just after midnight the day has not been going for twenty minutes yet
        LocalTime begin = now.isBefore(LocalTime.of(0, 20)) ? LocalTime.MIDNIGHT : now.minusMinutes(20);
        String start = begin.format(DateTimeFormatter.ofPattern("HH:mm"));
        page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true))
                .fill(LocalDate.now(ZoneOffset.UTC).toString());
        page.getByLabel("First step at").fill(start);
        button(page, "Plan it").click();
        page.waitForURL(Pattern.compile("/days/[0-9a-f-]{36}$"));
        String day = page.url();

        // it begins twenty minutes late: two tests at each of two stops, and nothing is planned before now
        Locator ends = page.getByText(Pattern.compile(", until \\d\\d:\\d\\d"));
        assertThat(ends).isVisible();
        String late = ends.innerText().replaceAll("(?s).*until (\\d\\d:\\d\\d).*", "$1");
        if (now.isBefore(LocalTime.of(23, 0))) {
            assertThat(LocalTime.parse(late)).isAfter(now);
        }
        // each one's first step is done at once: what is left is planned anew, and earlier
        for (String name : List.of("Isla Fenn", "Helper 1")) {
            Locator person = section(page, name);
            assertThat(person).containsText("0 of 2 steps done");
            person.getByText("Begin", new Locator.GetByTextOptions().setExact(true))
                    .click();
            person.getByText("Done", new Locator.GetByTextOptions().setExact(true))
                    .click();
            assertThat(person).containsText("1 of 2 steps done");
        }
        assertThat(page.getByText(Pattern.compile("The day ends \\d+ min earlier")))
                .isVisible();

        // the next test is opened from the day, which begins the visit; all are recorded, and the day knows
        section(page, "Helper 1").getByText("Open the test").click();
        page.waitForURL("**/visits/*/stops/**");
        String visit = visitOfDay(advisor, day);
        for (String stop : stopsOfDay(advisor, day)) {
            for (String method : List.of("texture-feel", "structure")) {
                page.navigate(server.url("/visits/" + visit + "/stops/" + stop + "/" + method));
                page.waitForURL("**/" + method + "/*");
                record(page, method);
                assertThat(page).not().hasURL(Pattern.compile("/" + method + "/[^/]+$"));
            }
        }
        page.navigate(day);
        assertThat(section(page, "Isla Fenn")).containsText("All done.");
        assertThat(section(page, "Helper 1")).containsText("All done.");
        assertThat(tests(advisor, visit))
                .containsExactlyInAnyOrder("texture-feel", "texture-feel", "structure", "structure");
        assertThat(chromium.pageErrors).isEmpty();
    }

    /** Enters one of the two tests and records it. */
    private static void record(Page page, String method) {
        if (method.equals("structure")) {
            page.getByRole(AriaRole.RADIO).nth(2).click();
        } else {
            for (int i = 0; i < 2; i++) {
                page.getByRole(
                                AriaRole.RADIO,
                                new Page.GetByRoleOptions().setName("Yes").setExact(true))
                        .nth(i)
                        .click();
            }
            page.getByLabel("Ribbon breaks at").fill("38");
            page.getByRole(
                            AriaRole.RADIO,
                            new Page.GetByRoleOptions().setName("smooth").setExact(true))
                    .first()
                    .click();
        }
        button(page, "Record").click();
        assertThat(page.locator("footer")).containsText("all sent");
    }

    @SuppressWarnings("unchecked")
    private static String visitOfDay(ApiClient advisor, String url) {
        String id = url.substring(url.lastIndexOf('/') + 1);
        Map<String, Object> day =
                (Map<String, Object>) advisor.get("/api/day-plans/" + id).json().get("day");
        return ((List<Map<String, Object>>) day.get("fields"))
                .get(0)
                .get("visitId")
                .toString();
    }

    @SuppressWarnings("unchecked")
    private static List<String> stopsOfDay(ApiClient advisor, String url) {
        String id = url.substring(url.lastIndexOf('/') + 1);
        Map<String, Object> day =
                (Map<String, Object>) advisor.get("/api/day-plans/" + id).json().get("day");
        return (List<String>)
                ((List<Map<String, Object>>) day.get("fields")).get(0).get("stopIds");
    }

    @SuppressWarnings("unchecked")
    private static List<Object> tests(ApiClient advisor, String visit) {
        return ((List<Map<String, Object>>)
                        advisor.get("/api/visits/" + visit).json().get("measurements"))
                .stream().map(each -> each.get("method")).toList();
    }

    @Test
    void aDayIsWalkedWithoutSignal() {
        Page page = chromium.signedIn(server, 390, 844);
        link(page, "Today").click();
        page.waitForURL("**/today");
        section(page, "Days of work").getByText("Gull Polder").first().click();
        page.waitForURL(Pattern.compile("/days/[0-9a-f-]{36}$"));
        assertThat(section(page, "Isla Fenn")).containsText("steps done");
        page.evaluate("navigator.serviceWorker.ready.then(worker => !!worker.active)");
        page.reload();
        assertThat(section(page, "Isla Fenn")).containsText("steps done");
        until(
                page,
                "async () => (await (await caches.open('data-read')).keys())"
                        + ".some(key => key.url.includes('/api/day-plans/'))");
        page.context().setOffline(true);
        page.reload();
        Locator me = section(page, "Isla Fenn");
        assertThat(me).containsText("0 of");
        me.getByText("Begin", new Locator.GetByTextOptions().setExact(true)).click();
        me.getByText("Done", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(me).containsText(Pattern.compile("1 of \\d+ steps done"));
        page.reload();
        assertThat(section(page, "Isla Fenn")).containsText(Pattern.compile("1 of \\d+ steps done"));
        page.context().setOffline(false);
        assertThat(page.locator("footer"))
                .containsText("all sent", new LocatorAssertions.ContainsTextOptions().setTimeout(40_000));
        String id = page.url().substring(page.url().lastIndexOf('/') + 1);
        List<?> marks =
                (List<?>) server.client().get("/api/day-plans/" + id).json().get("marks");
        assertThat(marks).hasSize(1);
    }

    @Test
    void atAStopItIsSaidHowFarItIs() {
        Page page = onNewVisit("Gull Polder", "Drainage only", 390, 844);
        page.context().grantPermissions(List.of("geolocation"));
        Map<String, Object> stop = firstStop(page);
        double longitude = ((Number) stop.get("longitude")).doubleValue();
        double latitude = ((Number) stop.get("latitude")).doubleValue();
        // a hundred metres to the south of it
        page.context().setGeolocation(new Geolocation(latitude - 100 / 111_290.0, longitude).setAccuracy(6));
        button(page, "How far is it?").click();
        assertThat(page.getByText(Pattern.compile("(99|100|101) m to the north")))
                .isVisible();
        page.context().setGeolocation(new Geolocation(latitude, longitude).setAccuracy(3));
        button(page, "Look again").click();
        assertThat(page.getByText("Within 5 m of it")).isVisible();
        assertThat(page.locator("footer")).containsText("all sent");
        String visit = page.url().replaceAll(".*/visits/([^/?]+).*", "$1");
        assertThat((List<?>) server.client().get("/api/visits/" + visit).json().get("fixes"))
                .hasSize(2);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> firstStop(Page page) {
        String visit = page.url().replaceAll(".*/visits/([^/?]+).*", "$1");
        return ((List<Map<String, Object>>)
                        server.client().get("/api/visits/" + visit).json().get("stops"))
                .get(0);
    }
}
