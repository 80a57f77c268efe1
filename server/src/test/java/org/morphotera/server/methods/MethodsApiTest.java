package org.morphotera.server.methods;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.method.RandomFields;
import org.morphotera.server.AnyJson;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.RunningApp;

/** The open part of the API: the catalogue and evaluation, without signing in. */
@ExtendWith(RunningApp.class)
@Tag("no-database")
class MethodsApiTest {

    private static final int HTTP_INPUTS = Integer.getInteger("fuzz.http-inputs", 20);

    private final ApiClient nobody = RunningApp.client();

    static List<WorkedCase> cases() {
        return WorkedCase.all();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void worksEveryCaseOverHttp(WorkedCase worked) {
        Answer answer = nobody.send(
                "POST", "/api/methods/" + worked.method() + "/evaluate", worked.bodyJson(), "application/json");
        assertThat(answer.status()).isEqualTo(worked.expectErrors() == null ? 200 : 422);
        assertThat(worked.misses(answer.json())).isEmpty();
    }

    static List<WorkedCase> plans() {
        return WorkedCase.plans();
    }

    @ParameterizedTest
    @MethodSource("plans")
    void worksEveryCalculationOverHttp(WorkedCase worked) {
        Answer answer =
                nobody.send("POST", "/api/calculators/" + worked.method(), worked.bodyJson(), "application/json");
        assertThat(answer.status()).isEqualTo(worked.expectErrors() == null ? 200 : 422);
        assertThat(worked.misses(answer.json())).isEmpty();
    }

    @Test
    void calculatorsAreListedAndUnknownOnesNotFound() {
        assertThat(nobody.get("/api/calculators").list())
                .hasSize(18)
                .allSatisfy(each -> assertThat((List<?>) each.get("inputs")).isNotEmpty());
        assertThat(nobody.send("POST", "/api/calculators/magic", "{}", "application/json")
                        .status())
                .isEqualTo(404);
        assertThat(nobody.send("POST", "/api/calculators/lime", "{", "application/json")
                        .status())
                .isEqualTo(400);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "texture-feel | {                                  | 400",
                "texture-feel | ''                                 | 400",
                "texture-feel | {\"readings\": {}} trailing        | 400",
                "texture-feel | []                                 | 422",
                "texture-feel | null                               | 422",
                "texture-feel | {\"readings\": 5}                  | 422",
                "texture-feel | {\"readings\": {\"key\": \"none\"}} | 422",
                "texture-feel | {\"other\": {}}                    | 422",
                "no-such-test | {}                                 | 404"
            })
    void saysWhatIsWrongAsAProblem(String method, String body, int status) {
        Answer answer = nobody.send("POST", "/api/methods/" + method + "/evaluate", body, "application/json");
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.json()).containsEntry("status", status);
        if (status == 422) {
            assertThat(answer.text()).contains("\"errors\":[{", "\"field\"", "\"code\"", "\"message\"");
        }
    }

    @Test
    void refusesABodyThatIsTooLarge() {
        String body = "{\"readings\": {\"key\": \"" + "x".repeat(257 * 1024) + "\"}}";
        assertThat(nobody.send("POST", "/api/methods/texture-feel/evaluate", body, "application/json")
                        .status())
                .isEqualTo(413);
    }

    @Test
    @SuppressWarnings("unchecked")
    void listsWhatAScreenCanBeBuiltFrom() {
        List<Map<String, Object>> methods = nobody.get("/api/methods").list();
        assertThat(methods).allSatisfy(method -> {
            assertThat((List<Object>) method.get("steps")).isNotEmpty();
            assertThat((List<Object>) method.get("materials")).isNotEmpty();
            assertThat((List<Object>) method.get("sources")).isNotEmpty();
            assertThat((List<Map<String, Object>>) method.get("readings"))
                    .isNotEmpty()
                    .allSatisfy(reading -> assertThat(reading.get("label")).isNotEqualTo(reading.get("name")));
        });
        Map<String, Object> hole = nobody.get("/api/methods/hole-drainage").json();
        assertThat(hole.get("readings").toString()).contains("unit=mm", "max=5000.0", "required=true");
    }

    static List<String> methods() {
        return Methods.all().all().stream().map(method -> method.card().id()).toList();
    }

    @ParameterizedTest
    @MethodSource("methods")
    void anyJsonIsEvaluatedOrRefusedAndNothingElse(String id) {
        Random random = new Random(id.hashCode());
        for (int i = 0; i < HTTP_INPUTS; i++) {
            Object readings = i % 2 == 0
                    ? RandomFields.sound(Methods.all().get(id), random)
                    : AnyJson.of(random, AnyJson.DEEPEST);
            Object body =
                    i % 5 == 4 ? AnyJson.of(random, AnyJson.DEEPEST) : Collections.singletonMap("readings", readings);
            String text = WorkedCase.JSON.writeValueAsString(body);
            Answer answer = nobody.send("POST", "/api/methods/" + id + "/evaluate", text, "application/json");
            assertThat(answer.status()).as(text).isIn(200, 422);
        }
    }
}
