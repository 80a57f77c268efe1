package org.morphotera.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.morphotera.core.WorkedCase;
import tools.jackson.databind.json.JsonMapper;

/** Talks to a running server as a page would: with its session cookie and its CSRF token. */
public final class ApiClient {

    public static final String TIDEMARK = "advisor@tidemark.example";
    public static final String EBBSIDE = "advisor@ebbside.example";
    public static final String PASSWORD = "orrin-levels";

    /** So long an answer may take on a machine that is busy with something else. */
    private static final Duration ANSWER = Duration.ofMinutes(3);

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final URI base;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(ANSWER)
            .build();

    public ApiClient(int port) {
        this.base = URI.create("http://127.0.0.1:" + port);
    }

    /** The same session, on another server. */
    public ApiClient at(int port) {
        ApiClient other = new ApiClient(port);
        cookies.getCookieStore()
                .getCookies()
                .forEach(cookie -> other.cookies.getCookieStore().add(other.base, cookie));
        return other;
    }

    /** Status, content type and body of an answer. */
    public record Answer(int status, String type, String text) {

        @SuppressWarnings("unchecked")
        public Map<String, Object> json() {
            return JSON.readValue(text, Map.class);
        }

        @SuppressWarnings("unchecked")
        public List<Map<String, Object>> list() {
            return JSON.readValue(text, List.class);
        }
    }

    public ApiClient signIn(String email) {
        return signIn(email, PASSWORD);
    }

    /** What a sign-in answers; with a code of an authenticator, if any is given. */
    public Answer trySignIn(String email, String password, String code) {
        send("GET", "/api/session", null, "application/json");
        String form = "email=" + URLEncoder.encode(email, StandardCharsets.UTF_8) + "&password="
                + URLEncoder.encode(password, StandardCharsets.UTF_8) + (code == null ? "" : "&code=" + code);
        return send("POST", "/api/session", form, "application/x-www-form-urlencoded");
    }

    public ApiClient signIn(String email, String password) {
        Answer answer = trySignIn(email, password, null);
        if (answer.status() != 204) {
            throw new IllegalStateException("sign-in answered " + answer);
        }
        send("GET", "/api/session", null, "application/json");
        return this;
    }

    public Answer get(String path) {
        return send("GET", path, null, "application/json");
    }

    public Answer put(String path, Object body) {
        return send("PUT", path, JSON.writeValueAsString(body), "application/json");
    }

    public Answer post(String path, Object body) {
        return send("POST", path, WorkedCase.JSON.writeValueAsString(body), "application/json");
    }

    public Answer delete(String path) {
        return send("DELETE", path, null, "application/json");
    }

    public Answer send(String method, String path, String body, String type) {
        return exchange(
                method,
                path,
                body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body),
                type);
    }

    public Answer sendBytes(String method, String path, byte[] body, String type) {
        return exchange(method, path, HttpRequest.BodyPublishers.ofByteArray(body), type);
    }

    private Answer exchange(String method, String path, HttpRequest.BodyPublisher publisher, String type) {
        HttpRequest request = HttpRequest.newBuilder(base.resolve(path))
                .method(method, publisher)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", token())
                .timeout(ANSWER)
                .build();
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            return new Answer(
                    response.statusCode(),
                    response.headers().firstValue("Content-Type").orElse(""),
                    response.body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** What an address holds as bytes, such as a PDF. */
    public byte[] bytes(String path) {
        HttpRequest request =
                HttpRequest.newBuilder(base.resolve(path)).timeout(ANSWER).build();
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofByteArray()).body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** The data of the first events of a stream, which is put away after them. */
    public List<Map<String, Object>> events(String path, int count) {
        HttpRequest request =
                HttpRequest.newBuilder(base.resolve(path)).timeout(ANSWER).build();
        try (Stream<String> lines =
                http.send(request, HttpResponse.BodyHandlers.ofLines()).body()) {
            return lines.filter(line -> line.startsWith("data:"))
                    .limit(count)
                    .map(line -> new Answer(200, "", line.substring(5)).json())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(cookie -> cookie.getValue())
                .findFirst()
                .orElse("none");
    }
}
