package org.morphotera.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Crew;
import org.morphotera.server.InOnesPractice;
import org.morphotera.server.Land;
import org.morphotera.server.LongWork;
import org.morphotera.server.accounts.role.Role;

/** Long work and its files belong to whoever began it and to the owners. */
class JobsTest extends InOnesPractice {

    private static String id(Map<String, Object> job) {
        return job.get("id").toString();
    }

    private void seesNothingOf(ApiClient who, String job) {
        assertThat(who.get("/api/jobs").text()).doesNotContain(job);
        assertThat(who.get("/api/jobs/" + job).status()).isEqualTo(404);
        assertThat(who.get("/api/jobs/" + job + "/file").status()).isEqualTo(404);
        assertThat(who.delete("/api/jobs/" + job).status()).isEqualTo(404);
        // nor as a file of their own
        Answer asImport = who.post("/api/imports/readings", Map.of("upload", job, "store", false));
        assertThat(asImport.status()).isEqualTo(404);
    }

    @Test
    void anArchiveIsTheOwnersAlone() {
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        String archive = id(LongWork.ended(owner, owner.post("/api/archives", Map.of())));
        seesNothingOf(advisor, archive);
        ApiClient second = crew.join(at("second"), Role.OWNER, null);
        assertThat(second.get("/api/jobs/" + archive).json()).containsEntry("state", "done");
        String theirs = id(LongWork.ended(second, second.post("/api/archives", Map.of())));
        // whoever is an owner no more has no archive any more either, not even their own
        Land.ok(owner.put(
                "/api/people/" + Crew.idOf(second), Map.of("name", "Second", "role", "ADVISOR", "version", 1)));
        second.signIn(at("second"), Crew.PASSWORD);
        seesNothingOf(second, theirs);
        assertThat(owner.bytes("/api/jobs/" + archive + "/file")).startsWith('P', 'K');
        assertThat(owner.delete("/api/jobs/" + archive).status()).isEqualTo(204);
    }

    @Test
    void whatSomebodySendsAndReadsInIsTheirsAndTheOwners() {
        ApiClient advisor = crew.join(at("advisor"), Role.ADVISOR, null);
        ApiClient other = crew.join(at("other"), Role.ADVISOR, null);
        byte[] file = "field,grower\n".getBytes(StandardCharsets.UTF_8);
        String upload = LongWork.upload(advisor, file);
        assertThat(other.post("/api/imports/readings", Map.of("upload", upload, "store", false))
                        .status())
                .isEqualTo(404);
        String job = id(LongWork.ended(
                advisor, advisor.post("/api/imports/readings", Map.of("upload", upload, "store", false))));
        assertThat(advisor.get("/api/jobs").text()).contains(job);
        assertThat(owner.get("/api/jobs").text()).contains(job);
        assertThat(other.get("/api/jobs").text()).doesNotContain(job);
        assertThat(other.get("/api/jobs/" + job).status()).isEqualTo(404);
    }
}
