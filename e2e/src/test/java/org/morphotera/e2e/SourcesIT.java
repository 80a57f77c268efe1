package org.morphotera.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Which readings speak: stops by their role, the laboratory before a kit, treated stops against one left alone. */
class SourcesIT extends Journeys {

    private static final String PUT = """
            async ([path, body]) => {
              const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1])
              const answer = await fetch(path, {
                method: 'PUT',
                headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                body: JSON.stringify(body),
              })
              return answer.status
            }
            """;

    private static final String GROWER = "1f0c6f64-5c1b-4d0a-9f7e-3f0f7d8a9c11";

    private final Page page = chromium.signedIn(server, 1280, 800);
    private final String field = UUID.randomUUID().toString();
    private final List<String> stops = new ArrayList<>();

    private void put(String path, Map<String, Object> body) {
        Object status = page.evaluate(PUT, List.of("/api/" + path, body));
        assertThat(((Number) status).intValue()).as(path).isBetween(200, 299);
    }

    /** A field with some stops. */
    private void land(String name, int count) {
        put("growers/" + GROWER, Map.of("name", "Sallow Bank", "version", 0));
        put(
                "fields/" + field,
                Map.of(
                        "growerId",
                        GROWER,
                        "name",
                        name,
                        "landUse",
                        "arable",
                        "crop",
                        "cereal",
                        "textureClass",
                        "loam",
                        "areaHa",
                        6,
                        "purpose",
                        "field",
                        "version",
                        0));
        for (int i = 1; i <= count; i++) {
            String stop = UUID.randomUUID().toString();
            stops.add(stop);
            put("stops/" + stop, Map.of("fieldId", field, "label", "Place " + i, "position", i, "version", 0));
        }
    }

    private String visit(LocalDate on) {
        String visit = UUID.randomUUID().toString();
        put(
                "visits/" + visit,
                Map.of(
                        "fieldId",
                        field,
                        "visitedOn",
                        on.toString(),
                        "soilMoisture",
                        "moist",
                        "daysSinceRain",
                        2,
                        "version",
                        0));
        return visit;
    }

    private void record(String visit, int stop, String method, Map<String, Object> readings, LocalDate on) {
        put(
                "measurements/" + UUID.randomUUID(),
                Map.of(
                        "visitId",
                        visit,
                        "stopId",
                        stops.get(stop),
                        "method",
                        method,
                        "readings",
                        readings,
                        "depthTopMm",
                        0,
                        "depthBottomMm",
                        200,
                        "takenAt",
                        on + "T10:00:00Z"));
    }

    private void ph(String visit, int stop, String kind, double value, LocalDate on) {
        Map<String, Object> layer = Map.of("topMm", 0, "bottomMm", 200, "value", value);
        record(visit, stop, "ph", Map.of("kind", kind, "layers", List.of(layer)), on);
    }

    private Locator region(String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void aLaboratoryRefutesAKitAndTakesTheLimeOutOfThePlan() {
        LocalDate spring = LocalDate.now().minusMonths(2);
        LocalDate later = LocalDate.now().minusMonths(1);
        land("Kit Croft", 3);
        String walked = visit(spring);
        for (int i = 0; i < 3; i++) {
            ph(walked, i, "vial-kit", 5.1, spring);
        }
        page.navigate(server.url("/fields/" + field + "/plan"));
        assertThat(region("Proposed").getByText("Lime", new Locator.GetByTextOptions().setExact(true)))
                .isVisible();
        page.navigate(server.url("/fields/" + field + "/limits"));
        assertThat(page.getByText("Counts less: a kit's colours, not a meter.").first())
                .isVisible();
        String sampled = visit(later);
        record(
                sampled,
                0,
                "lab-result",
                Map.of("analytes", List.of(Map.of("code", "ph-water", "value", 6.7, "unit", "pH"))),
                later);
        page.navigate(server.url("/fields/" + field + "/plan"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Kit Croft")))
                .isVisible();
        assertThat(page.getByText("Lime", new Page.GetByTextOptions().setExact(true)))
                .hasCount(0);
        page.navigate(server.url("/fields/" + field + "/limits"));
        assertThat(page.getByText("Too little seen to say").or(page.getByText("Nothing is probable enough")))
                .isVisible();
    }

    @Test
    void aStopThatWasLeftAloneTellsWhatTheLimeDid() {
        LocalDate before = LocalDate.now().minusYears(1);
        LocalDate after = LocalDate.now().minusDays(3);
        land("Left Alone", 5);
        String first = visit(before);
        String second = visit(after);
        for (int i = 0; i < 5; i++) {
            ph(first, i, "meter-1to1", 5.3 + 0.1 * (i % 2), before);
            ph(second, i, "meter-1to1", 5.3 + 0.1 * (i % 2) + (i < 4 ? 0.7 : 0), after);
        }
        put(
                "events/" + UUID.randomUUID(),
                Map.of(
                        "fieldId",
                        field,
                        "happenedOn",
                        before.plusDays(20).toString(),
                        "kind",
                        "lime",
                        "what",
                        "Ground limestone",
                        "version",
                        0));
        page.navigate(server.url("/fields/" + field + "/change?indicator=ph"));
        Locator done = region("What was done");
        assertThat(done.getByText(Pattern.compile("none left alone"))).isVisible();
        region("Control").getByText("Place 5").click();
        assertThat(done.getByText(Pattern.compile("4 stops where it was done, 1 left alone")))
                .isVisible();
        assertThat(done.getByText("It raised it: better")).isVisible();
        assertThat(region("Control")).hasCount(0);
        page.reload();
        assertThat(done.getByText("It raised it: better")).isVisible();
    }

    @Test
    void aReferenceIsSetOnTheFieldsPageAndNoLongerAveragedIn() {
        land("Hedge Row", 3);
        LocalDate on = LocalDate.now().minusDays(5);
        String walked = visit(on);
        ph(walked, 0, "meter-1to1", 6.4, on);
        ph(walked, 1, "meter-1to1", 6.6, on);
        ph(walked, 2, "meter-1to1", 4.9, on);
        page.navigate(server.url("/fields/" + field));
        Locator ground = region("The ground");
        assertThat(ground.getByText(Pattern.compile("^6 pH$|^6\\.0 pH$|^6\\.1 pH$")))
                .isVisible();
        page.getByLabel("What Place 3 stands for").selectOption("reference");
        // the odd stop hardly moves the field any more
        assertThat(ground.getByText(Pattern.compile("^6\\.[345] pH$"))).isVisible();
        page.reload();
        assertThat(page.getByLabel("What Place 3 stands for")).hasValue("reference");
        page.navigate(server.url("/visits/" + walked));
        assertThat(page.getByText("Reference", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
    }
}
