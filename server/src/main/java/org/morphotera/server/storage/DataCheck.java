package org.morphotera.server.storage;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.h2.api.ErrorCode;

/** Reads every row of every table of a data file, and holds every picture against its hash; nothing is changed. */
final class DataCheck {

    private static final int MOST_NAMED = 3;

    /**
     * What was found sound.
     *
     * @param pictures held against their hashes
     * @param version of the tables
     */
    record Found(int tables, long rows, long pictures, long measurements, String version) {}

    private final DataFile file;
    private final String url;
    private final String user;
    private final String password;

    /** @param options of the JDBC address, from its first semicolon on */
    DataCheck(DataFile file, String options, String user, String password) {
        this.file = file;
        this.url = "jdbc:h2:file:" + file.name() + options + ";ACCESS_MODE_DATA=r";
        this.user = user;
        this.password = password;
    }

    /** @throws StorageException where it is in use, damaged, or holds a picture that is not as it was kept */
    Found run() {
        file.requireWhole();
        try (Connection connection = DriverManager.getConnection(url, user, password);
                Statement statement = connection.createStatement()) {
            return read(statement);
        } catch (SQLException e) {
            throw e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1 ? file.inUse(e) : file.damaged(e);
        }
    }

    private Found read(Statement statement) throws SQLException {
        List<String> tables = new ArrayList<>();
        try (ResultSet found = statement.executeQuery("select table_name from information_schema.tables "
                + "where table_schema = 'public' and table_type = 'BASE TABLE' order by table_name")) {
            while (found.next()) {
                tables.add(found.getString(1));
            }
        }
        long rows = 0;
        long measurements = 0;
        Pictures pictures = new Pictures();
        for (String table : tables) {
            long of = read(statement, table, table.equals("photo") ? pictures : null);
            measurements += table.equals("measurement") ? of : 0;
            rows += of;
        }
        pictures.requireSound();
        return new Found(tables.size(), rows, pictures.sound, measurements, version(statement));
    }

    private static long read(Statement statement, String table, Pictures pictures) throws SQLException {
        long rows = 0;
        try (ResultSet each = statement.executeQuery("select * from \"" + table + "\"")) {
            ResultSetMetaData meta = each.getMetaData();
            int columns = meta.getColumnCount();
            while (each.next()) {
                for (int column = 1; column <= columns; column++) {
                    each.getObject(column);
                }
                if (pictures != null) {
                    pictures.look(each, meta);
                }
                rows++;
            }
        }
        return rows;
    }

    private static String version(Statement statement) throws SQLException {
        try (ResultSet version = statement.executeQuery(
                "select \"version\" from \"flyway_schema_history\" where \"success\" order by \"installed_rank\" desc")) {
            return version.next() ? version.getString(1) : "none";
        }
    }

    /** Pictures of a file, those of tables from before hashes were kept left alone. */
    private final class Pictures {

        private long sound;
        private long spoilt;
        private final List<String> named = new ArrayList<>();

        private void look(ResultSet row, ResultSetMetaData meta) throws SQLException {
            boolean hashed = false;
            for (int i = 1; i <= meta.getColumnCount(); i++) {
                hashed |= meta.getColumnName(i).toLowerCase(Locale.ROOT).equals("kept_hash");
            }
            String kept = hashed ? row.getString("kept_hash") : null;
            if (kept == null) {
                return;
            }
            if (kept.equals(KeptHash.of(row.getBytes("content"), row.getBytes("small")))) {
                sound++;
                return;
            }
            spoilt++;
            if (named.size() < MOST_NAMED) {
                named.add(row.getString("id"));
            }
        }

        private void requireSound() {
            if (spoilt > 0) {
                String more = spoilt > named.size() ? " and " + (spoilt - named.size()) + " more" : "";
                throw new StorageException(
                        "The data file " + file.path() + " is damaged: " + spoilt + " of " + (sound + spoilt)
                                + " pictures are not as they were kept (" + String.join(", ", named) + more + ").",
                        DataFile.FROM_BACKUP);
            }
        }
    }
}
