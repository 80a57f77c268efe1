package org.morphotera.server.accounts.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Calls;
import org.morphotera.server.Crew;
import org.morphotera.server.EveryKind;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.role.Roles;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** One practice can neither read nor write what is another's, over any path that the API describes. */
@ExtendWith(RunningApp.class)
class PracticesApartTest {

    private static final Set<String> OPEN = Set.of(
            "/api/calculators/{id}",
            "/api/methods/{id}",
            "/api/methods/{id}/evaluate",
            // for whoever records, and of nothing but what is sent
            "/api/photo-readings/{kind}",
            "/api/methods",
            "/api/core-data",
            "/api/session");

    @Test
    void noPathLetsThroughToAnotherPractice(ApiClient owner) {
        Map<String, String> ids = EveryKind.ownRows(owner);
        Map<String, Roles.Rule> rules =
                Calls.rules(RunningApp.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class));
        ApiClient other = RunningApp.client().signIn(ApiClient.EBBSIDE);
        assertThat(tryAll(owner, other, ids, call -> true)).hasSizeGreaterThanOrEqualTo(14);
        // nor, in the same practice, to what is not given to a helper, or not a grower's own
        Crew crew = new Crew(owner, RunningApp.port());
        ApiClient helper = crew.join("apart-helper@tidemark.example", Role.HELPER, null);
        List<String> byHelper = tryAll(
                owner, helper, ids, call -> rules.get(call).allows(Role.HELPER) && !call.contains("/api/calibrations"));
        assertThat(byHelper)
                .contains("put /api/measurements/{id}", "put /api/photos/{id}", "get /api/visits/{id}")
                .hasSizeGreaterThanOrEqualTo(14);
        UUID another = UUID.randomUUID();
        Land.ok(owner.put("/api/growers/" + another, Map.of("name", "Another", "version", 0)));
        ApiClient grower = crew.join("apart-grower@tidemark.example", Role.GROWER, another);
        assertThat(tryAll(owner, grower, ids, call -> rules.get(call).allows(Role.GROWER)))
                .contains("get /api/fields/{id}/plan", "get /api/fields/{id}/report.pdf")
                .hasSizeGreaterThanOrEqualTo(7);
        // and everything is as it was
        assertThat(owner.get("/api/visits/" + ids.get("visits")).text()).contains(EveryKind.DRAFT.toString());
        assertThat(owner.get("/api/timers").text()).contains(EveryKind.TIMER.toString());
    }

    /** The calls that were tried with rows out of reach; none was let through. */
    @SuppressWarnings("unchecked")
    private static List<String> tryAll(
            ApiClient owner, ApiClient other, Map<String, String> ids, Predicate<String> asked) {
        Map<String, Map<String, Object>> paths = (Map<String, Map<String, Object>>)
                owner.get("/api/openapi").json().get("paths");
        Map<String, Object> bodies = EveryKind.bodies(ids);
        List<String> tried = new ArrayList<>();
        paths.forEach((path, operations) -> {
            if (OPEN.contains(path) || !path.contains("{") || path.contains("{secret}")) {
                // what opens to a secret is tried where secrets are
                return;
            }
            String kind = path.split("/")[2];
            assertThat(ids).as("a row to try %s with", path).containsKey(kind);
            String url = path.replace("{id}", ids.get(kind))
                            .replace("{step}", EveryKind.STEP.toString())
                            .replace("{member}", EveryKind.MEMBER.toString())
                            .replace("{photo}", EveryKind.PLACE_PHOTO.toString())
                            .replace("{name}", "readings.csv?field=" + ids.get("fields"))
                    + (path.endsWith("photo-before") ? "?method=ph&before=2026-05-01T09:00:00Z" : "")
                    + (path.startsWith("/api/devices") ? "?stop=" + ids.get("stops") : "");
            for (String method : operations.keySet()) {
                if (!asked.test(method + " " + path)) {
                    continue;
                }
                if (path.contains("/photos/{") && method.equals("put")) {
                    byte[] jpeg = SomePicture.jpeg(40, 30);
                    String where = path.startsWith("/api/photos")
                            ? EveryKind.photoOf(ids)
                            : "?place=1&member=" + EveryKind.MEMBER;
                    assertThat(other.sendBytes("PUT", url + where, jpeg, "image/jpeg")
                                    .status())
                            .isEqualTo(404);
                    tried.add(method + " " + path);
                    continue;
                }
                Object body = bodies.get(path);
                if (method.equals("put")) {
                    assertThat(body).as("a body to try %s with", path).isNotNull();
                }
                Answer answer = other.send(
                        method.toUpperCase(java.util.Locale.ROOT),
                        url,
                        body == null ? null : org.morphotera.core.WorkedCase.JSON.writeValueAsString(body),
                        "application/json");
                assertThat(answer.status())
                        .as("%s %s: %s", method, path, answer)
                        .isEqualTo(404);
                tried.add(method + " " + path);
            }
        });
        return tried;
    }

    private static List<Object> ids(ApiClient who, String list) {
        return who.get(list).list().stream().map(each -> each.get("id")).toList();
    }

    @Test
    void listsHoldOnlyThePracticesOwn(ApiClient owner) {
        ApiClient other = RunningApp.client().signIn(ApiClient.EBBSIDE);
        for (String list : List.of("/api/fields", "/api/growers")) {
            List<Object> own = ids(owner, list);
            assertThat(ids(other, list)).isNotEmpty().doesNotContainAnyElementsOf(own);
            assertThat(own).isNotEmpty();
        }
        assertThat(owner.get("/api/fields").list()).hasSizeGreaterThanOrEqualTo(8);
        assertThat(other.get("/api/timers").text()).contains("\"timers\":[]");
        assertThat(other.get("/api/test-sets").list())
                .allSatisfy(set -> assertThat(set).containsKey("code"));
    }

    @Test
    void nothingIsToBeHadWithoutSigningIn() {
        ApiClient nobody = RunningApp.client();
        assertThat(nobody.get("/api/fields").status()).isEqualTo(401);
        assertThat(nobody.get("/api/timers").type()).startsWith("application/problem+json");
        assertThat(nobody.put("/api/growers/" + UUID.randomUUID(), Map.of("name", "x", "version", 0))
                        .status())
                .isIn(401, 403);
    }
}
