package org.morphotera.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedWriter;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.LongWork;
import org.morphotera.server.OwnApp;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * A table of a million readings taken in, beside a bare batch insert of as many rows of the same kind into the same
 * tables: half its speed or better is wanted, and memory that does not grow with the file.
 */
@EnabledIfSystemProperty(named = "morphotera.bench", matches = "true")
class ImportBench {

    private static final int LINES = Integer.getInteger("morphotera.bench.lines", 1_000_000);
    private static final int FIELDS = Math.max(10, LINES / 5_000);
    private static final int STOPS = 5;
    private static final int PIECE = 10_000;
    private static final double WANTED = 0.5;

    @TempDir
    private Path folder;

    private Path table() throws IOException {
        Path file = folder.resolve("readings.csv");
        int lines = 0;
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("field,stop,visited_on,test,name,value,unit,depth_top_mm,depth_bottom_mm\r\n");
            for (int visit = 0; ; visit++) {
                for (int field = 0; field < FIELDS; field++) {
                    for (int stop = 0; stop < STOPS; stop++) {
                        String at = "Bench " + field + ",Stop " + (stop + 1) + ","
                                + LocalDate.of(2015, 1, 1).plusDays(90L * visit % 4000) + ",";
                        String ph = at + "ph,";
                        out.write(ph + "kind,meter-1to1,,0,150\r\n" + ph + "layers[0].topMm,0,in,0,150\r\n" + ph
                                + "layers[0].bottomMm,6,in,0,150\r\n" + ph + "layers[0].value,"
                                + (4 + (visit + stop) % 40 / 10.0) + ",,0,150\r\n");
                        String salt = at + "salinity,";
                        out.write(salt + "mode,lab-ece,,0,150\r\n" + salt + "readings[0],"
                                + (1 + (visit + field) % 30 / 10.0) + ",mmhos/cm,0,150\r\n");
                        String rust = at + "mottling,";
                        out.write(rust + "rustPct," + (visit + stop) % 30 + ",%,200,400\r\n" + rust
                                + "blackPct,1,%,200,400\r\n" + rust + "greyPct,0,%,200,400\r\n");
                        out.write(at + "smell,score," + (stop % 3) + ",,0,200\r\n");
                        out.write(at + "porosity,score," + (visit % 3) + ",,0,200\r\n");
                        lines += 11;
                        if (lines >= LINES) {
                            return file;
                        }
                    }
                }
            }
        }
    }

    private double sizeMb() throws IOException {
        return Files.size(folder.resolve("data.mv.db")) / 1e6;
    }

    private static double peakMb() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                        .filter(pool -> pool.getType() == MemoryType.HEAP)
                        .mapToLong(pool -> pool.getCollectionUsage() == null
                                ? 0
                                : pool.getCollectionUsage().getUsed())
                        .sum()
                / 1e6;
    }

    @Test
    void aMillionReadingsComeInAtHalfTheSpeedOfABareInsert() throws IOException, SQLException {
        try (OwnApp app =
                OwnApp.start("--morphotera.data=" + folder.resolve("data"), "--morphotera.largest-upload=1GB")) {
            ApiClient advisor = app.client();
            String grower = UUID.randomUUID().toString();
            advisor.put("/api/growers/" + grower, Map.of("name", "Bench", "version", 0));
            for (int i = 0; i < FIELDS; i++) {
                advisor.put(
                        "/api/fields/" + UUID.randomUUID(),
                        Map.of(
                                "growerId",
                                grower,
                                "name",
                                "Bench " + i,
                                "landUse",
                                "arable",
                                "purpose",
                                "field",
                                "version",
                                0));
            }
            Path table = table();
            ManagementFactory.getMemoryPoolMXBeans().forEach(MemoryPoolMXBean::resetPeakUsage);
            String upload = LongWork.upload(advisor, Files.readAllBytes(table));
            long begun = System.nanoTime();
            Map<String, Object> job = ended(advisor, upload);
            double imported = (System.nanoTime() - begun) / 1e9;
            double held = peakMb();
            assertThat(job.get("state")).as("%s", job).isEqualTo("done");
            double large = sizeMb();
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            long measurements = jdbc.queryForObject("select count(*) from measurement", Long.class);
            // the faces of what came in are drawn by the side: neither is to be slowed by them
            while (jdbc.queryForObject("select count(*) from visit_strip where stale", Long.class) > 0) {
                pause();
            }
            double bare = bare(app);
            System.out.printf(
                    Locale.ROOT,
                    "import of %,d lines, %,d tests: %.1f s (%,.0f lines a second); bare insert of the same rows %.1f s; "
                            + "%.2f of its speed; heap after collection %.0f MB; data file %.0f MB, %.0f MB after both%n",
                    LINES,
                    measurements,
                    imported,
                    LINES / imported,
                    bare,
                    bare / imported,
                    held,
                    large,
                    sizeMb());
            assertThat(bare / imported).isGreaterThanOrEqualTo(WANTED);
        }
    }

    private static Map<String, Object> ended(ApiClient advisor, String upload) {
        String id = advisor.post("/api/imports/readings", Map.of("upload", upload, "store", true))
                .json()
                .get("id")
                .toString();
        while (true) {
            Map<String, Object> job = advisor.get("/api/jobs/" + id).json();
            if (!"running".equals(job.get("state"))) {
                return job;
            }
            pause();
        }
    }

    private static void pause() {
        try {
            Thread.sleep(200);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /**
     * The same rows once more under new ids, in the order of the file, a thousand a statement and kept a piece at a time;
     * how long that took, s, without the time in which the rows are read first.
     */
    private static double bare(OwnApp app) throws SQLException {
        long taken = 0;
        List<UUID> inOrder = app.bean(JdbcTemplate.class)
                .queryForList(
                        "select m.id from measurement m join visit v on v.id = m.visit_id join field f on f.id = m.field_id "
                                + "join stop s on s.id = m.stop_id "
                                + "order by v.visited_on, cast(substring(f.name from 7) as integer), s.label, m.method",
                        UUID.class);
        try (Connection connection = app.bean(DataSource.class).getConnection()) {
            connection.setAutoCommit(false);
            for (int from = 0; from < inOrder.size(); from += PIECE) {
                List<UUID> piece = inOrder.subList(from, Math.min(inOrder.size(), from + PIECE));
                for (String table : List.of("measurement", "indicator_value", "sighting")) {
                    Rows rows = rows(connection, table, piece);
                    taken += insert(connection, table, rows);
                }
                long begun = System.nanoTime();
                connection.commit();
                taken += System.nanoTime() - begun;
            }
        }
        return taken / 1e9;
    }

    private record Rows(int columns, List<Object[]> values) {}

    private static Rows rows(Connection connection, String table, List<UUID> of) throws SQLException {
        String key = table.equals("measurement") ? "id" : "measurement_id";
        Map<UUID, List<Object[]>> found = new HashMap<>();
        int columns;
        try (PreparedStatement ask =
                connection.prepareStatement("select * from " + table + " where " + key + " = any(?)")) {
            ask.setArray(1, connection.createArrayOf("uuid", of.toArray()));
            try (ResultSet some = ask.executeQuery()) {
                columns = some.getMetaData().getColumnCount();
                int keyAt = some.findColumn(key);
                while (some.next()) {
                    Object[] values = new Object[columns];
                    for (int i = 0; i < columns; i++) {
                        values[i] = some.getObject(i + 1);
                    }
                    UUID id = (UUID) values[keyAt - 1];
                    // beside the one it was, so that the rows lie as they did
                    values[keyAt - 1] = new UUID(id.getMostSignificantBits(), id.getLeastSignificantBits() ^ 1);
                    found.computeIfAbsent(id, each -> new ArrayList<>()).add(values);
                }
            }
        }
        return new Rows(
                columns,
                of.stream()
                        .flatMap(id -> found.getOrDefault(id, List.of()).stream())
                        .toList());
    }

    private static long insert(Connection connection, String table, Rows rows) throws SQLException {
        long begun = System.nanoTime();
        try (PreparedStatement insert = connection.prepareStatement(
                "insert into " + table + " values (?" + ", ?".repeat(rows.columns() - 1) + ")")) {
            int row = 0;
            for (Object[] values : rows.values()) {
                for (int i = 0; i < values.length; i++) {
                    insert.setObject(i + 1, values[i]);
                }
                insert.addBatch();
                if (++row % 1000 == 0) {
                    insert.executeBatch();
                }
            }
            insert.executeBatch();
        }
        return System.nanoTime() - begun;
    }
}
