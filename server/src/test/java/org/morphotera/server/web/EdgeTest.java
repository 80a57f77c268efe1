package org.morphotera.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** What no controller should ever see: texts that can't be stored, bodies that never end, requests that are none. */
@ExtendWith(RunningApp.class)
class EdgeTest {

    private final ApiClient advisor;

    EdgeTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static void problem(Answer answer, int status) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(status);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.json()).containsKey("detail");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"\\u0000", "\\u0007", "\\ud800", "\\udc00x", "\\u007f", "\\u001b[31m", "\\ufffe", "\\uffff"})
    void textThatCantBeShownIsRefusedWithItsPlace(String escape) {
        String body = "{\"name\": \"Dyke" + escape + "\", \"version\": 0}";
        Answer answer = advisor.send("PUT", "/api/growers/" + UUID.randomUUID(), body, "application/json");
        problem(answer, 422);
        assertThat(Land.rows(answer.json(), "errors").get(0)).containsEntry("field", "name");
        // deep in a free form, and as a name
        Answer evaluated = advisor.send(
                "POST",
                "/api/methods/pit/evaluate",
                "{\"readings\": {\"layers\": [{\"a" + escape + "\": 1}]}}",
                "application/json");
        if (evaluated.status() == 400) {
            // half a character is no name in JSON
            problem(evaluated, 400);
            return;
        }
        problem(evaluated, 422);
        assertThat(Land.rows(evaluated.json(), "errors").get(0).get("field").toString())
                .startsWith("readings.layers[0]");
    }

    @Test
    void lineBreaksTabsAndEveryScriptAreText() {
        String name = "Żytnia\t土壤\n🌱 Ñandú";
        Answer answer = advisor.put("/api/growers/" + UUID.randomUUID(), Map.of("name", name, "version", 0));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json()).containsEntry("name", name);
    }

    @Test
    void textThatIsTooLongForItsPlaceIsRefused() {
        Land land = new Land(advisor, 1);
        String visit = land.visit(java.time.LocalDate.now());
        Map<String, Object> draft = Map.of(
                "visitId", visit,
                "stopId", land.stops.get(0),
                "method", "m".repeat(90),
                "content", Map.of(),
                "version", 0);
        problem(advisor.put("/api/drafts/" + UUID.randomUUID(), draft), 422);
        Map<String, Object> action = Map.of(
                "fieldId",
                land.field,
                "kind",
                "cover",
                "inputs",
                Map.of("note", "x".repeat(20_000)),
                "state",
                "agreed",
                "version",
                0);
        problem(advisor.put("/api/actions/" + UUID.randomUUID(), action), 422);
        problem(
                advisor.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "y".repeat(150_000), "version", 0)),
                422);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/fields?find=%00",
                "/api/fields?find=%ff%fe",
                "/api/fields?find=a%01b",
                "/api/fields?offset=99999999999999999999",
                "/api/fields/not-an-id",
                "/api/devices/ph/readings",
                "/api/fields/00000000-0000-0000-0000-000000000000/change?from=%2B999999999-01-01"
            })
    void queriesThatCantBeMeantAreProblems(String path) {
        Answer answer = advisor.get(path);
        assertThat(answer.status()).as("%s", answer).isBetween(400, 422);
        assertThat(answer.type()).startsWith("application/problem+json");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "multipart/form-data",
                "multipart/form-data; boundary=x",
                "text/plain",
                "application/xml",
                "no type at all",
                "*/*",
                "application/*",
                "application/json; charset=klingon",
                "application/x-www-form-urlencoded"
            })
    void contentOfAnotherKindIsAProblem(String type) throws IOException {
        String said = raw("PUT /api/growers/" + UUID.randomUUID() + " HTTP/1.1\r\nHost: x\r\nContent-Type: " + type
                + "\r\nContent-Length: 2\r\nConnection: close\r\n\r\n{}");
        assertThat(said.substring(9, 12)).as(said).matches("4\\d\\d");
        assertThat(said.toLowerCase(java.util.Locale.ROOT)).contains("content-type: application/problem+json");
    }

    @ParameterizedTest
    @ValueSource(strings = {"*/*", "image/*", "application/*+json", "*"})
    void noCallFailsOnAKindThatSaysNothing(String type) {
        Land land = new Land(advisor, 1);
        String place = "?visit=" + land.visit(java.time.LocalDate.of(2026, 4, 10)) + "&stop=" + land.stops.get(0)
                + "&takenAt=2026-04-10T10:00:00Z";
        Map.of(
                        "/api/photos/" + UUID.randomUUID() + place,
                        "PUT",
                        "/api/uploads",
                        "POST",
                        "/api/session",
                        "POST",
                        "/api/calculators/ph-scale",
                        "POST",
                        "/api/methods/ph/evaluate",
                        "POST",
                        "/api/photo-readings/cover",
                        "POST",
                        "/api/judgements",
                        "POST",
                        "/api/imports/readings",
                        "POST",
                        "/api/me/settings",
                        "PUT")
                .forEach((path, method) -> {
                    Answer answer = advisor.send(method, path, "{}", type);
                    assertThat(answer.status()).as("%s: %s", path, answer).isBetween(400, 499);
                    assertThat(answer.type()).as(path).startsWith("application/problem+json");
                });
    }

    @Test
    void theContainersOwnAnswersAreProblemsToo() {
        ApiClient nobody = RunningApp.client();
        problem(nobody.get("/error"), 404);
        problem(nobody.get("/actuator/env"), 401);
        problem(advisor.send("PATCH", "/api/growers/" + UUID.randomUUID(), "{}", "application/json"), 405);
        problem(
                nobody.send("POST", "/api/session", "email=" + "a".repeat(9000), "application/x-www-form-urlencoded"),
                413);
    }

    @Test
    void whatIsNoRequestIsAnsweredWithoutAPage() throws IOException {
        assertThat(raw("GET /api/fields/%zz HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n"))
                .startsWith("HTTP/1.1 400")
                .doesNotContain("<html", "<!doctype");
        assertThat(raw("GET /api/\\..\\x HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n"))
                .startsWith("HTTP/1.1 400")
                .doesNotContain("<html", "<!doctype");
    }

    @Test
    void bodiesThatNeverEndKeepNobodyWaiting() throws IOException {
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 220; i++) {
                Socket socket = new Socket("127.0.0.1", RunningApp.port());
                slow.add(socket);
                OutputStream out = socket.getOutputStream();
                out.write(("POST /api/methods/ph/evaluate HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\n"
                                + "Content-Length: 5000\r\n\r\n{")
                        .getBytes(StandardCharsets.US_ASCII));
                out.flush();
            }
            long start = System.nanoTime();
            assertThat(advisor.get("/api/fields").status()).isEqualTo(200);
            assertThat((System.nanoTime() - start) / 1_000_000)
                    .as("ms")
                    .isLessThan(10_000); // as long as one of them is waited for
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
    }

    private static String raw(String request) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", RunningApp.port())) {
            socket.setSoTimeout(10_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
            InputStream in = socket.getInputStream();
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e400", "-1e400", "\"Infinity\"", "\"-Infinity\"", "\"NaN\""})
    void whatIsNoFiniteNumberIsRefusedWithItsPlaceWhereverItStands(String number) {
        Land land = new Land(advisor, 1);
        String visit = land.visit(java.time.LocalDate.of(2026, 4, 10));
        String place = "\"visitId\": \"" + visit + "\", \"stopId\": \"" + land.stops.get(0) + "\", ";
        Map<String, String> bodies = Map.of(
                "/api/fields/" + land.field,
                "{\"growerId\": \"" + land.grower
                        + "\", \"name\": \"x\", \"landUse\": \"arable\", \"purpose\": \"field\", \"areaHa\": %s, \"version\": 1}",
                "/api/drafts/" + UUID.randomUUID(),
                "{" + place + "\"method\": \"ph\", \"depthTopMm\": %s, \"content\": {}, \"version\": 0}",
                "/api/events/" + UUID.randomUUID(),
                "{\"fieldId\": \"" + land.field
                        + "\", \"happenedOn\": \"2026-05-01\", \"kind\": \"lime\", \"what\": \"x\", \"cost\": %s, \"version\": 0}",
                "/api/measurements/" + UUID.randomUUID(),
                "{" + place
                        + "\"method\": \"smell\", \"readings\": {\"score\": 2}, \"takenAt\": \"2026-04-10T10:00:00Z\", "
                        + "\"depthTopMm\": 0, \"depthBottomMm\": %s}");
        Map<String, String> named =
                Map.of("fields", "areaHa", "drafts", "depthTopMm", "events", "cost", "measurements", "depthBottomMm");
        bodies.forEach((path, body) -> {
            Answer answer = advisor.send("PUT", path, body.formatted(number), "application/json");
            problem(answer, 422);
            assertThat(Land.rows(answer.json(), "errors").get(0))
                    .as(path)
                    .containsEntry("field", named.get(path.split("/")[2]));
            // and as the number that it should be it is taken
            assertThat(advisor.send("PUT", path, body.formatted("150"), "application/json")
                            .status())
                    .as(path)
                    .isEqualTo(200);
        });
        if (number.startsWith("\"")) {
            String text = number.replace("\"", "");
            problem(advisor.get("/api/devices/ph-meter/readings?stop=" + land.stops.get(0) + "&depthMm=" + text), 422);
        }
    }

    @Test
    void deepInAFreeFormToo() {
        Answer answer = advisor.send(
                "POST",
                "/api/methods/pit/evaluate",
                "{\"readings\": {\"layers\": [{\"topMm\": 1e999}]}}",
                "application/json");
        problem(answer, 422);
        assertThat(Land.rows(answer.json(), "errors").get(0)).containsEntry("field", "readings.layers[0].topMm");
    }
}
