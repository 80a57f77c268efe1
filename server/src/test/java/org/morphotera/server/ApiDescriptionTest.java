package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.WorkedCase;

/** The page's types are generated from a file; it must be what the server describes. */
@ExtendWith(RunningApp.class)
class ApiDescriptionTest {

    private static final Path FILE = Path.of("../web/openapi.json");

    @Test
    @SuppressWarnings("unchecked")
    void theCommittedDescriptionIsTheServers(ApiClient advisor) throws IOException {
        Map<String, Object> described = advisor.get("/api/openapi").json();
        Files.writeString(
                Path.of("target/openapi.json"),
                WorkedCase.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(described) + "\n");
        Map<String, Object> committed = WorkedCase.JSON.readValue(Files.readString(FILE), Map.class);
        assertThat(differing("", committed, described))
                .as("parts of web/openapi.json that differ; target/openapi.json is the server's")
                .isEmpty();
    }

    /** Paths of the parts that are not the same, not the parts: they are long. */
    private static List<String> differing(String path, Object one, Object other) {
        if (one instanceof Map<?, ?> a && other instanceof Map<?, ?> b) {
            Set<Object> keys = new TreeSet<>(a.keySet());
            keys.addAll(b.keySet());
            return keys.stream()
                    .flatMap(key -> differing(path + " " + key, a.get(key), b.get(key)).stream())
                    .toList();
        }
        return Objects.equals(one, other) ? List.of() : List.of(path);
    }

    @Test
    void thePageAndItsHeaders() {
        ApiClient nobody = RunningApp.client();
        assertThat(nobody.get("/").text()).contains("<div id=\"root\">");
        assertThat(nobody.get("/fields/some-id").text()).contains("<div id=\"root\">");
        assertThat(nobody.get("/visits/a/stops/b/hole-drainage/c").text()).contains("<div id=\"root\">");
        assertThat(nobody.get("/api/no-such-path").status()).isIn(401, 404);
    }
}
