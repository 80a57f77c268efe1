package org.morphotera.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.AnyJson;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/**
 * Any request to any path that the API describes, signed in or not, is answered with what its sender can do about it:
 * never with a failure of the server, and every refusal as problem+json.
 */
@ExtendWith(RunningApp.class)
class FuzzTest {

    private static final int REQUESTS = Integer.getInteger("fuzz.requests", 600);
    private static final long SEED = Long.getLong("fuzz.seed", 20_261);

    private static final Object[] VALUES = {
        null,
        true,
        0,
        -1,
        1,
        2.5,
        1e300,
        -1e300,
        9_223_372_036_854_775_807L,
        "",
        " ",
        "x",
        "ph",
        "arable",
        "field",
        "moist",
        "agreed",
        "done",
        "lime",
        "\u0000",
        "a\u0001b",
        "\ud800",
        "\udc00",
        "‮ü\u00a0",
        "x".repeat(41),
        "x".repeat(401),
        "x".repeat(5000),
        "y".repeat(120_000),
        "2026-05-01",
        "2026-05-01T09:00:00Z",
        "+999999999-12-31",
        "+999999999-12-31T23:59:59Z",
        "-999999999-01-01T00:00:00Z",
        "0001-01-01",
        "'; drop table practice; --",
        "{\"type\":\"Polygon\",\"coordinates\":[[[0,0],[1,0],[1,1],[0,0]]]}"
    };
    private static final String[] TYPES = {
        "application/json",
        "application/json",
        "application/json",
        "application/json",
        "application/json",
        "application/json",
        "application/problem+json",
        "text/plain",
        "multipart/form-data",
        "multipart/form-data; boundary=x",
        "application/x-www-form-urlencoded",
        "image/jpeg",
        "application/json;charset=utf-16"
    };
    private static final String[] METHODS = {"GET", "PUT", "PUT", "PUT", "PUT", "POST", "DELETE", "HEAD", "PATCH"};

    private final ApiClient advisor;

    FuzzTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    @Test
    @SuppressWarnings("unchecked")
    void noRequestMakesTheServerFail() {
        Map<String, Object> api = advisor.get("/api/openapi").json();
        Map<String, Map<String, Object>> paths = (Map<String, Map<String, Object>>) api.get("paths");
        Map<String, Map<String, Object>> schemas =
                (Map<String, Map<String, Object>>) ((Map<String, Object>) api.get("components")).get("schemas");
        List<String> names = new ArrayList<>(new TreeMap<>(paths).keySet());
        Random random = new Random(SEED);
        ApiClient[] who = {
            advisor, advisor, advisor, RunningApp.client().signIn(ApiClient.EBBSIDE), RunningApp.client(),
        };
        List<String> ids = ids();
        List<String> failed = new ArrayList<>();
        Map<Integer, Integer> answers = new TreeMap<>();
        for (int i = 0; i < REQUESTS; i++) {
            String path = names.get(random.nextInt(names.size()));
            // what is learned of the practice shared with other tests would make them see other levels
            if (path.equals("/api/scatters")
                    || path.equals("/api/devices/{id}/readings")
                    || path.endsWith(".pdf") && random.nextInt(10) > 0) {
                continue;
            }
            List<String> own = new ArrayList<>(paths.get(path).keySet());
            String method = random.nextInt(6) == 0
                    ? METHODS[random.nextInt(METHODS.length)]
                    : own.get(random.nextInt(own.size())).toUpperCase(Locale.ROOT);
            String url = url(path, paths.get(path), ids, random);
            String body = method.equals("GET") || method.equals("HEAD") || method.equals("DELETE")
                    ? null
                    : body(paths.get(path), schemas, ids, random);
            String type = TYPES[random.nextInt(TYPES.length)];
            ApiClient client = who[random.nextInt(who.length)];
            Answer answer = path.equals("/api/photos/{id}") && method.equals("PUT")
                    ? client.sendBytes(method, url, damaged(random), "image/" + (random.nextBoolean() ? "jpeg" : "png"))
                    : client.send(method, url, body, random.nextInt(4) > 0 ? TYPES[0] : type);
            answers.merge(answer.status(), 1, Integer::sum);
            boolean problem = answer.type().startsWith("application/problem+json") || method.equals("HEAD");
            if (answer.status() >= 500 || answer.status() >= 400 && !problem) {
                failed.add(method + " " + url + " " + type + " " + shortened(body) + " -> " + shortened(answer + ""));
            }
        }
        System.out.println("any requests, answers by status: " + answers);
        assertThat(failed).as("seed %d", SEED).isEmpty();
        assertThat(answers.getOrDefault(200, 0)).as("that some get through").isGreaterThan(REQUESTS / 20);
        // and what got in leaves every page readable
        for (Map<String, Object> field : advisor.get("/api/fields").list()) {
            String of = "/api/fields/" + field.get("id");
            for (String part : List.of("", "/sheet", "/limits", "/plan", "/report.pdf")) {
                assertThat(advisor.get(of + part).status()).as(of + part).isLessThan(500);
            }
        }
    }

    private static byte[] damaged(Random random) {
        byte[] picture = SomePicture.of(random.nextBoolean() ? "jpg" : "png", 1 + random.nextInt(60), 40);
        for (int i = random.nextInt(6); i > 0; i--) {
            picture[random.nextInt(picture.length)] = (byte) random.nextInt();
        }
        return random.nextInt(4) == 0 ? java.util.Arrays.copyOf(picture, random.nextInt(picture.length)) : picture;
    }

    private static String shortened(String text) {
        return text == null ? "" : text.length() > 300 ? text.substring(0, 300) + "…" : text;
    }

