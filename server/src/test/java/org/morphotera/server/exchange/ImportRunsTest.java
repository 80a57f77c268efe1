package org.morphotera.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.LongWork;
import org.morphotera.server.OwnApp;
import org.morphotera.server.TestDatabase;
import org.morphotera.server.projections.ProjectionRebuild;
import org.springframework.jdbc.core.JdbcTemplate;

/** A table that comes in piece by piece is all in or not at all, also when it is broken off. */
@Tag("long")
class ImportRunsTest {

    private static final int VISITS = 12;
    private static final int FIELDS = 2;
    private static final int STOPS = 3;

    /** What an import adds to, in the order in which it can be compared. */
    private static final List<String> TABLES = List.of(
            "select id, field_id, label, position, leads from stop order by id",
            "select id, field_id, visited_on from visit order by id",
            "select id, visit_id, stop_id, method, readings, context, evaluation, taken_at, supersedes from measurement "
                    + "order by id",
            "select * from indicator_value order by measurement_id, indicator",
            "select * from sighting order by measurement_id, finding",
            "select visit_id from visit_strip order by visit_id",
            "select * from import_run",
            "select * from import_trace");

    private static final String PLACE = "join stop s on s.id = x.stop_id join field f on f.id = s.field_id ";

    /** The same without ids, which differ between practices. */
    private static final List<String> WITHOUT_IDS = List.of(
            "select f.name, x.label, x.position, x.leads from stop x join field f on f.id = x.field_id order by 1, 2",
            "select f.name, x.visited_on from visit x join field f on f.id = x.field_id order by 1, 2",
            "select f.name, s.label, x.taken_at, x.method, x.readings, x.context, x.evaluation from measurement x "
                    + PLACE + "order by 1, 2, 3, 4",
            "select f.name, s.label, x.taken_at, x.indicator, x.band, x.standing, x.figure, x.code, x.latest "
                    + "from indicator_value x " + PLACE + "order by 1, 2, 3, 4",
            "select f.name, s.label, x.taken_at, x.finding, x.figure, x.state, x.latest from sighting x " + PLACE
                    + "order by 1, 2, 3, 4");

    @TempDir
    private Path folder;

    private OwnApp start(String data, String... options) {
        String[] all = new String[options.length + 1];
        all[0] = "--morphotera.data=" + folder.resolve(data);
        System.arraycopy(options, 0, all, 1, options.length);
        return OwnApp.start(all);
    }

    /** Two fields; the first has a stop and a visit with a smell of its own, newer than some of what comes in. */
    private static void begin(ApiClient advisor) {
        Land first = new Land(advisor, 1, Map.of("name", "Piece 0"));
        new Land(advisor, 0, Map.of("name", "Piece 1"));
        Land.ok(first.record(
                first.visit(day(5)),
                0,
                "smell",
                Map.of("score", 2),
                day(5),
                Map.of("depthTopMm", 0, "depthBottomMm", 200)));
    }

    private static LocalDate day(int visit) {
        return LocalDate.of(2024, 1, 10).plusDays(40L * visit);
    }

