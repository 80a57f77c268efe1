package org.morphotera.server.accounts.session;

import static org.assertj.core.api.Assertions.assertThat;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Crew;
import org.morphotera.server.InOnesPractice;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;

/** One's own password, authenticator and sessions. */
class OwnAccountTest extends InOnesPractice {

    private static final String NEXT = "sluice bramble quarto";

    @Test
    void aPasswordIsLongNotCommonAndChangedWithTheOldOne() {
        assertThat(fault(change(owner, "not it at all", NEXT))).isEqualTo("current WRONG");
        assertThat(fault(change(owner, Crew.PASSWORD, "short words"))).isEqualTo("next TOO_SHORT");
        for (String common :
                List.of("password12345", "123456789012", "qwertyuiopas", "aaaaaaaaaaaaaaa", "iloveyou1234")) {
            assertThat(fault(change(owner, Crew.PASSWORD, common))).isEqualTo("next COMMON");
        }
        assertThat(fault(change(owner, Crew.PASSWORD, Crew.PASSWORD))).isIn("next THE_SAME", "next COMMON");
        ApiClient elsewhere = ownerElsewhere();
        Land.ok(change(owner, Crew.PASSWORD, NEXT));
        assertThat(owner.get("/api/fields").status()).as("the session goes on").isEqualTo(200);
        assertThat(elsewhere.get("/api/fields").status()).as("others end").isEqualTo(401);
        ApiClient again = new ApiClient(app.port());
        assertThat(again.trySignIn(email, Crew.PASSWORD, null).status()).isEqualTo(401);
        assertThat(again.trySignIn(email, NEXT, null).status()).isEqualTo(204);
    }

    @Test
    void aPasswordThatWasMadeUpIsChangedBeforeAnythingElse() {
        try (OwnApp fresh = OwnApp.start(
                "--morphotera.data=" + folder.resolve("fresh"),
                "--morphotera.first-account.email=Capital@Field.Example",
                "--morphotera.first-account.keep-password=false")) {
            ApiClient first = new ApiClient(fresh.port()).signIn("capital@field.example");
            assertThat((Map<?, ?>) first.get("/api/session").json().get("me"))
                    .extracting("mustChange")
                    .isEqualTo(true);
            assertThat(first.get("/api/fields").status()).isEqualTo(403);
            Land.ok(change(first, ApiClient.PASSWORD, NEXT));
            assertThat(first.get("/api/fields").status()).isEqualTo(200);
        }
    }

    @Test
    void anAuthenticatorAsksForACodeThatWorksOnce() throws Exception {
        Map<String, Object> made =
                Land.ok(owner.post("/api/me/authenticator", Map.of())).json();
        String secret = made.get("secret").toString();
        assertThat(made.get("address").toString()).contains(secret);
        assertThat(made.get("drawing").toString()).startsWith("<svg");
        Map<String, Object> proof = new LinkedHashMap<>(Map.of("secret", secret, "password", Crew.PASSWORD));
        proof.put("code", "000000");
        if (code(secret, 0).equals("000000")) {
            proof.put("code", "000001");
        }
        assertThat(fault(owner.put("/api/me/authenticator", proof))).isEqualTo("code WRONG");
        proof.put("code", code(secret, -1));
        List<?> recovery = (List<?>)
                Land.ok(owner.put("/api/me/authenticator", proof)).json().get("codes");
        assertThat(recovery).hasSize(8).doesNotHaveDuplicates();

        ApiClient client = new ApiClient(app.port());
        Answer asked = client.trySignIn(email, Crew.PASSWORD, null);
        assertThat(asked.status()).isEqualTo(401);
        assertThat(asked.json()).containsEntry("code", "CODE_NEEDED");
        assertThat(client.trySignIn(email, "wrong but long", code(secret, 0)).json())
                .as("a wrong password says nothing of a code")
                .doesNotContainKey("code");
        String code = code(secret, 1);
        assertThat(client.trySignIn(email, Crew.PASSWORD, code).status()).isEqualTo(204);
        assertThat(new ApiClient(app.port())
                        .trySignIn(email, Crew.PASSWORD, code)
                        .status())
                .as("the same code again")
                .isEqualTo(401);
        String spare = recovery.get(3).toString();
        assertThat(new ApiClient(app.port())
                        .trySignIn(email, Crew.PASSWORD, spare)
                        .status())
                .isEqualTo(204);
        assertThat(new ApiClient(app.port())
                        .trySignIn(email, Crew.PASSWORD, spare)
                        .status())
                .isEqualTo(401);
        assertThat(fault(owner.post("/api/me/authenticator/off", Map.of("password", "not mine at all"))))
                .isEqualTo("password WRONG");
        Land.ok(owner.post("/api/me/authenticator/off", Map.of("password", Crew.PASSWORD)));
        assertThat(new ApiClient(app.port())
                        .trySignIn(email, Crew.PASSWORD, null)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void sessionsAreListedAndEnded() {
        ApiClient phone = ownerElsewhere();
        List<Map<String, Object>> open = owner.get("/api/sessions").list();
        assertThat(open).hasSize(2);
        assertThat(open.get(0)).containsEntry("own", true).containsEntry("address", "127.0.0.1");
        Land.ok(owner.delete("/api/sessions/" + open.get(1).get("id")));
        assertThat(phone.get("/api/fields").status()).isEqualTo(401);
        assertThat(owner.delete("/api/sessions/" + open.get(1).get("id")).status())
                .isEqualTo(404);
        ApiClient third = ownerElsewhere();
        Land.ok(owner.delete("/api/sessions"));
        assertThat(third.get("/api/fields").status()).isEqualTo(401);
        assertThat(owner.get("/api/sessions").list()).hasSize(1);
    }

    private static Answer change(ApiClient who, String current, String next) {
        return who.put("/api/me/password", Map.of("current", current, "next", next));
    }

    /** By the library directly, so many steps from now. */
    private static String code(String secret, int steps) throws Exception {
        return new TimeBasedOneTimePasswordGenerator()
                .generateOneTimePasswordString(
                        new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
                        Instant.now().plusSeconds(30L * steps));
    }
}
