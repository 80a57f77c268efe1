package org.morphotera.server.archive;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** The rows of a practice in one table, in the order of their key, a page at a time: never more in memory than that. */
final class RowPages {

    private static final int PAGE = 300;
    private static final int PAGE_OF_PICTURES = 8;

    interface Page {
        void accept(List<Object[]> rows) throws Exception;
    }

    private RowPages() {}

    static void read(Connection connection, ArchiveTables.Table table, RowText text, UUID practice, Page each)
            throws Exception {
        boolean pictures = table.name().equals("photo");
        int key = text.names().indexOf(table.key());
        String columns = String.join(", ", text.names());
        String first = "select " + columns + " from " + table.name() + " where " + owner(table) + " = ?";
        // all rows of the last key come with it: several rows can share one
        String order =
                " order by " + table.key() + " fetch first " + (pictures ? PAGE_OF_PICTURES : PAGE) + " rows with ties";
        Object last = null;
        while (true) {
            String sql = first + (last == null ? "" : " and " + table.key() + " > ?") + order;
            List<Object[]> rows = new ArrayList<>();
            try (PreparedStatement select = connection.prepareStatement(sql)) {
                select.setString(1, practice.toString());
                if (last != null) {
                    select.setObject(2, last);
                }
                try (ResultSet result = select.executeQuery()) {
                    while (result.next()) {
                        rows.add(text.values(result));
                    }
                }
            } catch (SQLException e) {
                throw new SQLException("reading " + table.name(), e);
            }
            if (rows.isEmpty()) {
                return;
            }
            last = rows.get(rows.size() - 1)[key];
            each.accept(rows);
        }
    }

    /**
     * The owner as text, so that no index finds the practice's rows: by the key each page begins where the last one ended,
     * while rows found by their owner would be sorted anew for every page.
     */
    private static String owner(ArchiveTables.Table table) {
        return "cast(" + table.ownedBy() + " as varchar(36))";
    }

    static long count(Connection connection, ArchiveTables.Table table, UUID practice) throws SQLException {
        try (PreparedStatement count = connection.prepareStatement(
                "select count(*) from " + table.name() + " where " + table.ownedBy() + " = ?")) {
            count.setObject(1, practice);
            try (ResultSet result = count.executeQuery()) {
                result.next();
                return result.getLong(1);
            }
        }
    }
}
