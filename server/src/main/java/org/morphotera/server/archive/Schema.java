package org.morphotera.server.archive;

import org.springframework.jdbc.core.JdbcTemplate;

/** The version of the tables. */
final class Schema {

    private Schema() {}

    /** As the migrations that were run on the database say. */
    static int current(JdbcTemplate jdbc) {
        return jdbc
                .queryForList(
                        "select \"version\" from \"flyway_schema_history\" where \"success\" and \"version\" is not null",
                        String.class)
                .stream()
                .mapToInt(Integer::parseInt)
                .max()
                .orElseThrow();
    }
}
