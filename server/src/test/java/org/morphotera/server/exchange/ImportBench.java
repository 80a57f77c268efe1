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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.LongWork;
import org.morphotera.server.OwnApp;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A table of a million readings taken in, beside a bare batch insert of as many rows of the same kind into the same
 * tables: half its speed or better is wanted, and memory that does not grow with the file.
 */
@EnabledIfSystemProperty(named = "morphotera.bench", matches = "true")
class ImportBench {

    private static final int LINES = Integer.getInteger("morphotera.bench.lines", 1_000_000);
    private static final int FIELDS = Math.max(10, LINES / 5_000);
    private static final int STOPS = 5;
    private static final int KINDS = 2000;
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
    void aMillionReadingsComeInAtHalfTheSpeedOfABareInsert() throws IOException {
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
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            long measurements = jdbc.queryForObject("select count(*) from measurement", Long.class);
            long indicators = jdbc.queryForObject("select count(*) from indicator_value", Long.class);
            long sightings = jdbc.queryForObject("select count(*) from sighting", Long.class);
            double bare = bare(app, jdbc, measurements, indicators, sightings);
            System.out.printf(
                    Locale.ROOT,
                    "import of %,d lines, %,d tests: %.1f s (%,.0f lines a second); bare insert of the same rows %.1f s; "
                            + "%.2f of its speed; heap after collection %.0f MB%n",
                    LINES,
                    measurements,
                    imported,
                    LINES / imported,
                    bare,
                    bare / imported,
                    held);
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
            try {
                Thread.sleep(200);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
    }

    /** As many rows of the same content under new ids, in one transaction, a thousand at a time. */
    private static double bare(OwnApp app, JdbcTemplate jdbc, long measurements, long indicators, long sightings) {
        long begun = System.nanoTime();
        app.bean(TransactionTemplate.class)
                .executeWithoutResult(status -> jdbc.execute((ConnectionCallback<Void>) connection -> {
                    List<UUID> ids = java.util.stream.Stream.generate(UUID::randomUUID)
                            .limit(measurements)
                            .toList();
                    copy(connection, "measurement", "id", ids, measurements);
                    copy(connection, "indicator_value", "measurement_id", ids, indicators);
                    copy(connection, "sighting", "measurement_id", ids, sightings);
                    return null;
                }));
        return (System.nanoTime() - begun) / 1e9;
    }

    private static void copy(Connection connection, String table, String key, List<UUID> ids, long rows)
            throws SQLException {
        // rows as they are, so that they are as long and pack as well as those that were taken in
        List<Object[]> kinds = new ArrayList<>();
        int columns;
        int keyAt;
        int second;
        try (ResultSet some = connection
                .createStatement()
                .executeQuery("select * from " + table + " fetch first " + KINDS + " rows only")) {
            columns = some.getMetaData().getColumnCount();
            keyAt = some.findColumn(key);
            second = table.equals("indicator_value")
                    ? some.findColumn("indicator")
                    : table.equals("sighting") ? some.findColumn("finding") : 0;
            while (some.next()) {
                Object[] values = new Object[columns];
                for (int i = 0; i < columns; i++) {
                    values[i] = some.getObject(i + 1);
                }
                kinds.add(values);
            }
        }
        String marks = "?" + ", ?".repeat(columns - 1);
        try (PreparedStatement insert =
                connection.prepareStatement("insert into " + table + " values (" + marks + ")")) {
            for (int row = 0; row < rows; row++) {
                Object[] values = kinds.get(row % kinds.size());
                for (int i = 0; i < columns; i++) {
                    insert.setObject(i + 1, values[i]);
                }
                insert.setObject(keyAt, ids.get(row % ids.size()));
                if (second > 0) {
                    insert.setObject(second, "bench " + row / ids.size());
                }
                insert.addBatch();
                if (row % 1000 == 999) {
                    insert.executeBatch();
                }
            }
            insert.executeBatch();
        }
    }
}