    /** Rows that are there, of both practices, and one that is not. */
    @SuppressWarnings("unchecked")
    private List<String> ids() {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Land land = new Land(advisor, 2);
            ids.add(land.field);
            ids.add(land.grower);
            ids.addAll(land.stops);
            ids.add(land.visit(java.time.LocalDate.now()));
        }
        ids.add(UUID.randomUUID().toString());
        return ids;
    }

    @SuppressWarnings("unchecked")
    private static String url(String path, Map<String, Object> operations, List<String> ids, Random random) {
        String url = path;
        while (url.contains("{")) {
            String id = random.nextInt(8) == 0
                    ? new String[] {"x", "%00", "%ff", "..", "ph", "a%20b"}[random.nextInt(6)]
                    : path.startsWith("/api/methods") || path.startsWith("/api/calculators")
                            ? new String[] {"ph", "pit", "hole-drainage", "lime", "gypsum"}[random.nextInt(5)]
                            : random.nextInt(3) == 0
                                    ? UUID.randomUUID().toString()
                                    : ids.get(random.nextInt(ids.size()));
            url = url.replaceFirst("\\{[a-zA-Z]+}", id);
        }
        StringBuilder query = new StringBuilder();
        for (Object operation : operations.values()) {
            List<Map<String, Object>> parameters =
                    (List<Map<String, Object>>) ((Map<String, Object>) operation).get("parameters");
            if (parameters != null) {
                for (Map<String, Object> each : parameters) {
                    if ("query".equals(each.get("in")) && random.nextInt(3) > 0) {
                        query.append(query.isEmpty() ? "?" : "&")
                                .append(each.get("name"))
                                .append('=');
                        query.append(text(random, ids));
                    }
                }
            }
        }
        return url + query;
    }

    private static String text(Random random, List<String> ids) {
        if (random.nextInt(3) == 0) {
            return ids.get(random.nextInt(ids.size()));
        }
        if (random.nextInt(6) == 0) {
            return new String[] {"%00", "%ff%fe", "%ed%a0%80", "%1b"}[random.nextInt(4)];
        }
        Object value = VALUES[random.nextInt(VALUES.length)];
        String text = value == null ? "" : value.toString();
        return java.net.URLEncoder.encode(
                text.length() > 500 ? text.substring(0, 500) : text, java.nio.charset.StandardCharsets.UTF_8);
    }

    @SuppressWarnings("unchecked")
    private static String body(
            Map<String, Object> operations, Map<String, Map<String, Object>> schemas, List<String> ids, Random random) {
        if (random.nextInt(12) == 0) {
            return new String[] {"", "{", "[]", "null", "\"x\"", "[null]", "{\"a\":{\"a\":".repeat(600), "\u0000"}
                    [random.nextInt(8)];
        }
        for (Object operation : operations.values()) {
            String text = operation.toString();
            int at = text.indexOf("requestBody");
            int ref = at < 0 ? -1 : text.indexOf("#/components/schemas/", at);
            if (ref >= 0) {
                String name = text.substring(ref + 21).split("[^A-Za-z0-9]")[0];
                return WorkedCase.JSON.writeValueAsString(value(schemas.get(name), schemas, ids, random, 0));
            }
        }
        return WorkedCase.JSON.writeValueAsString(AnyJson.of(random, AnyJson.DEEPEST));
    }

    @SuppressWarnings("unchecked")
    private static Object value(
            Map<String, Object> schema,
            Map<String, Map<String, Object>> schemas,
            List<String> ids,
            Random random,
            int depth) {
        if (schema == null || random.nextInt(12) == 0) {
            return VALUES[random.nextInt(VALUES.length)];
        }
        if (schema.get("$ref") instanceof String ref) {
            return value(schemas.get(ref.replaceFirst(".*/", "")), schemas, ids, random, depth + 1);
        }
        String type = String.valueOf(schema.get("type")).toLowerCase(Locale.ROOT);
        if (schema.get("properties") instanceof Map<?, ?> properties) {
            Map<String, Object> made = new LinkedHashMap<>();
            for (Map.Entry<?, ?> each : properties.entrySet()) {
                if (random.nextInt(9) > 0) {
                    made.put(
                            (String) each.getKey(),
                            value((Map<String, Object>) each.getValue(), schemas, ids, random, depth + 1));
                }
            }
            if (random.nextInt(30) == 0) {
                made.put("more", 1);
            }
            return made;
        }
        return switch (type) {
            case "integer" -> random.nextInt(3) > 0 ? 0 : random.nextInt(-2, 40);
            case "number" -> random.nextInt(3) > 0 ? random.nextInt(100) / 4.0 : VALUES[random.nextInt(9)];
            case "boolean" -> random.nextBoolean();
            case "array" -> {
                List<Object> list = new ArrayList<>();
                for (int i = random.nextInt(4); i > 0; i--) {
                    list.add(value((Map<String, Object>) schema.get("items"), schemas, ids, random, depth + 1));
                }
                yield list;
            }
            case "object" -> AnyJson.of(random, 2);
            default -> string(schema, ids, random);
        };
    }

    private static Object string(Map<String, Object> schema, List<String> ids, Random random) {
        String format = String.valueOf(schema.get("format"));
        if (random.nextInt(6) > 0) {
            switch (format) {
                case "uuid":
                    return ids.get(random.nextInt(ids.size()));
                case "date":
                    return "2026-05-0" + (1 + random.nextInt(9));
                case "date-time":
                    return "2026-05-01T09:00:0" + random.nextInt(10) + "Z";
                default:
                    break;
            }
            if (schema.get("enum") instanceof List<?> words && !words.isEmpty()) {
                return words.get(random.nextInt(words.size()));
            }
        }
        return VALUES[random.nextInt(VALUES.length)];
    }
}
