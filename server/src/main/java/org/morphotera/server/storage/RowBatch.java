package org.morphotera.server.storage;

import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.PreparedStatementCallback;

/** Rows for one statement, gathered and then sent together. Values must be of types that the driver takes as they are. */
public final class RowBatch {

    private final JdbcTemplate jdbc;
    private final String sql;
    private final List<Object[]> rows = new ArrayList<>();

    public RowBatch(JdbcTemplate jdbc, String sql) {
        this.jdbc = jdbc;
        this.sql = sql;
    }

    public void add(Object... values) {
        rows.add(values);
    }

    /** Sends all that was gathered. */
    public void write() {
        if (rows.isEmpty()) {
            return;
        }
        jdbc.execute(sql, (PreparedStatementCallback<int[]>) statement -> {
            for (Object[] row : rows) {
                for (int i = 0; i < row.length; i++) {
                    statement.setObject(i + 1, row[i]);
                }
                statement.addBatch();
            }
            return statement.executeBatch();
        });
        rows.clear();
    }
}
