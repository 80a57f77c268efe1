package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.morphotera.server.ApiClient.Answer;

/** Sends files for long work and waits for it, as the page does. */
public final class LongWork {

    private LongWork() {}

    /** @return the id under which the file is used */
    public static String upload(ApiClient who, byte[] file) {
        Answer answer = who.sendBytes("POST", "/api/uploads", file, "application/octet-stream");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("id").toString();
    }

    public static String upload(ApiClient who, String text) {
        return upload(who, text.getBytes(StandardCharsets.UTF_8));
    }

    /** The job when it has ended. */
    public static Map<String, Object> ended(ApiClient who, Answer begun) {
        assertThat(begun.status()).as(begun.text()).isEqualTo(202);
        String id = begun.json().get("id").toString();
        for (int i = 0; i < 12_000; i++) {
            Answer answer = who.get("/api/jobs/" + id);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            if (!"running".equals(answer.json().get("state"))) {
                return answer.json();
            }
            try {
                Thread.sleep(i < 200 ? 5 : 50);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
        throw new AssertionError("it takes too long");
    }

    /** An import of a file, looked at or kept. */
    public static Map<String, Object> imported(ApiClient who, String what, byte[] file, boolean store) {
        return ended(who, who.post("/api/imports/" + what, Map.of("upload", upload(who, file), "store", store)));
    }

    @SuppressWarnings("unchecked")
    public static Map<String, Object> result(Map<String, Object> job) {
        return (Map<String, Object>) job.get("result");
    }

    @SuppressWarnings("unchecked")
    public static List<Map<String, Object>> errors(Map<String, Object> job) {
        return (List<Map<String, Object>>) result(job).get("errors");
    }
}
