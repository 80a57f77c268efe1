package org.morphotera.server.description;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.ApiClient;
import org.morphotera.server.RunningApp;

/** The page's types are generated from a file; it must be what the server describes. */
@ExtendWith(RunningApp.class)
class ApiDescriptionTest {

    /** The description, and the catalogue of which the readings' types are made. */
    @ParameterizedTest
    @CsvSource({"openapi.json, /api/openapi", "catalogue.json, /api/methods"})
    void whatIsCommittedIsTheServers(String file, String path, ApiClient advisor) throws IOException {
        Object served = WorkedCase.JSON.readValue(advisor.get(path).text(), Object.class);
        Files.writeString(
                Path.of("target", file),
                WorkedCase.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(served) + "\n");
        Object committed = WorkedCase.JSON.readValue(Files.readString(Path.of("../web", file)), Object.class);
        assertThat(differing("", committed, served))
                .as("parts of web/%s that differ; target/%s is the server's", file, file)
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
        if (one instanceof List<?> a && other instanceof List<?> b && a.size() == b.size()) {
            return IntStream.range(0, a.size())
                    .boxed()
                    .flatMap(i -> differing(path + " " + i, a.get(i), b.get(i)).stream())
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
