package org.morphotera.server.accounts.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** Who is signed in, and how they like figures and light. */
@ExtendWith(RunningApp.class)
class AccountTest {

    private final ApiClient advisor;

    AccountTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    @AfterEach
    void asBefore() {
        advisor.put("/api/me/settings", Map.of("units", "metric", "theme", "desk"));
    }

    @Test
    void settingsAreThePersonsAndKept() {
        assertThat(advisor.put("/api/me/settings", Map.of("units", "us", "theme", "daylight"))
                        .json())
                .containsEntry("units", "us");
        Map<String, Object> me = Land.part(advisor.get("/api/session").json(), "me");
        assertThat(me)
                .containsEntry("units", "us")
                .containsEntry("theme", "daylight")
                .containsEntry("email", ApiClient.TIDEMARK);
        ApiClient other = RunningApp.client().signIn(ApiClient.EBBSIDE);
        assertThat(Land.part(other.get("/api/session").json(), "me")).containsEntry("units", "metric");
    }

    @ParameterizedTest
    @CsvSource({"imperial, desk, units", "metric, night, theme"})
    void settingsThatThereAreNotAreRefused(String units, String theme, String entry) {
        ApiClient.Answer refused = advisor.put("/api/me/settings", Map.of("units", units, "theme", theme));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(Land.rows(refused.json(), "errors").get(0)).containsEntry("field", entry);
    }

    @Test
    void aWrongPasswordOrNameDoesNotSayWhich() {
        ApiClient nobody = RunningApp.client();
        nobody.get("/api/session");
        String form = "application/x-www-form-urlencoded";
        ApiClient.Answer password =
                nobody.send("POST", "/api/session", "email=advisor%40tidemark.example&password=guess", form);
        ApiClient.Answer name = nobody.send("POST", "/api/session", "email=who%40nowhere.example&password=guess", form);
        assertThat(password.status()).isEqualTo(401);
        assertThat(name.status()).isEqualTo(401);
        assertThat(Land.part(nobody.get("/api/session").json(), "me")).isNull();
        assertThatThrownBy(() -> RunningApp.client().signIn("who@nowhere.example"))
                .isInstanceOf(IllegalStateException.class);
    }

    @Test
    void signingOutEndsTheSession() {
        ApiClient guest = RunningApp.client().signIn(ApiClient.TIDEMARK);
        assertThat(guest.get("/api/fields").status()).isEqualTo(200);
        assertThat(guest.send("POST", "/api/session/end", "", "application/json")
                        .status())
                .isIn(200, 204);
        assertThat(guest.get("/api/fields").status()).isEqualTo(401);
    }
}
