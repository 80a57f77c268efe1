package org.morphotera.server.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/** Scores stay unseen until all are in, and then stand; what comes of them is what the calculator says. */
@ExtendWith(RunningApp.class)
class CalibrationTest {

    private final ApiClient advisor;

    CalibrationTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private record Session(String id, String code) {}

    private Session session(List<String> tests, int places, int people) {
        String id = UUID.randomUUID().toString();
        Map<String, Object> body = body(tests, places, people, 0);
        Map<String, Object> made =
                Land.ok(advisor.put("/api/calibrations/" + id, body)).json();
        return new Session(id, (String) made.get("code"));
    }

    private static Map<String, Object> body(List<String> tests, int places, int people, int version) {
        return Map.of("title", "Spade day", "tests", tests, "places", places, "people", people, "version", version);
    }

    private Answer join(Session session, String member, String name) {
        return advisor.post("/api/calibration-members", Map.of("code", session.code(), "member", member, "name", name));
    }

    private String joined(Session session, String name) {
        String member = UUID.randomUUID().toString();
        Land.ok(join(session, member, name));
        return member;
    }

    private Answer score(Session session, String member, String test, double... scores) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (int i = 0; i < scores.length; i++) {
            rows.add(Map.of("place", i + 1, "test", test, "score", scores[i]));
        }
        return advisor.put("/api/calibrations/" + session.id() + "/scores/" + member, Map.of("scores", rows));
    }

    private Map<String, Object> view(Session session, String member) {
        return Land.ok(advisor.get("/api/calibrations/" + session.id() + (member == null ? "" : "?member=" + member)))
                .json();
    }

    private static String faultOf(Answer answer) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(422);
        return answer.text();
    }

    @Test
    @SuppressWarnings("unchecked")
    void nobodySeesAnothersScoresUntilAllAreIn() {
        Session session = session(List.of("structure"), 3, 2);
        String one = joined(session, "Ash");
        String other = joined(session, "Birch");
        Land.ok(score(session, one, "structure", 2, 3, 4));
        Map<String, Object> seen = view(session, other);
        assertThat(seen).doesNotContainKey("results");
        assertThat((List<Object>) seen.get("mine")).isEmpty();
        assertThat(seen.get("members").toString()).contains("given=3").contains("given=0");
        // the last one's scores show all
        Map<String, Object> shown =
                Land.ok(score(session, other, "structure", 2.5, 3.5, 4.5)).json();
        Map<String, Object> agreed = ((List<Map<String, Object>>) shown.get("results")).get(0);
        Map<String, Object> envelope = (Map<String, Object>) agreed.get("envelope");
        List<Map<String, Object>> people =
                ((Map<String, List<Map<String, Object>>>) envelope.get("series")).get("people");
        assertThat(people.get(0)).containsEntry("person", "Ash").containsEntry("bias", -0.5);
        assertThat(people.get(1)).containsEntry("person", "Birch").containsEntry("bias", 0.5);
        assertThat((List<Object>) agreed.get("given")).hasSize(6);
        // and they stand from then on
        assertThat(faultOf(score(session, one, "structure", 1, 1, 1))).contains("CLOSED");
        assertThat(view(session, one).get("mine").toString()).contains("score=2");
    }

    @Test
    void whatIsSentAgainTakesThePlaceOfWhatWasSentBefore() {
        Session session = session(List.of("porosity", "smell"), 2, 2);
        String one = joined(session, "Ash");
        Land.ok(score(session, one, "porosity", 1, 1));
        Land.ok(score(session, one, "porosity", 2, 0.5));
        assertThat(view(session, one).get("mine").toString())
                .contains("score=2", "score=0.5")
                .doesNotContain("score=1.0");
        assertThat(view(session, null).get("mine").toString()).isEqualTo("[]");
    }

    @Test
    void aSessionCanBeShownBeforeAllAreIn() {
        Session session = session(List.of("smell"), 2, 5);
        String one = joined(session, "Ash");
        String other = joined(session, "Birch");
        Land.ok(score(session, one, "smell", 1, 2));
        Land.ok(score(session, other, "smell", 2));
        Map<String, Object> closed = Land.ok(advisor.put("/api/calibrations/" + session.id() + "/closed", Map.of()))
                .json();
        assertThat(closed.get("results").toString()).contains("Birch");
        assertThat(faultOf(join(session, UUID.randomUUID().toString(), "Cedar")))
                .contains("CLOSED");
    }

    @Test
    void whatDoesNotFitIsRefusedByItsField() {
        Session session = session(List.of("porosity"), 2, 2);
        String one = joined(session, "Ash");
        assertThat(faultOf(score(session, one, "porosity", 0.25))).contains("scores[0].score");
        assertThat(faultOf(score(session, one, "smell", 1))).contains("scores[0].test");
        assertThat(faultOf(score(session, one, "porosity", 1, 1, 1))).contains("scores[2].place");
        assertThat(faultOf(join(session, UUID.randomUUID().toString(), "ash"))).contains("TAKEN");
        Session nowhere = new Session(session.id(), "NOPE22");
        assertThat(faultOf(join(nowhere, UUID.randomUUID().toString(), "Elm"))).contains("NO_SUCH_CODE");
        joined(session, "Birch");
        assertThat(faultOf(join(session, UUID.randomUUID().toString(), "Cedar")))
                .contains("FULL");
        assertThat(faultOf(advisor.put("/api/calibrations/" + UUID.randomUUID(), body(List.of("ph"), 2, 2, 0))))
                .contains("tests[0]");
        // tests and places stand once people score them
        assertThat(faultOf(advisor.put("/api/calibrations/" + session.id(), body(List.of("porosity"), 5, 2, 1))))
                .contains("FIXED");
        assertThat(advisor.put("/api/calibrations/" + session.id(), body(List.of("porosity"), 2, 3, 4))
                        .status())
                .isEqualTo(409);
        assertThat(score(session, UUID.randomUUID().toString(), "porosity", 1).status())
                .isEqualTo(404);
    }

    @Test
    void aRepeatedJoinIsTheSameMemberAndACodeIsReadHoweverItIsWritten() {
        Session session = session(List.of("smell"), 1, 2);
        String member = UUID.randomUUID().toString();
        Session spaced = new Session(
                session.id(),
                (session.code().substring(0, 3) + " " + session.code().substring(3)).toLowerCase());
        Land.ok(join(spaced, member, "Ash"));
        Map<String, Object> again = Land.ok(join(session, member, "Ash")).json();
        assertThat((List<?>) again.get("members")).hasSize(1);
    }

    @Test
    void photosOfOthersAreSeenOnlyOnceScoresAre() {
        Session session = session(List.of("smell"), 1, 2);
        String one = joined(session, "Ash");
        String other = joined(session, "Birch");
        String photo = UUID.randomUUID().toString();
        String path = "/api/calibrations/" + session.id() + "/photos/" + photo;
        String where = path + "?place=1&member=" + one;
        for (int i = 0; i < 2; i++) {
            assertThat(advisor.sendBytes("PUT", where, SomePicture.jpeg(60, 40), "image/jpeg")
                            .status())
                    .isEqualTo(200);
        }
        assertThat(view(session, one).get("photos").toString()).contains(photo);
        assertThat(view(session, other).get("photos").toString()).doesNotContain(photo);
        Land.ok(score(session, one, "smell", 1));
        Land.ok(score(session, other, "smell", 1));
        assertThat(view(session, other).get("photos").toString()).containsOnlyOnce(photo);
        assertThat(advisor.get(path).type()).startsWith("image/jpeg");
    }

    @Test
    void theNewestSessionTellsHowSomebodyScores() {
        Session early = session(List.of("finger-stain"), 2, 2);
        String a = joined(early, "Oak");
        String b = joined(early, "Pine");
        Land.ok(score(early, a, "finger-stain", 0, 0));
        Land.ok(score(early, b, "finger-stain", 2, 2));
        Session late = session(List.of("finger-stain"), 2, 2);
        String c = joined(late, "Oak");
        String d = joined(late, "Rowan");
        Land.ok(score(late, c, "finger-stain", 1, 1.5));
        Land.ok(score(late, d, "finger-stain", 1, 1));
        Map<String, Double> biases = new LinkedHashMap<>();
        advisor.get("/api/calibration-biases?test=finger-stain")
                .list()
                .forEach(each -> biases.put((String) each.get("name"), ((Number) each.get("bias")).doubleValue()));
        assertThat(biases.get("Oak")).isCloseTo(0.25, within(1e-9));
        assertThat(biases.get("Pine")).isCloseTo(2, within(1e-9));
        assertThat(advisor.get("/api/calibration-biases?test=mottling").list()).isEmpty();
        assertThat(RunningApp.client()
                        .signIn(ApiClient.EBBSIDE)
                        .get("/api/calibration-biases?test=finger-stain")
                        .list())
                .isEmpty();
    }

    @Test
    void scalesComeFromTheCatalogueWithTheWayThatIsBetter() {
        String list = advisor.get("/api/calibrations").json().get("tests").toString();
        assertThat(list)
                .contains(
                        "id=structure, title=Structure",
                        "scale=[1.0, 1.5, 2.0, 2.5, 3.0, 3.5, 4.0, 4.5, 5.0], lowIsGood=true")
                .contains("scale=[0.0, 0.5, 1.0, 1.5, 2.0], lowIsGood=false");
    }
}
