package org.morphotera.server.photos;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;
import org.morphotera.server.SomePicture;
import org.springframework.jdbc.core.JdbcTemplate;

/** Every picture has its hash: from when it is kept, or from the first start after hashes came. */
class HashesOfOlderPhotosTest {

    @TempDir
    private Path folder;

    @Test
    void aPictureIsKeptWithItsHashAndOlderOnesGetTheirs() {
        try (OwnApp app = OwnApp.start("--morphotera.data=" + folder.resolve("data"))) {
            ApiClient owner = app.client();
            Land land = new Land(owner, 1);
            String visit = land.visit(LocalDate.of(2026, 4, 10));
            for (int i = 0; i < 10; i++) {
                Land.ok(owner.sendBytes(
                        "PUT",
                        "/api/photos/" + UUID.randomUUID() + "?visit=" + visit + "&stop=" + land.stops.get(0)
                                + "&takenAt=2026-04-10T10:00:00Z",
                        SomePicture.jpeg(30 + i, 20),
                        "image/jpeg"));
            }
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            var kept = jdbc.queryForList("select id, kept_hash from photo order by id");
            assertThat(kept)
                    .hasSize(10)
                    .allSatisfy(
                            row -> assertThat(row.get("kept_hash")).asString().hasSize(64));
            jdbc.update("update photo set kept_hash = null");
            app.bean(HashesOfOlderPhotos.class).note();
            assertThat(jdbc.queryForList("select id, kept_hash from photo order by id"))
                    .isEqualTo(kept);
            // what says that it is something else than a picture is not served
            String photo = kept.get(0).get("id").toString();
            assertThat(owner.bytes("/api/photos/" + photo)).startsWith(0xFF, 0xD8);
            jdbc.update("update photo set type = 'text/html'");
            assertThat(owner.get("/api/photos/" + photo).status()).isEqualTo(404);
        }
    }
}
