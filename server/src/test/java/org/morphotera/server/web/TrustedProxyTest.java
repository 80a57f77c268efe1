package org.morphotera.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.OwnApp;

/** Behind a web server with TLS cookies are for TLS only; the word of any other machine on that is not taken. */
class TrustedProxyTest {

    @TempDir
    private Path folder;

    private static HttpResponse<String> forwarded(OwnApp app) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + app.port() + "/api/session"))
                                .header("X-Forwarded-Proto", "https")
                                .header("X-Forwarded-For", "203.0.113.7")
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void aTrustedOneMakesCookiesSecureAndSaysToStayWithTls() throws IOException, InterruptedException {
        try (OwnApp app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"), "--morphotera.trusted-proxies=10.0.0.9, 127.0.0.1")) {
            HttpResponse<String> answer = forwarded(app);
            assertThat(answer.headers().allValues("Set-Cookie"))
                    .isNotEmpty()
                    .allSatisfy(cookie -> assertThat(cookie).contains("Secure"));
            assertThat(answer.headers().firstValue("Strict-Transport-Security")).isPresent();
        }
    }

    @Test
    void anyOtherIsNotBelieved() throws IOException, InterruptedException {
        try (OwnApp app =
                OwnApp.start("--morphotera.data=" + folder.resolve("data"), "--morphotera.trusted-proxies=10.0.0.9")) {
            HttpResponse<String> answer = forwarded(app);
            assertThat(answer.headers().allValues("Set-Cookie"))
                    .isNotEmpty()
                    .noneSatisfy(cookie -> assertThat(cookie).contains("Secure"));
            assertThat(answer.headers().firstValue("Strict-Transport-Security")).isEmpty();
        }
    }
}
