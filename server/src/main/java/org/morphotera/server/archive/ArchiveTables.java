package org.morphotera.server.archive;

import java.util.List;
import java.util.Set;

/** The tables that make up a practice, each after those that it refers to. */
final class ArchiveTables {

    /**
     * @param key the column by which rows are read in order
     * @param ownedBy the column that holds the practice's id
     * @param later a column that refers to a row of the same table, filled in once all are there
     * @param numbered the database gives the key itself, so that rows may get another where they are put
     */
    record Table(String name, String key, String ownedBy, String later, boolean numbered) {

        private static Table of(String name) {
            return of(name, "id");
        }

        private static Table of(String name, String key) {
            return new Table(name, key, "practice_id", null, false);
        }
    }

    static final List<Table> ALL = List.of(
            new Table("practice", "id", "id", null, false),
            Table.of("grower"),
            Table.of("person"),
            Table.of("invitation"),
            Table.of("field"),
            Table.of("stop"),
            Table.of("visit"),
            Table.of("visit_helper", "visit_id"),
            Table.of("draft"),
            new Table("measurement", "id", "practice_id", "supersedes", false),
            Table.of("indicator_value", "measurement_id"),
            Table.of("sighting", "measurement_id"),
            Table.of("photo_reading", "measurement_id"),
            Table.of("timer"),
            Table.of("timer_step"),
            Table.of("management_event"),
            new Table("audit_entry", "id", "practice_id", null, true),
            Table.of("observation"),
            Table.of("field_strip", "field_id"),
            Table.of("visit_strip", "visit_id"),
            Table.of("photo"),
            Table.of("action"),
            Table.of("product"),
            Table.of("test_set"),
            Table.of("fix"),
            Table.of("rain_reading"),
            Table.of("day_plan"),
            Table.of("day_mark"),
            Table.of("laboratory"),
            Table.of("dispatch"),
            Table.of("bag"),
            Table.of("calibration"),
            Table.of("calibration_member"),
            Table.of("calibration_score"),
            Table.of("calibration_photo"),
            // of a table that is coming in at that moment: what came back of it is taken back as after a kill
            Table.of("import_run"),
            Table.of("import_trace", "row_id"),
            Table.of("calendar_address"),
            Table.of("practice_rules", "practice_id"),
            Table.of("learned_scatter"),
            Table.of("archive_setting", "practice_id"));

    /** Of the server, not of a practice. */
    static final Set<String> LEFT_OUT = Set.of(
            "job",
            "server",
            "projection",
            "sign_in_failure",
            "spring_session",
            "spring_session_attributes",
            "flyway_schema_history");

    private ArchiveTables() {}

    static Table named(String name) {
        return ALL.stream()
                .filter(table -> table.name().equals(name))
                .findFirst()
                .orElse(null);
    }
}