    /** Day by day, field by field: texture and cover, in whose light the tests after them are read. */
    private static String table() {
        StringBuilder out =
                new StringBuilder("field,stop,visited_on,test,name,value,unit,depth_top_mm,depth_bottom_mm\r\n");
        for (int visit = 0; visit < VISITS; visit++) {
            for (int field = 0; field < FIELDS; field++) {
                for (int stop = 0; stop < STOPS; stop++) {
                    String at = "Piece " + field + ",Stop " + (stop + 1) + "," + day(visit) + ",";
                    out.append(at).append("salinity,mode,lab-ece,,0,150\r\n");
                    out.append(at).append("salinity,readings[0]," + (1 + visit % 4) + ",dS/m,0,150\r\n");
                    out.append(at).append("smell,score," + (visit + stop) % 3 + ",,0,200\r\n");
                    if (visit == 1) {
                        for (String reading : List.of("key,ribbon", "formsBall,true", "formsRibbon,true")) {
                            out.append(at + "texture-feel," + reading + ",,0,150\r\n");
                        }
                        out.append(at).append("texture-feel,ribbonMm," + (20 + 10 * stop) + ",mm,0,150\r\n");
                        out.append(at).append("texture-feel,feel,neither,,0,150\r\n");
                    }
                    out.append(at).append("porosity,score," + (visit + field) % 3 + ",,0,200\r\n");
                }
            }
        }
        return out.toString();
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Map<String, List<Map<String, Object>>> state(OwnApp app, List<String> tables) {
        JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
        Map<String, List<Map<String, Object>>> state = new LinkedHashMap<>();
        tables.forEach(table -> state.put(table, jdbc.queryForList(table)));
        return state;
    }

    private static void assertSame(OwnApp app, Map<String, List<Map<String, Object>>> wanted) {
        state(app, List.copyOf(wanted.keySet()))
                .forEach((table, rows) -> assertThat(rows.equals(wanted.get(table)))
                        .as(() -> table + "\n" + rows + "\n" + wanted.get(table))
                        .isTrue());
    }

    private static long count(OwnApp app, String what) {
        return app.bean(JdbcTemplate.class).queryForObject("select count(*) from " + what, Long.class);
    }

    @Test
    void inPiecesOrAtOnceItIsTheSame() {
        Map<String, List<Map<String, Object>>> atOnce;
        try (OwnApp app = start("once")) {
            begin(app.client());
            Map<String, Object> job = LongWork.imported(app.client(), "readings", bytes(table()), true);
            assertThat(job).as("%s", job).containsEntry("state", "done");
            assertThat(LongWork.result(job)).containsEntry("newVisits", 2 * VISITS - 1);
            atOnce = state(app, WITHOUT_IDS);
        }
        try (OwnApp app = start("pieces", "--morphotera.import-piece=7")) {
            begin(app.client());
            Map<String, Object> job = LongWork.imported(app.client(), "readings", bytes(table()), true);
            assertThat(job).as("%s", job).containsEntry("state", "done");
            assertSame(app, atOnce);
            Map<String, List<Map<String, Object>>> inPieces = state(app, TABLES);
            assertThat(count(app, "measurement where context like '%textureClass%'"))
                    .isGreaterThan(2L * STOPS * VISITS);
            // and as if each had been recorded by itself
            app.bean(ProjectionRebuild.class).run();
            assertSame(app, inPieces);
            assertThat(LongWork.result(LongWork.imported(app.client(), "readings", bytes(table()), true)))
                    .containsEntry("tests", 0);
            assertSame(app, inPieces);
        }
    }

    @Test
    void whatFailsInTheMiddleIsTakenBack() {
        try (OwnApp app = start("failing", "--morphotera.import-piece=10")) {
            ApiClient advisor = app.client();
            begin(advisor);
            Map<String, List<Map<String, Object>>> before = state(app, TABLES);
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            jdbc.execute("alter table measurement add constraint too_late check (taken_at < date '" + day(8) + "')");
            Map<String, Object> job = LongWork.imported(advisor, "readings", bytes(table()), true);
            assertThat(job).as("%s", job).containsEntry("state", "failed");
            assertSame(app, before);

            jdbc.execute("alter table measurement drop constraint too_late");
            Map<String, Object> again = LongWork.imported(advisor, "readings", bytes(table()), true);
            assertThat(again).as("%s", again).containsEntry("state", "done");
        }
    }

    @Test
    void whatSomebodyWorksWithMeanwhileStays() {
        try (OwnApp app = start("used", "--morphotera.import-piece=10")) {
            ApiClient advisor = app.client();
            begin(advisor);
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            // as the first visit is there, a draft is begun on it; the last piece fails
            TestDatabase.trigger(
                    jdbc,
                    "begin_draft",
                    "after insert",
                    DraftOnFirst.class,
                    "insert into draft (id, practice_id, visit_id, stop_id, method, content, updated_at, version) "
                            + "select gen_random_uuid(), new.practice_id, new.visit_id, new.stop_id, 'smell', '{}', "
                            + "new.taken_at, 1 where not exists (select 1 from draft); return new;");
            jdbc.execute("alter table measurement add constraint too_late check (taken_at < date '" + day(11) + "')");
            Map<String, Object> job = LongWork.imported(advisor, "readings", bytes(table()), true);
            assertThat(job).as("%s", job).containsEntry("state", "failed");
            assertThat(count(app, "draft")).isPositive();
            assertThat(count(app, "measurement")).isEqualTo(1);
            assertThat(count(app, "visit"))
                    .isEqualTo(count(app, "(select visit_id from draft union select visit_id from measurement) used"));
            assertThat(count(app, "import_run")).isZero();
        }
    }

    /** Begins a draft with the first measurement that comes in. */
    public static final class DraftOnFirst implements org.h2.api.Trigger {

        @Override
        public void fire(java.sql.Connection connection, Object[] before, Object[] row) throws java.sql.SQLException {
            try (java.sql.PreparedStatement insert = connection.prepareStatement(
                    "insert into draft (id, practice_id, visit_id, stop_id, method, content, updated_at, version) "
                            + "select ?, practice_id, visit_id, stop_id, 'smell', '{}', taken_at, 1 from measurement "
                            + "where id = ? and not exists (select 1 from draft)")) {
                insert.setObject(1, UUID.randomUUID());
                insert.setObject(2, row[0]);
                insert.executeUpdate();
            }
        }
    }

    @Test
    void whatAKillBrokeOffIsTakenBackAtTheNextStart() throws InterruptedException {
        Map<String, List<Map<String, Object>>> before;
        try (OwnApp app = start("killed", "--morphotera.import-piece=5")) {
            ApiClient advisor = app.client();
            begin(advisor);
            before = state(app, TABLES);
            String upload = LongWork.upload(advisor, table());
            String job = Land.ok(advisor.post("/api/imports/readings", Map.of("upload", upload, "store", true)))
                    .json()
                    .get("id")
                    .toString();
            while (count(app, "measurement") < 40) {
                assertThat(advisor.get("/api/jobs/" + job).json()).containsEntry("state", "running");
            }
            // what lies on the disk at a moment in the middle
            TestDatabase.copy(
                    app.bean(JdbcTemplate.class), folder.resolve("killed"), folder.resolve("restored/killed"));
        }
        try (OwnApp app = start("restored/killed")) {
            for (int i = 0; i < 1000 && count(app, "import_run") > 0; i++) {
                Thread.sleep(20);
            }
            assertSame(app, before);
            Map<String, Object> again = LongWork.imported(app.client(), "readings", bytes(table()), true);
            assertThat(again).as("%s", again).containsEntry("state", "done");
            assertThat(LongWork.result(again)).containsEntry("alreadyHere", 0);
        }
    }

    @Test
    void whatCantBeTakenBackAtOnceIsLaterAlsoWhereItWasRestored() throws InterruptedException {
        try (OwnApp app = start("stuck", "--morphotera.import-piece=10")) {
            ApiClient advisor = app.client();
            begin(advisor);
            Map<String, List<Map<String, Object>>> before = state(app, TABLES);
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            jdbc.execute("alter table measurement add constraint too_late check (taken_at < date '" + day(8) + "')");
            TestDatabase.trigger(jdbc, "keep", "before delete", NothingIsDeleted.class, "raise exception 'not now';");
            LongWork.imported(advisor, "readings", bytes(table()), true);
            assertThat(count(app, "measurement")).isGreaterThan(10);
            assertThat(count(app, "import_run")).isEqualTo(1);

            Map<String, Object> archive = LongWork.ended(advisor, advisor.post("/api/archives", Map.of()));
            byte[] file = advisor.bytes("/api/jobs/" + archive.get("id") + "/file");
            try (OwnApp other = start("other")) {
                ApiClient owner = other.client();
                Land.ok(owner.post("/api/restores", Map.of("upload", LongWork.upload(owner, file))));
                for (int i = 0; i < 1000 && (count(other, "measurement") != 1 || count(other, "import_run") > 0); i++) {
                    Thread.sleep(20);
                }
                assertSame(other, before);
            }

            TestDatabase.dropTrigger(jdbc, "keep");
            jdbc.execute("alter table measurement drop constraint too_late");
            Map<String, Object> again = LongWork.imported(advisor, "readings", bytes(table()), true);
            assertThat(again).as("%s", again).containsEntry("state", "done");
            assertThat(LongWork.result(again)).containsEntry("newVisits", 2 * VISITS - 1);
            assertThat(count(app, "import_run")).isZero();
        }
    }

    /** Refuses every removal. */
    public static final class NothingIsDeleted implements org.h2.api.Trigger {

        @Override
        public void fire(java.sql.Connection connection, Object[] before, Object[] row) throws java.sql.SQLException {
            throw new java.sql.SQLException("not now");
        }
    }
}
