package org.morphotera.server.demo;

import java.sql.Date;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Ten years of many fields in the first practice of the demo, written straight into the tables: for timing reads on a
 * large practice, never for looking at. Only with the profile {@code large}, on top of {@code demo}; 2,000 fields (560,000
 * tests) unless {@code morphotera.large-fields} says otherwise.
 */
@Component
@Profile("large")
@Order(6)
class LargePractice implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(LargePractice.class);
    private static final int YEARS = 10;
    private static final int STOPS = 4;
    /** Fields that are kept together. */
    private static final int TOGETHER = 20;
    /** Method, indicator, band, and the layer that lies in it; none above the ground. */
    private record Test(String method, String indicator, String band, Double topMm, Double bottomMm) {}

    private static final List<Test> TESTS = List.of(
            new Test("ground-cover", "ground-cover", "above-ground", null, null),
            new Test("structure", "structure", "mid-100-200", 0.0, 200.0),
            new Test("earthworms", "earthworms", "mid-100-200", 0.0, 250.0),
            new Test("penetration", "compaction", "low-200-300", 0.0, 450.0),
            new Test("crumb-stability", "slaking", "top-0-100", 0.0, 100.0),
            new Test("ph", "ph", "mid-100-200", 0.0, 300.0),
            new Test("smell", "smell", "mid-100-200", 0.0, 200.0));

    private final JdbcTemplate jdbc;
    private final Clock clock;
    private final Random random = new Random(7);

    private final TransactionTemplate transaction;
    private final int fields;
    private long made;

    LargePractice(
            JdbcTemplate jdbc,
            Clock clock,
            TransactionTemplate transaction,
            @Value("${morphotera.large-fields:2000}") int fields) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.transaction = transaction;
        this.fields = fields;
    }

    /** Ids that rise with time, as the pages make them: rows that belong together lie together. */
    private UUID id() {
        made++;
        long rising = (0x0190_0000_0000L + made / 4096) << 16 | 0x7000 | made % 4096;
        return new UUID(rising, random.nextLong() >>> 2 | Long.MIN_VALUE);
    }

    @Override
    public void run(ApplicationArguments arguments) {
        UUID person = jdbc.queryForObject("select id from person where email = 'advisor@tidemark.example'", UUID.class);
        UUID practice = jdbc.queryForObject("select practice_id from person where id = ?", UUID.class, person);
        UUID grower = jdbc.queryForObject(
                "select id from grower where practice_id = ? fetch first 1 rows only", UUID.class, practice);
        if (jdbc.queryForObject("select count(*) from field", Integer.class) > fields) {
            return;
        }
        for (int f = 0; f < fields; f += TOGETHER) {
            int from = f;
            transaction.executeWithoutResult(status -> {
                for (int number = from; number < Math.min(from + TOGETHER, fields); number++) {
                    addField(practice, grower, person, number);
                }
            });
            if (f % 1000 == 0) {
                LOG.info("{} fields", f);
            }
        }
        LOG.info("made {} fields of {} years", fields, YEARS);
    }

    private void addField(UUID practice, UUID grower, UUID person, int number) {
        UUID field = id();
        jdbc.update(
                "insert into field (id, practice_id, grower_id, name, land_use, purpose, version) "
                        + "values (?, ?, ?, ?, 'arable', 'field', 1)",
                field,
                practice,
                grower,
                "Field " + number);
        jdbc.update(
                "insert into field_strip (field_id, practice_id, stale, name, grower, search, standing) "
                        + "values (?, ?, true, '', '', '', 2)",
                field,
                practice);
        List<UUID> stops = new ArrayList<>();
        for (int s = 0; s < STOPS; s++) {
            stops.add(id());
            jdbc.update(
                    "insert into stop (id, practice_id, field_id, label, position, version) values (?, ?, ?, ?, ?, 1)",
                    stops.get(s),
                    practice,
                    field,
                    "Stop " + (s + 1),
                    s + 1);
        }
        List<Object[]> measurements = new ArrayList<>();
        List<Object[]> indicators = new ArrayList<>();
        for (int year = 0; year < YEARS; year++) {
            UUID visit = id();
            LocalDate on = LocalDate.now(clock).minusDays(20 + 365L * year);
            jdbc.update(
                    "insert into visit (id, practice_id, field_id, person_id, visited_on, soil_moisture, version) "
                            + "values (?, ?, ?, ?, ?, 'moist', 1)",
                    visit,
                    practice,
                    field,
                    person,
                    Date.valueOf(on));
            jdbc.update(
                    "insert into visit_strip (visit_id, practice_id, field_id, stale) values (?, ?, ?, true)",
                    visit,
                    practice,
                    field);
            Timestamp at = Timestamp.valueOf(LocalDateTime.of(on, java.time.LocalTime.NOON));
            for (UUID stop : stops) {
                for (Test test : TESTS) {
                    UUID id = id();
                    double standing = Math.rint(random.nextDouble() * 1000) / 1000;
                    measurements.add(new Object[] {id, practice, field, visit, stop, test.method(), at, person, at});
                    indicators.add(new Object[] {
                        id,
                        test.indicator(),
                        practice,
                        field,
                        visit,
                        stop,
                        test.method(),
                        test.band(),
                        test.topMm(),
                        test.bottomMm(),
                        standing,
                        standing * 10,
                        at,
                        year == 0
                    });
                }
            }
        }
        jdbc.batchUpdate(
                "insert into measurement (id, practice_id, field_id, visit_id, stop_id, method, readings, context, "
                        + "evaluation, core_version, taken_at, person_id, recorded_at) "
                        + "values (?, ?, ?, ?, ?, ?, '{}', '{}', '{}', '0', ?, ?, ?)",
                measurements,
                new int[0]);
        jdbc.batchUpdate(
                "insert into indicator_value (measurement_id, indicator, practice_id, field_id, visit_id, stop_id, "
                        + "method, band, depth_top_mm, depth_bottom_mm, standing, code, figure, taken_at, latest) "
                        + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'fair', ?, ?, ?)",
                indicators,
                new int[0]);
    }
}
