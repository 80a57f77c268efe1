package org.morphotera.server.archive;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Savepoint;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;

/** Puts rows into a table, many at a time; says which one does not fit. */
final class RowInserts {

    /** A row that the table does not take. */
    static final class Refused extends Exception {

        private static final long serialVersionUID = 1L;

        private final int index;

        private Refused(int index, SQLException cause) {
            super(cause);
            this.index = index;
        }

        /** Of the row among those given. */
        int index() {
            return index;
        }
    }

    private final Connection connection;
    private final ArchiveTables.Table table;
    private final String insert;
    private final int key;
    private final int later;
    private final boolean newNumbers;
    private final List<Object[]> waiting = new ArrayList<>();

    /** @param newNumbers rows get other numbers, where the database gives them */
    RowInserts(Connection connection, ArchiveTables.Table table, List<String> columns, boolean newNumbers) {
        this.connection = connection;
        this.table = table;
        this.newNumbers = newNumbers && table.numbered();
        key = columns.indexOf(table.key());
        later = table.later() == null ? -1 : columns.indexOf(table.later());
        List<String> written = new ArrayList<>(columns);
        if (this.newNumbers) {
            written.remove(table.key());
        }
        insert = "insert into " + table.name() + " (" + String.join(", ", written) + ")"
                + (table.numbered() && !newNumbers ? " overriding system value" : "") + " values ("
                + Collections.nCopies(written.size(), "?").stream().collect(Collectors.joining(", ")) + ")";
    }

    void add(List<Object[]> rows) throws SQLException, Refused {
        Savepoint before = connection.setSavepoint();
        try (PreparedStatement into = connection.prepareStatement(insert)) {
            for (Object[] row : rows) {
                bind(into, row);
                into.addBatch();
            }
            into.executeBatch();
        } catch (SQLException e) {
            connection.rollback(before);
            throw new Refused(firstRefused(rows), e);
        }
        connection.releaseSavepoint(before);
        for (Object[] row : rows) {
            if (later >= 0 && row[later] != null) {
                waiting.add(new Object[] {row[later], row[key]});
            }
        }
    }

    private int firstRefused(List<Object[]> rows) throws SQLException {
        for (int i = 0; i < rows.size(); i++) {
            Savepoint before = connection.setSavepoint();
            try (PreparedStatement into = connection.prepareStatement(insert)) {
                bind(into, rows.get(i));
                into.executeUpdate();
            } catch (SQLException e) {
                connection.rollback(before);
                return i;
            }
        }
        return 0;
    }

    private void bind(PreparedStatement into, Object[] row) throws SQLException {
        int at = 1;
        for (int i = 0; i < row.length; i++) {
            if (!(newNumbers && i == key)) {
                into.setObject(at++, i == later ? null : row[i]);
            }
        }
    }

    /** Fills in what refers to rows of the same table. */
    void finish() throws SQLException {
        if (waiting.isEmpty()) {
            return;
        }
        try (PreparedStatement update = connection.prepareStatement(
                "update " + table.name() + " set " + table.later() + " = ? where " + table.key() + " = ?")) {
            for (Object[] each : waiting) {
                update.setObject(1, each[0]);
                update.setObject(2, each[1]);
                update.addBatch();
            }
            update.executeBatch();
        }
    }
}
