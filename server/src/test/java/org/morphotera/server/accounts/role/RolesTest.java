package org.morphotera.server.accounts.role;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Calls;
import org.morphotera.server.Crew;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;

/** Each call of the API lets through the roles that it declares, and no others. */
class RolesTest {

    @TempDir
    static Path folder;

    private static OwnApp app;

    @BeforeAll
    static void start() {
        app = OwnApp.start("--morphotera.data=" + folder.resolve("data"));
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    @Test
    @SuppressWarnings("unchecked")
    void everyCallLetsThroughWhomItIsDeclaredForAndNobodyElse() {
        ApiClient owner = app.client();
        Land land = new Land(owner, 1, Map.of());
        Crew crew = new Crew(owner, app.port());
        Map<Role, ApiClient> clients = new LinkedHashMap<>();
        clients.put(Role.GROWER, crew.join("grower@field.example", Role.GROWER, UUID.fromString(land.grower)));
        clients.put(Role.HELPER, crew.join("helper@field.example", Role.HELPER, null));
        clients.put(Role.ADVISOR, crew.join("advisor@field.example", Role.ADVISOR, null));
        clients.put(Role.OWNER, owner);
        ApiClient nobody = new ApiClient(app.port());
        nobody.get("/api/session");
        Map<String, Roles.Rule> rules = Calls.rules(app);
        Map<String, Map<String, Map<String, Object>>> paths = (Map<String, Map<String, Map<String, Object>>>)
                owner.get("/api/openapi").json().get("paths");
        List<String> table = new ArrayList<>();
        paths.forEach((path, operations) -> operations.forEach((method, operation) -> {
            Roles.Rule rule = rules.get(method + " " + path);
            assertThat(rule).as("what is declared for %s %s", method, path).isNotNull();
            assertThat(rule.open() || rule.least() != null)
                    .as("%s %s declares who may call it", method, path)
                    .isTrue();
            assertLetThrough(nobody, method, path, operation, rule.open(), 401);
            clients.forEach(
                    (role, client) -> assertLetThrough(client, method, path, operation, rule.allows(role), 403));
            table.add("%-7s %-48s %s"
                    .formatted(
                            method,
                            path,
                            rule.open()
                                    ? "open to all"
                                    : clients.keySet().stream()
                                            .filter(rule::allows)
                                            .map(Role::word)
                                            .collect(Collectors.joining(" "))));
        }));
        System.out.println(String.join("\n", table));
        assertThat(table).hasSizeGreaterThan(95);
        assertThat(rules.keySet())
                .as("calls that the API's description leaves out")
                .hasSize(table.size());
    }

    private static void assertLetThrough(
            ApiClient client, String method, String path, Map<String, Object> operation, boolean allowed, int refused) {
        String url = path.replaceAll("\\{[^}]+}", UUID.randomUUID().toString());
        String type = type(operation);
        ApiClient.Answer answer = client.send(
                method.toUpperCase(java.util.Locale.ROOT),
                url,
                type == null ? null : "{}",
                type == null ? "application/json" : type);
        if (allowed) {
            assertThat(answer.status()).as("%s %s: %s", method, path, answer).isNotIn(401, 403);
        } else {
            assertThat(answer.status()).as("%s %s: %s", method, path, answer).isEqualTo(refused);
        }
    }

    /** Of the body that the call takes. */
    private static String type(Map<String, Object> operation) {
        if (!(operation.get("requestBody") instanceof Map<?, ?> body)) {
            return null;
        }
        return ((Map<?, ?>) body.get("content")).keySet().iterator().next().toString();
    }
}
