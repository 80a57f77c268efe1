package org.morphotera.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;

/**
 * Every page on the fullest field, at every width at which it is used: nothing wider than the screen, no text cut or too
 * small to read, nothing too small to touch on a phone or tablet.
 */
@Tag("long")
class EveryPageIT extends Journeys {

    private static final int[] WIDTHS = {360, 390, 820, 1280, 1600};
    private static final int WIDEST_IN_A_HAND = 820;
    private static final double LEAST_TEXT_PX = 11;
    private static final double LEAST_CONTROL_PX = 44;

    private static final int LARGE_BYTES = 4000;
    private static final int MOST_BYTES = 210_000;

    /** Long enough for a drawing to be laid out anew after the page has another width. */
    private static final int SETTLE_MS = 80;

    private static String looks() throws IOException {
        try (InputStream file = EveryPageIT.class.getResourceAsStream("/looks.js")) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void nothingSticksOutIsCutOrTooSmall() throws IOException {
        String looks = looks();
        Page page = chromium.signedIn(server, WIDTHS[0], 844);
        List<String> wrong = new ArrayList<>();
        for (String path : paths()) {
            page.setViewportSize(WIDTHS[0], 844);
            page.navigate(server.url(path));
            page.waitForLoadState(LoadState.NETWORKIDLE);
            for (int width : WIDTHS) {
                page.setViewportSize(width, 844);
                page.waitForTimeout(SETTLE_MS);
                Map<String, Object> least = Map.of(
                        "leastText", LEAST_TEXT_PX, "leastControl", width <= WIDEST_IN_A_HAND ? LEAST_CONTROL_PX : 0);
                for (Object each : (List<?>) page.evaluate(looks, least)) {
                    wrong.add(path + " at " + width + ": " + each);
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(chromium.pageErrors).isEmpty();
    }

    /** What the check itself must see, on a page that was spoilt on purpose. */
    @Test
    void noticesWhatIsSpoilt() throws IOException {
        Page page = chromium.signedIn(server, 390, 844);
        page.navigate(server.url("/fields"));
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate("() => {"
                + "const add = (html) => document.querySelector('main').insertAdjacentHTML('beforeend', html);"
                + "add('<p style=\"width:900px\">far too wide to be read on a phone without being moved to and fro</p>');"
                + "add('<p style=\"width:60px;overflow:hidden;white-space:nowrap\">a text that is cut</p>');"
                + "add('<p style=\"font-size:9px\">small print</p>');"
                + "add('<svg viewBox=\"0 0 1000 100\" width=\"300\"><text y=\"50\" font-size=\"13\">shrunk</text></svg>');"
                + "add('<select style=\"width:70px\"><option>a choice that is far too long</option></select>');"
                + "add('<button style=\"height:20px\">tiny</button>'); }");
        List<?> wrong =
                (List<?>) page.evaluate(looks(), Map.of("leastText", LEAST_TEXT_PX, "leastControl", LEAST_CONTROL_PX));
        assertThat(String.join("\n", wrong.stream().map(Object::toString).toList()))
                .contains("the page is")
                .contains("sticks out")
                .contains("“a text that is cut” is cut")
                .contains("“small print” is written 9.0 px large")
                .contains("“shrunk” is written 3.9 px large")
                .contains("the choice “a choice that is far too long” is cut")
                .contains("“tiny” is 20 px tall to touch");
    }

    /** Packed by the build, as small as the browser can take it, and no more of it than the first page needs. */
    @Test
    void theFirstViewAsksForLittleAndItComesPacked() throws Exception {
        Page page = chromium.signedIn(server, 390, 844);
        page.navigate(server.url("/today"));
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Today"))
                .waitFor();
        List<?> scripts = (List<?>) page.evaluate("() => performance.getEntriesByType('resource')"
                + ".map((each) => new URL(each.name).pathname).filter((path) => path.endsWith('.js'))");
        long bytes = 0;
        for (Object script : scripts) {
            HttpResponse<byte[]> gzip = fetched(script.toString(), "gzip");
            bytes += gzip.body().length;
            if (gzip.headers().firstValueAsLong("Content-Length").orElse(0) > LARGE_BYTES) {
                assertThat(gzip.headers().firstValue("Content-Encoding"))
                        .as(script + "")
                        .contains("gzip");
                HttpResponse<byte[]> best = fetched(script.toString(), "gzip, deflate, br, zstd");
                assertThat(best.headers().firstValue("Content-Encoding"))
                        .as(script + "")
                        .contains("br");
                assertThat(best.body().length).isLessThan(gzip.body().length);
            }
        }
        assertThat(scripts).hasSizeGreaterThan(5);
        assertThat(bytes).as("bytes of script, packed by gzip").isLessThan(MOST_BYTES);
        assertThat(scripts.toString()).doesNotContain("morphotera-core");
    }

    private static HttpResponse<byte[]> fetched(String path, String coding) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(server.url(path)))
                                .header("Accept-Encoding", coding)
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
    }

    /** All that the router knows, on the field with the most kinds of test. */
    private static List<String> paths() {
        ApiClient advisor = server.client();
        Map<String, Object> gull = rows(advisor, "/api/fields").stream()
                .filter(field -> field.get("name").equals("Gull Polder"))
                .findFirst()
                .orElseThrow();
        String field = "/fields/" + gull.get("id");
        Map<String, Object> face = advisor.get("/api" + field).json();
        Object visit = ((Map<?, ?>) ((List<?>) face.get("visits")).get(0)).get("id");
        Map<String, Object> walk = advisor.get("/api/visits/" + visit).json();
        Map<?, ?> test = (Map<?, ?>) ((List<?>) walk.get("measurements")).get(0);
        Object stop = ((Map<?, ?>) ((List<?>) walk.get("stops")).get(0)).get("id");
        Object day = rows(advisor, "/api/day-plans?from=2000-01-01").get(0).get("id");
        List<String> paths = new ArrayList<>(List.of(
                "/today",
                "/year",
                "/days/new",
                "/days/" + day,
                "/days/" + day + "/change",
                "/fields",
                "/clocks",
                "/laboratory",
                "/exchange",
                "/settings",
                "/settings/people",
                "/settings/practice",
                "/settings/curves",
                "/settings/log",
                "/products",
                "/calibration",
                "/training",
                "/bench",
                "/bench/texture-jar",
                "/bench/plan/lime",
                "/nowhere",
                "/visits/" + visit,
                "/measurements/" + test.get("id"),
                field));
        for (String view :
                List.of("limits", "plan", "sheet", "sheet?school=points", "change", "compare", "places", "visit")) {
            paths.add(field + "/" + view);
        }
        rows(advisor, "/api/methods")
                .forEach(method -> paths.add("/visits/" + visit + "/stops/" + stop + "/" + method.get("id")));
        return paths;
    }

    private static List<Map<String, Object>> rows(ApiClient client, String path) {
        return client.get(path).list();
    }
}
