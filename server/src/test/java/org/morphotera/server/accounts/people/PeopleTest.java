package org.morphotera.server.accounts.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Crew;
import org.morphotera.server.InOnesPractice;
import org.morphotera.server.Land;
import org.morphotera.server.accounts.role.Role;
import org.springframework.jdbc.core.JdbcTemplate;

/** People of a practice: how they join, what they see, and that what changes of them holds at once. */
class PeopleTest extends InOnesPractice {

    private static final String NEXT = "sluice bramble quarto";

    @SuppressWarnings("unchecked")
    private List<Map<String, Object>> people() {
        return (List<Map<String, Object>>) owner.get("/api/people").json().get("people");
    }

    private Map<String, Object> person(UUID id) {
        return people().stream()
                .filter(each -> each.get("id").equals(id.toString()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anInvitationWorksOnceAndIsPostedToo() throws IOException {
        Map<String, Object> invited = crew.invite(at("Marsh").replace("marsh", "Marsh"), Role.ADVISOR, null);
        String address = "/api" + invited.get("address");
        ApiClient stranger = new ApiClient(app.port());
        assertThat(stranger.get(address).json())
                .containsEntry("email", at("marsh"))
                .containsEntry("role", "ADVISOR")
                .containsEntry("newPassword", false);
        try (Stream<Path> letters = Files.list(folder.resolve("data-post"))) {
            assertThat(letters.map(PeopleTest::text).toList().toString())
                    .contains("To: " + at("marsh"), invited.get("address").toString());
        }
        // nothing in the data lets anybody take it up
        assertThat(app.bean(JdbcTemplate.class).queryForList("select secret_hash from invitation", String.class))
                .noneMatch(hash -> address.endsWith(hash));
        Map<String, Object> body = Map.of("name", "Marsh", "password", Crew.PASSWORD);
        Land.ok(stranger.post(address, body));
        assertThat(stranger.post(address, body).status()).isEqualTo(404);
        assertThat(stranger.get(address).status()).isEqualTo(404);
        // however the address is typed
        assertThat(stranger.trySignIn(" " + at("MARSH") + " ", Crew.PASSWORD, null)
                        .status())
                .isEqualTo(204);
        assertThat(fault(owner.post("/api/invitations", Map.of("name", "B", "email", at("marSH"), "role", "HELPER"))))
                .isEqualTo("email TAKEN");
        assertThat(fault(owner.post("/api/invitations", Map.of("name", "B", "email", at("b"), "role", "GROWER"))))
                .isEqualTo("growerId NEEDED");
    }

    private static String text(Path letter) {
        try {
            return Files.readString(letter);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void withdrawnAndOldInvitationsOpenNothing() {
        Map<String, Object> invited = crew.invite(at("late"), Role.HELPER, null);
        Land.ok(owner.delete("/api/invitations/" + invited.get("id")));
        ApiClient stranger = new ApiClient(app.port());
        assertThat(stranger.get("/api" + invited.get("address")).status()).isEqualTo(404);
        Map<String, Object> old = crew.invite(at("late"), Role.HELPER, null);
        app.bean(JdbcTemplate.class)
                .update(
                        "update invitation set expires_at = ?",
                        java.time.OffsetDateTime.now().minusMinutes(1));
        assertThat(stranger.get("/api" + old.get("address")).status()).isEqualTo(404);
        stranger.get("/api/session");
        assertThat(stranger.post("/api" + old.get("address"), Map.of("name", "L", "password", Crew.PASSWORD))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void anotherRoleAndARemovalHoldAtOnceAndNamesStay() {
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        UUID id = Crew.idOf(advisor);
        Land land = new Land(advisor, 1);
        String visit = land.visit(LocalDate.of(2026, 5, 4));
        assertThat(advisor.get("/api/fields").status()).isEqualTo(200);
        Map<String, Object> write = new LinkedHashMap<>(Map.of("name", "Renamed", "role", "HELPER", "version", 1));
        Land.ok(owner.put("/api/people/" + id, write));
        assertThat(advisor.get("/api/fields").status()).isEqualTo(401);
        assertThat(owner.put("/api/people/" + id, write).status())
                .as("a stale write")
                .isEqualTo(409);
        advisor.signIn(at("advisor"), Crew.PASSWORD);
        assertThat(advisor.get("/api/visits/" + visit).status())
                .as("not given to them")
                .isEqualTo(404);

        Land.ok(owner.delete("/api/people/" + id));
        Land.ok(owner.delete("/api/people/" + id));
        assertThat(advisor.get("/api/session").json()).doesNotContainKey("me");
        assertThat(advisor.trySignIn(at("advisor"), Crew.PASSWORD, null).status())
                .isEqualTo(401);
        assertThat(person(id))
                .containsEntry("name", "Renamed")
                .containsKey("removedAt")
                .doesNotContainKey("email");
        assertThat(owner.get("/api/visits/" + visit).text()).contains("\"person\":\"Renamed\"");
        // the address is free again, for a person of its own
        ApiClient anew = crew.join(at("advisor"), Role.ADVISOR, null);
        assertThat(Crew.idOf(anew)).isNotEqualTo(id);
    }

    @Test
    void aPracticeKeepsAnOwner() {
        UUID me = Crew.idOf(owner);
        assertThat(fault(owner.delete("/api/people/" + me))).isEqualTo("role LAST_OWNER");
        assertThat(fault(owner.put("/api/people/" + me, Map.of("name", "O", "role", "ADVISOR", "version", 1))))
                .isEqualTo("role LAST_OWNER");
        ApiClient second = crew.join(at("second"), Role.OWNER, null);
        Land.ok(second.delete("/api/people/" + me));
        assertThat(owner.get("/api/people").status()).isEqualTo(401);
        assertThat(fault(second.delete("/api/people/" + Crew.idOf(second)))).isEqualTo("role LAST_OWNER");
    }

    @Test
    void aForgottenPasswordIsChosenAnewByAnAddress() {
        ApiClient helper = crew.join(at("helper"), Role.HELPER, null);
        UUID id = Crew.idOf(helper);
        String address = Land.ok(owner.post("/api/people/" + id + "/new-password", Map.of()))
                .json()
                .get("address")
                .toString();
        ApiClient stranger = new ApiClient(app.port());
        assertThat(stranger.get("/api" + address).json()).containsEntry("newPassword", true);
        assertThat(fault(stranger.post("/api" + address, Map.of("name", "H", "password", "123456123456"))))
                .isEqualTo("password COMMON");
        Land.ok(stranger.post("/api" + address, Map.of("name", "H", "password", NEXT)));
        assertThat(helper.get("/api/fields").status()).isEqualTo(401);
        helper.signIn(at("helper"), NEXT);
        assertThat(Crew.idOf(helper)).isEqualTo(id);
    }

    @Test
    void aHelperRecordsAtTheVisitsGivenAndAGrowerSeesTheOwnFields() {
        Land own = new Land(owner, 1);
        Land others = new Land(owner, 1, Map.of("name", "Not theirs"));
        String given = own.visit(LocalDate.of(2026, 5, 4));
        String later = own.visit(LocalDate.of(2026, 6, 4));
        ApiClient helper = crew.join(at("helper"), Role.HELPER, null);
        assertThat(helper.get("/api/fields").list()).isEmpty();
        Land.ok(owner.put("/api/visits/" + given + "/helpers", Map.of("helpers", List.of(Crew.idOf(helper)))));
        assertThat(helper.get("/api/fields").list()).extracting("id").containsExactly(own.field);
        Map<String, Object> test = Map.of(
                "visitId",
                given,
                "stopId",
                own.stops.get(0),
                "method",
                "smell",
                "readings",
                Map.of("score", 2),
                "depthTopMm",
                0,
                "depthBottomMm",
                200,
                "takenAt",
                "2026-05-04T10:00:00Z");
        UUID id = UUID.randomUUID();
        Land.ok(helper.put("/api/measurements/" + id, test));
        assertThat(owner.get("/api/visits/" + given).text()).contains(id.toString());
        Map<String, Object> elsewhere = new LinkedHashMap<>(test);
        elsewhere.put("visitId", later);
        assertThat(helper.put("/api/measurements/" + UUID.randomUUID(), elsewhere)
                        .status())
                .isEqualTo(404);
        assertThat(helper.get("/api/fields/" + own.field + "/plan").status()).isEqualTo(403);
        Land.ok(owner.put("/api/visits/" + given + "/helpers", Map.of("helpers", List.of())));
        assertThat(helper.get("/api/measurements/" + id).status()).isEqualTo(404);

        ApiClient grower = crew.join(at("grower"), Role.GROWER, UUID.fromString(own.grower));
        assertThat(grower.get("/api/fields").list()).extracting("id").containsExactly(own.field);
        for (String page : List.of("", "/plan", "/limits", "/change", "/report.pdf", "/face.svg", "/photos")) {
            assertThat(grower.get("/api/fields/" + own.field + page).status())
                    .as(page)
                    .isEqualTo(200);
            assertThat(grower.get("/api/fields/" + others.field + page).status())
                    .as(page)
                    .isEqualTo(404);
        }
        assertThat(grower.put("/api/measurements/" + UUID.randomUUID(), test).status())
                .isEqualTo(403);
    }

    @Test
    void anotherPracticeIsMadeAndClosed() {
        Map<String, Object> made = Land.ok(owner.post(
                        "/api/practices",
                        Map.of("name", "Saltmarsh", "ownerName", "Second", "ownerEmail", at("second"))))
                .json();
        String address = ((Map<?, ?>) made.get("owner")).get("address").toString();
        ApiClient second = new ApiClient(app.port());
        assertThat(second.get("/api" + address).json()).containsEntry("practice", "Saltmarsh");
        Land.ok(second.post("/api" + address, Map.of("name", "Second", "password", Crew.PASSWORD)));
        second.signIn(at("second"), Crew.PASSWORD);
        assertThat(second.get("/api/people").text()).contains(at("second")).doesNotContain(email);
        assertThat(owner.get("/api/people").text()).doesNotContain(at("second"));

        assertThat(fault(second.post("/api/practice/closed", Map.of("name", "Salt", "password", Crew.PASSWORD))))
                .isEqualTo("name OTHER_NAME");
        assertThat(fault(second.post("/api/practice/closed", Map.of("name", "Saltmarsh", "password", "not this one"))))
                .isEqualTo("password WRONG");
        Land.ok(second.post("/api/practice/closed", Map.of("name", "Saltmarsh", "password", Crew.PASSWORD)));
        assertThat(second.get("/api/fields").status()).isEqualTo(401);
        assertThat(second.trySignIn(at("second"), Crew.PASSWORD, null).status()).isEqualTo(401);
        assertThat(owner.get("/api/fields").status()).isEqualTo(200);
    }

    @Test
    void theLogTellsWhoDidWhat() {
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        Land land = new Land(advisor, 1);
        String visit = land.visit(LocalDate.of(2026, 5, 4));
        UUID draft = UUID.randomUUID();
        Land.ok(advisor.put(
                "/api/drafts/" + draft,
                Map.of(
                        "visitId",
                        visit,
                        "stopId",
                        land.stops.get(0),
                        "method",
                        "smell",
                        "content",
                        Map.of("readings", Map.of()),
                        "version",
                        0)));
        new ApiClient(app.port()).trySignIn(at("advisor"), "guessed by somebody", null);
        String all = owner.get("/api/log").text();
        assertThat(all).contains("\"sign-in\"", "\"failed\"", "\"invitation\"", "\"draft\"", "\"field\"");
        List<?> entries = (List<?>) owner.get("/api/log?entity=draft&person=" + Crew.idOf(advisor))
                .json()
                .get("entries");
        assertThat(entries)
                .hasSize(1)
                .first()
                .extracting("person", "id")
                .containsExactly("New advisor", draft.toString());
        assertThat((List<?>) owner.get("/api/log?from=2020-01-01&to=2020-01-02")
                        .json()
                        .get("entries"))
                .isEmpty();
        assertThat(advisor.get("/api/log").status()).isEqualTo(403);
    }

    @Test
    void withSomebodyWhoIsRemovedTheirCalendarAndOpenStreamsEnd() throws Exception {
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        Land land = new Land(advisor, 1);
        ApiClient nobody = new ApiClient(app.port());
        String path = Land.ok(advisor.post("/api/calendar-addresses", Map.of("name", "phone")))
                .json()
                .get("path")
                .toString();
        assertThat(nobody.get(path).status()).isEqualTo(200);
        CompletableFuture<List<Map<String, Object>>> stream = CompletableFuture.supplyAsync(
                () -> advisor.events("/api/devices/ph-meter/readings?stop=" + land.stops.get(0), 60));
        Thread.sleep(1000);
        Land.ok(owner.delete("/api/people/" + Crew.idOf(advisor)));
        assertThat(nobody.get(path).status()).isEqualTo(404);
        assertThat(owner.get("/api/calendar-addresses").list()).isEmpty();
        // it ended long before the sixty values, of which four come a second
        assertThat(stream.get(10, TimeUnit.SECONDS)).hasSizeBetween(1, 40);
    }

    @Test
    void anAddressForANewPasswordEndsWhenThePasswordIsChanged() {
        ApiClient helper = crew.join(at("helper"), Role.HELPER, null);
        String address = Land.ok(owner.post("/api/people/" + Crew.idOf(helper) + "/new-password", Map.of()))
                .json()
                .get("address")
                .toString();
        Land.ok(helper.put("/api/me/password", Map.of("current", Crew.PASSWORD, "next", NEXT)));
        ApiClient stranger = new ApiClient(app.port());
        assertThat(stranger.get("/api" + address).status()).isEqualTo(404);
        stranger.get("/api/session");
        assertThat(stranger.post("/api" + address, Map.of("name", "H", "password", Crew.PASSWORD))
                        .status())
                .isEqualTo(404);
        assertThat(helper.trySignIn(at("helper"), NEXT, null).status()).isEqualTo(204);
    }
}
