package org.morphotera.server.archive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.OwnApp;
import org.morphotera.server.SomePicture;
import org.morphotera.server.storage.KeptHash;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;

/** A practice comes back from its archive as it was, or not at all. */
class ArchiveTest {

    private static final int DAMAGES = Integer.getInteger("morphotera.damages", 40);

    @TempDir
    static Path folder;

    private static OwnApp from;
    private static OwnApp to;

    @BeforeAll
    static void start() {
        from = knowing(OwnApp.start("--morphotera.data=" + folder.resolve("from")));
        to = knowing(OwnApp.start("--morphotera.data=" + folder.resolve("to")));
    }

    /** The server that takes tables in is at work, so that none is taken back between two looks at the rows. */
    private static OwnApp knowing(OwnApp app) {
        app.bean(JdbcTemplate.class)
                .update(
                        "insert into server (id, seen_at) values (?, ?)",
                        AnyPractice.SERVER,
                        OffsetDateTime.now().plusDays(1));
        return app;
    }

    @AfterAll
    static void stop() {
        from.close();
        to.close();
    }

    private static <T> T on(OwnApp app, ConnectionWork<T> work) {
        return app.bean(JdbcTemplate.class).execute((ConnectionCallback<T>) connection -> {
            try {
                return work.with(connection);
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
    }

    private interface ConnectionWork<T> {
        T with(Connection connection) throws Exception;
    }

    private static UUID anyPractice(long seed) {
        return on(from, connection -> new AnyPractice(connection, seed).make());
    }

    /** An empty practice with one person on the server that is restored to. */
    private static UUID emptyPractice(String email) {
        UUID practice = UUID.randomUUID();
        JdbcTemplate jdbc = to.bean(JdbcTemplate.class);
        jdbc.update("insert into practice (id, name, created_at) values (?, 'New', now())", practice);
        jdbc.update(
                "insert into person (id, practice_id, email, name, role, password_hash, units, theme) "
                        + "values (?, ?, ?, 'Somebody', 'ADVISOR', 'x', 'metric', 'desk')",
                UUID.randomUUID(),
                practice,
                email);
        // an empty practice may have invited somebody already
        jdbc.update(
                "insert into invitation (id, practice_id, email, name, role, secret_hash, made_by, made_at, expires_at) "
                        + "values (?, ?, ?, 'Next', 'ADVISOR', ?, ?, now(), now())",
                UUID.randomUUID(),
                practice,
                email,
                UUID.randomUUID().toString(),
                UUID.randomUUID());
        return practice;
    }

    private static Path archive(UUID practice) throws IOException, DamagedArchiveException {
        return archive(from, practice);
    }

    private static Path archive(OwnApp app, UUID practice) throws IOException, DamagedArchiveException {
        Path file = folder.resolve(UUID.randomUUID() + ".zip");
        app.bean(Archives.class)
                .write(practice, file, (done, total) -> assertThat(done).isLessThanOrEqualTo(total));
        return file;
    }

    private static Restore.Restored restore(Path file, UUID inPlaceOf) throws DamagedArchiveException {
        return restore(to, file, inPlaceOf);
    }

    private static Restore.Restored restore(OwnApp app, Path file, UUID inPlaceOf) throws DamagedArchiveException {
        return app.bean(Restore.class)
                .run(file, inPlaceOf, (done, total) -> assertThat(done).isLessThanOrEqualTo(total));
    }

    private static Map<String, Set<String>> rows(OwnApp app, UUID practice) {
        return on(app, connection -> AnyPractice.rows(connection, practice));
    }

    private static long practices() {
        return to.bean(JdbcTemplate.class).queryForObject("select count(*) from practice", Long.class);
    }

    @Test
    void everyTableIsEitherInItOrLeftOutOnPurpose() {
        Set<String> listed = new TreeSet<>(ArchiveTables.LEFT_OUT);
        ArchiveTables.ALL.forEach(table -> listed.add(table.name()));
        List<String> there = from.bean(JdbcTemplate.class)
                .queryForList(
                        "select table_name from information_schema.tables where table_schema = 'public' "
                                + "and table_type = 'BASE TABLE'",
                        String.class);
        assertThat(listed).containsExactlyInAnyOrderElementsOf(there);
    }

    @Test
    @EnabledIfSystemProperty(named = "morphotera.test-database", matches = "postgres")
    void aPracticeMovesFromTheServerIntoAFileAndBack() throws Exception {
        UUID practice = anyPractice(900);
        Map<String, Set<String>> before = rows(from, practice);
        Path data = folder.resolve("file");
        try (OwnApp file = knowing(
                OwnApp.start(
                        "--morphotera.data=" + data,
                        "--spring.datasource.url=jdbc:h2:file:" + data
                                + ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;DB_CLOSE_ON_EXIT=FALSE"))) {
            restore(file, archive(practice), null);
            assertThat(rows(file, practice)).isEqualTo(before);
            restore(archive(file, practice), null);
        }
        assertThat(rows(to, practice)).isEqualTo(before);
        forget(practice);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void anyPracticeComesBackAsItWas(long seed) throws Exception {
        UUID practice = anyPractice(seed);
        Map<String, Set<String>> before = rows(from, practice);
        UUID empty = emptyPractice("somebody" + seed + "@field.example");
        Restore.Restored restored = restore(archive(practice), empty);
        assertThat(restored.practiceId()).isEqualTo(practice);
        Map<String, Set<String>> after = rows(to, practice);
        // who restored it goes on in it
        after.get("person").removeIf(row -> row.contains("somebody" + seed + "@field.example"));
        assertThat(before.get("measurement")).isNotEmpty();
        ArchiveTables.ALL.forEach(
                table -> assertThat(after.get(table.name())).as(table.name()).isEqualTo(before.get(table.name())));
        assertThat(to.bean(JdbcTemplate.class)
                        .queryForObject("select count(*) from practice where id = ?", Long.class, empty))
                .isZero();
        assertThat(Files.list(folder.resolve("to-work"))
                        .filter(Files::isDirectory)
                        .filter(each -> each.getFileName().toString().startsWith("staging")))
                .isEmpty();
    }

    @Test
    void whatIsThereOrNotEmptyOrSignedInElsewhereIsRefused() throws Exception {
        UUID practice = anyPractice(100);
        Path file = archive(practice);
        restore(file, emptyPractice("first@field.example"));
        UUID again = emptyPractice("second@field.example");
        assertThatThrownBy(() -> restore(file, again)).hasMessageContaining("on this server already");
        assertThatThrownBy(() -> restore(archive(anyPractice(101)), practice)).hasMessageContaining("no longer empty");

        UUID known = anyPractice(102);
        String email = from.bean(JdbcTemplate.class)
                .queryForObject(
                        "select email from person where practice_id = ? fetch first 1 rows only", String.class, known);
        emptyPractice(email);
        Path taken = archive(known);
        assertThatThrownBy(() -> restore(taken, again)).hasMessageContaining("in another practice of this server");
        assertThat(rows(to, again).get("person")).hasSize(1);
    }

    @Test
    void whereNoPracticeGivesWayItComesInByPagesAndGoesWhenThatFails() throws Exception {
        UUID practice = anyPractice(103);
        Path file = archive(practice);
        restore(file, null);
        assertThat(rows(to, practice).get("measurement"))
                .isNotEmpty()
                .isEqualTo(rows(from, practice).get("measurement"));
        assertThatThrownBy(() -> restore(file, null)).hasMessageContaining("on this server already");
        assertThat(rows(to, practice).get("measurement")).isNotEmpty();

        forget(practice);
        // a row of the last table that has some is there already, in another practice's name
        JdbcTemplate jdbc = to.bean(JdbcTemplate.class);
        UUID other = emptyPractice("third@field.example");
        UUID laboratory = from.bean(JdbcTemplate.class)
                .queryForObject(
                        "select id from laboratory where practice_id = ? fetch first 1 rows only",
                        UUID.class,
                        practice);
        restore(file, null);
        jdbc.update("delete from bag where practice_id = ?", practice);
        jdbc.update("delete from dispatch where practice_id = ?", practice);
        jdbc.update("update laboratory set practice_id = ? where id = ?", other, laboratory);
        forget(practice);
        long practices = practices();
        assertThatThrownBy(() -> restore(file, null)).hasMessageContaining("Rows of this archive are on this server");
        rows(to, practice).forEach((table, rows) -> assertThat(rows).as(table).isEmpty());
        assertThat(practices()).isEqualTo(practices);
    }

    @Test
    void anArchiveOfEarlierTablesIsBroughtToToday() throws Exception {
        UUID practice = anyPractice(200);
        Map<String, Set<String>> before = rows(from, practice);
        for (int schema : new int[] {8, 5, 2}) {
            Path older = older(archive(practice), schema);
            UUID empty = emptyPractice("older" + schema + "@field.example");
            Restore.Restored restored = restore(older, empty);
            assertThat(restored.fromSchema()).isEqualTo(schema);
            Map<String, Set<String>> after = rows(to, practice);
            if (schema == 8) {
                assertThat(after.get("measurement")).isEqualTo(before.get("measurement"));
                assertThat(after.get("stop")).isEqualTo(before.get("stop"));
            }
            assertThat(after.get("measurement")).hasSameSizeAs(before.get("measurement"));
            assertThat(after.get("stop")).hasSameSizeAs(before.get("stop")).allMatch(row -> row.contains("\"role\":"));
            assertThat(after.get("laboratory")).isEmpty();
            forget(practice);
        }
    }

    private static void forget(UUID practice) {
        JdbcTemplate jdbc = to.bean(JdbcTemplate.class);
        List<ArchiveTables.Table> tables = new ArrayList<>(ArchiveTables.ALL);
        java.util.Collections.reverse(tables);
        jdbc.update("update measurement set supersedes = null where practice_id = ?", practice);
        tables.forEach(
                table -> jdbc.update("delete from " + table.name() + " where " + table.ownedBy() + " = ?", practice));
    }

    /** The archive as an earlier version would have made it: without the tables and columns that came later. */
    private static Path older(Path archive, int schema) throws Exception {
        Path older = folder.resolve(UUID.randomUUID() + ".zip");
        try (Staging then = Staging.open(folder, schema);
                ZipFile in = new ZipFile(archive.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(older))) {
            List<Map<String, Object>> tables = new ArrayList<>();
            for (ArchiveTables.Table table : ArchiveTables.ALL) {
                RowText text;
                try {
                    text = RowText.of(then.connection(), table.name());
                } catch (java.sql.SQLException e) {
                    continue;
                }
                StringBuilder lines = new StringBuilder();
                long rows = 0;
                for (String line :
                        text(in, ArchiveManifest.entryOf(table.name())).split("(?<=})\n")) {
                    Map<String, Object> row = new LinkedHashMap<>();
                    @SuppressWarnings("unchecked")
                    Map<String, Object> now = line.isBlank() ? Map.of() : WorkedCase.JSON.readValue(line, Map.class);
                    text.names().forEach(name -> {
                        if (now.containsKey(name)) {
                            row.put(name, now.get(name));
                        }
                    });
                    if (!row.isEmpty()) {
                        lines.append(WorkedCase.JSON.writeValueAsString(row)).append('\n');
                        rows++;
                    }
                }
                byte[] bytes = lines.toString().getBytes(StandardCharsets.UTF_8);
                entry(out, ArchiveManifest.entryOf(table.name()), bytes);
                tables.add(Map.of("table", table.name(), "rows", rows, "sha256", RowText.sha256(bytes)));
            }
            for (ZipEntry each : in.stream().map(ZipEntry.class::cast).toList()) {
                if (each.getName().startsWith("photos/")) {
                    entry(out, each.getName(), in.getInputStream(each).readAllBytes());
                }
            }
            @SuppressWarnings("unchecked")
            Map<String, Object> manifest =
                    new LinkedHashMap<>(WorkedCase.JSON.readValue(text(in, ArchiveManifest.NAME), Map.class));
            manifest.put("schema", schema);
            manifest.put("tables", tables);
            entry(out, ArchiveManifest.NAME, WorkedCase.JSON.writeValueAsBytes(manifest));
        }
        return older;
    }

    private static void entry(ZipOutputStream out, String name, byte[] bytes) throws IOException {
        out.putNextEntry(new ZipEntry(name));
        out.write(bytes);
        out.closeEntry();
    }

    private static String text(ZipFile in, String name) throws IOException {
        try (InputStream entry = in.getInputStream(in.getEntry(name))) {
            return new String(entry.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** Entry by entry, so that a change of one is as its writer would have made it. */
    private static Path changed(Path archive, Map<String, String> with) throws IOException {
        Path changed = folder.resolve(UUID.randomUUID() + ".zip");
        try (ZipFile in = new ZipFile(archive.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(changed))) {
            for (ZipEntry each : in.stream().map(ZipEntry.class::cast).toList()) {
                String text = with.get(each.getName());
                entry(
                        out,
                        each.getName(),
                        text == null ? in.getInputStream(each).readAllBytes() : text.getBytes(StandardCharsets.UTF_8));
            }
        }
        return changed;
    }

    /** With its hash put right, as someone would who forges an archive. */
    private static Path forged(Path archive, String table, String before, String after) throws IOException {
        try (ZipFile in = new ZipFile(archive.toFile())) {
            String entry = ArchiveManifest.entryOf(table);
            String old = text(in, entry);
            String lines = old.replaceFirst(before, after);
            assertThat(lines).isNotEqualTo(old);
            String manifest = text(in, ArchiveManifest.NAME)
                    .replace(
                            RowText.sha256(old.getBytes(StandardCharsets.UTF_8)),
                            RowText.sha256(lines.getBytes(StandardCharsets.UTF_8)));
            return changed(archive, Map.of(entry, lines, ArchiveManifest.NAME, manifest));
        }
    }

    @Test
    void aDamagedArchiveIsRefusedWithThePlace() throws Exception {
        UUID practice = anyPractice(300);
        Path file = archive(practice);
        UUID empty = emptyPractice("damaged@field.example");
        refused(changed(file, Map.of("tables/field.jsonl", "{}\n")), empty, "tables/field.jsonl", "does not hold");
        refused(changed(file, Map.of(ArchiveManifest.NAME, "{")), empty, "archive.json", "can't be read");
        refused(
                forged(file, "stop", "\"field_id\":\"[^\"]*\"", "\"field_id\":\"" + UUID.randomUUID() + "\""),
                empty,
                "tables/stop.jsonl, line 1",
                "does not fit");
        refused(
                forged(file, "stop", "\"position\":-?\\d+", "\"position\":\"x\""),
                empty,
                "tables/stop.jsonl, line 1",
                "position can't be read");
        refused(
                forged(file, "stop", "\"practice_id\":\"[^\"]*\"", "\"practice_id\":\"" + UUID.randomUUID() + "\""),
                empty,
                "tables/stop.jsonl, line 1",
                "another practice's");
        refused(forged(file, "stop", "\"position\"", "\"rank\""), empty, "tables/stop.jsonl, line 1", "no column rank");
        refused(forged(file, "stop", "\\{", "[{"), empty, "tables/stop.jsonl, line 1", "no JSON");
        Path photos = folder.resolve(UUID.randomUUID() + ".zip");
        try (ZipFile in = new ZipFile(file.toFile())) {
            String photo = in.stream()
                    .map(ZipEntry::getName)
                    .filter(name -> name.startsWith("photos/"))
                    .findFirst()
                    .orElseThrow();
            Files.copy(changed(file, Map.of(photo, "no picture")), photos);
            refused(photos, empty, photo, "damaged");
        }
    }

    private static void refused(Path file, UUID empty, String place, String said) {
        assertThatThrownBy(() -> restore(file, empty))
                .isInstanceOfSatisfying(
                        DamagedArchiveException.class,
                        e -> assertThat(e.place()).isEqualTo(place))
                .hasMessageContaining(said);
        assertThat(rows(to, empty).get("person")).hasSize(1);
    }

    /** So many damages (2,000 in {@code bin/bench fuzz}): each is refused, or was of a byte that says nothing and all came back as it was. */
    @Test
    void noDamageLeavesHalfAPractice() throws Exception {
        UUID practice = anyPractice(400);
        byte[] whole = Files.readAllBytes(archive(practice));
        Map<String, Set<String>> before = rows(from, practice);
        UUID empty = emptyPractice("cut@field.example");
        Random random = new Random(400);
        long practices = practices();
        int refused = 0;
        Path file = folder.resolve("damaged.zip");
        for (int i = 0; i < DAMAGES; i++) {
            Files.write(file, damaged(whole, random));
            try {
                restore(file, empty);
                Map<String, Set<String>> after = rows(to, practice);
                after.get("person").removeIf(row -> row.contains("cut@field.example"));
                assertThat(after).isEqualTo(before);
                forget(practice);
                empty = emptyPractice("cut@field.example");
            } catch (DamagedArchiveException e) {
                refused++;
                assertThat(e.getMessage()).isNotBlank();
            }
            assertThat(practices()).isEqualTo(practices);
        }
        assertThat(refused).isGreaterThan(DAMAGES * 3 / 4);
    }

    private static byte[] damaged(byte[] whole, Random random) {
        int at = random.nextInt(whole.length);
        switch (random.nextInt(4)) {
            case 0 -> {
                return java.util.Arrays.copyOf(whole, at);
            }
            case 1 -> {
                ByteArrayOutputStream cut = new ByteArrayOutputStream();
                int to = Math.min(whole.length, at + 1 + random.nextInt(2000));
                cut.write(whole, 0, at);
                cut.write(whole, to, whole.length - to);
                return cut.toByteArray();
            }
            case 2 -> {
                byte[] zeros = whole.clone();
                java.util.Arrays.fill(zeros, at, Math.min(whole.length, at + 4096), (byte) 0);
                return zeros;
            }
            default -> {
                byte[] flipped = whole.clone();
                flipped[at] ^= (byte) (1 << random.nextInt(8));
                return flipped;
            }
        }
    }

    @Test
    void theNightMakesArchivesAndKeepsTheNewest() throws Exception {
        UUID practice = anyPractice(500);
        from.bean(JdbcTemplate.class).update("delete from archive_setting");
        ArchiveMapper rows = from.bean(ArchiveMapper.class);
        rows.insert(new ArchiveMapper.Row(practice, true, "nights", 2, null, null, 1));
        NightlyArchives nightly = from.bean(NightlyArchives.class);
        Path made = nightly.folder(practice, "nights");
        Files.createDirectories(made);
        for (String old : List.of("a-2020-01-01-020000.zip", "a-2020-01-02-020000.zip")) {
            Files.writeString(made.resolve(old), "old");
        }
        nightly.work();
        nightly.work();
        try (Stream<Path> files = Files.list(made)) {
            assertThat(files.map(file -> file.getFileName().toString()))
                    .hasSize(2)
                    .contains("a-2020-01-02-020000.zip");
        }
        assertThat(rows.setting(practice).lastSaid()).startsWith("Made ");
    }

    @Test
    void anArchiveThatCouldNotBeRestoredIsNeverSaidToBeMade() throws Exception {
        UUID practice = anyPractice(910);
        JdbcTemplate jdbc = from.bean(JdbcTemplate.class);
        jdbc.update(
                "update field set area_ha = cast('NaN' as double precision) where id = "
                        + "(select id from field where practice_id = ? fetch first 1 rows only)",
                practice);
        Path file = folder.resolve("never.zip");
        assertThatThrownBy(() -> from.bean(Archives.class).write(practice, file, (done, total) -> {}))
                .isInstanceOf(DamagedArchiveException.class)
                .hasMessageContaining("could not be read back")
                .hasMessageContaining("area_ha");
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left.map(each -> each.getFileName().toString())).noneMatch(name -> name.startsWith("never"));
        }
        jdbc.update("update field set area_ha = null where practice_id = ?", practice);
        // what can't be shown in older rows is left out, and so comes back
        jdbc.update("update field set soil_note = ? where practice_id = ?", "wet\uFFFF\u0001 end", practice);
        restore(archive(practice), emptyPractice("shown@field.example"));
        assertThat(to.bean(JdbcTemplate.class)
                        .queryForList(
                                "select distinct soil_note from field where practice_id = ?", String.class, practice))
                .containsExactly("wet end");
        forget(practice);
    }

    @Test
    void aPictureOfAnArchiveIsWhatItShowsAndNothingElse() throws Exception {
        UUID practice = anyPractice(911);
        byte[] page = "<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8);
        JdbcTemplate jdbc = from.bean(JdbcTemplate.class);
        UUID photo = jdbc.queryForObject(
                "select id from photo where practice_id = ? fetch first 1 rows only", UUID.class, practice);
        byte[] picture = SomePicture.of("png", 40, 30);
        byte[] both = java.util.Arrays.copyOf(picture, picture.length + page.length);
        System.arraycopy(page, 0, both, picture.length, page.length);
        jdbc.update("update photo set content = ?, small = ?, type = 'text/html' where id = ?", both, page, photo);
        restore(archive(practice), emptyPractice("picture@field.example"));
        Map<String, Object> row = to.bean(JdbcTemplate.class)
                .queryForMap("select type, content, small, kept_hash from photo where id = ?", photo);
        assertThat(row).containsEntry("type", "image/png");
        byte[] content = (byte[]) row.get("content");
        byte[] small = (byte[]) row.get("small");
        assertThat(new String(content, StandardCharsets.ISO_8859_1)).doesNotContain("script");
        assertThat(new String(small, StandardCharsets.ISO_8859_1)).doesNotContain("script");
        assertThat(row.get("kept_hash")).isEqualTo(KeptHash.of(content, small));
        forget(practice);

        jdbc.update("update photo set content = ? where id = ?", page, photo);
        Path none = archive(practice);
        UUID empty = emptyPractice("none@field.example");
        assertThatThrownBy(() -> restore(none, empty)).hasMessageContaining("no whole picture");
        assertThat(rows(to, practice).get("photo")).isEmpty();
    }
}
