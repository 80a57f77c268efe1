package org.morphotera.server.archive;

import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.morphotera.server.SomePicture;
import org.morphotera.server.photos.Pictures;

/** A practice of random rows in every table, made from what the tables themselves say they take. */
final class AnyPractice {

    private static final String[] LETTERS = {
        "a", "Z", "7", " ", "\"", "\\", ",", "\n", "\t", "é", "Ω", "山", "😀", "\u2028", "'", "{", "}", "%"
    };

    /** Whose the tables are that are being taken in: a server that takes archives has to know it, or they are taken back. */
    static final UUID SERVER = UUID.fromString("5d0c6bb0-7a3f-4f0e-9a63-2f6f4f1f8a11");

    private static final Pictures.Kept PICTURE = Pictures.drawnAnew(SomePicture.jpeg(70, 50), false);

    private final Random random;
    private final Connection connection;
    private final Map<String, List<UUID>> ids = new HashMap<>();
    private UUID own;

    AnyPractice(Connection connection, long seed) {
        this.connection = connection;
        this.random = new Random(seed);
    }

    /** @return the id of the practice */
    UUID make() throws SQLException {
        own = new UUID(random.nextLong(), random.nextLong());
        for (ArchiveTables.Table table : ArchiveTables.ALL) {
            ids.put(table.name(), new ArrayList<>());
            int rows = table.name().equals("practice") || table.name().equals("archive_setting")
                    ? 1
                    : 1 + random.nextInt(table.name().equals("measurement") ? 700 : 12);
            for (int i = 0; i < rows; i++) {
                row(table);
            }
        }
        return own;
    }

    private void row(ArchiveTables.Table table) throws SQLException {
        DatabaseMetaData meta = connection.getMetaData();
        Map<String, String> refers = new HashMap<>();
        try (ResultSet keys = meta.getImportedKeys(null, "public", table.name())) {
            while (keys.next()) {
                refers.put(keys.getString("FKCOLUMN_NAME"), keys.getString("PKTABLE_NAME"));
            }
        }
        List<String> names = new ArrayList<>();
        List<Object> values = new ArrayList<>();
        try (ResultSet columns = meta.getColumns(null, "public", table.name(), null)) {
            while (columns.next()) {
                String name = columns.getString("COLUMN_NAME");
                if ("YES".equals(columns.getString("IS_AUTOINCREMENT"))) {
                    continue;
                }
                boolean optional = columns.getInt("NULLABLE") == DatabaseMetaData.columnNullable;
                names.add(name);
                boolean id = "uuid".equalsIgnoreCase(columns.getString("TYPE_NAME"));
                values.add(value(
                        table,
                        name,
                        id ? Types.OTHER : columns.getInt("DATA_TYPE"),
                        columns.getInt("COLUMN_SIZE"),
                        optional,
                        refers));
            }
        }
        String sql = "insert into " + table.name() + " (" + String.join(", ", names) + ") values ("
                + String.join(", ", Collections.nCopies(names.size(), "?")) + ")";
        try (PreparedStatement insert = connection.prepareStatement(sql)) {
            for (int i = 0; i < values.size(); i++) {
                insert.setObject(i + 1, values.get(i));
            }
            insert.executeUpdate();
            int key = names.indexOf(table.key());
            if (key >= 0 && values.get(key) instanceof UUID id) {
                ids.get(table.name()).add(id);
            }
        } catch (SQLException e) {
            // two random rows may name the same place and day: one of them is enough
            if (!e.getSQLState().startsWith("23")) {
                throw e;
            }
        }
    }

    private Object value(
            ArchiveTables.Table table, String name, int type, int size, boolean optional, Map<String, String> refers) {
        if (name.equals(table.ownedBy())) {
            return own;
        }
        if (refers.containsKey(name)) {
            List<UUID> there = ids.getOrDefault(refers.get(name), List.of());
            return there.isEmpty() || optional && random.nextInt(3) > 0
                    ? null
                    : there.get(random.nextInt(there.size()));
        }
        if (table.name().equals("photo")) {
            // nothing but pictures comes back, so each is one, as it is kept
            Object ofPicture = ofPicture(name);
            if (ofPicture != null) {
                return ofPicture;
            }
        }
        if (name.equals("server_id")) {
            return SERVER;
        }
        if (optional && random.nextInt(3) == 0) {
            return null;
        }
        if (name.equals("stale")) {
            // else the server would make it again between two looks
            return false;
        }
        if (name.equals("email") || name.equals("secret_hash")) {
            // unique on the whole server
            return new UUID(random.nextLong(), random.nextLong()).toString();
        }
        return switch (type) {
            case Types.BOOLEAN, Types.BIT -> random.nextBoolean();
            case Types.INTEGER -> random.nextInt();
            case Types.BIGINT -> random.nextLong();
            case Types.DOUBLE, Types.FLOAT -> number();
            case Types.DATE -> LocalDate.of(2015, 1, 1).plusDays(random.nextInt(4000));
            case Types.TIMESTAMP, Types.TIMESTAMP_WITH_TIMEZONE ->
                OffsetDateTime.of(2015, 1, 1, 0, 0, 0, 0, ZoneOffset.UTC)
                        .plusSeconds(random.nextInt(400_000_000))
                        .plusNanos(1000L * random.nextInt(1_000_000));
            case Types.VARBINARY, Types.BINARY, Types.LONGVARBINARY, Types.BLOB -> bytes();
            case Types.VARCHAR, Types.CHAR -> text(size);
            default -> new UUID(random.nextLong(), random.nextLong());
        };
    }

    private static Object ofPicture(String column) {
        return switch (column) {
            case "type" -> PICTURE.type();
            case "size_bytes" -> PICTURE.content().length;
            case "content" -> PICTURE.content();
            case "small" -> PICTURE.small();
            case "kept_hash" -> PICTURE.hash();
            default -> null;
        };
    }

    private Object number() {
        return switch (random.nextInt(5)) {
            case 0 -> 0.0;
            case 1 -> -0.1 * random.nextInt(100);
            case 2 -> Double.MIN_VALUE;
            case 3 -> 1e300 * random.nextDouble();
            default -> random.nextGaussian();
        };
    }

    private byte[] bytes() {
        byte[] bytes = new byte[random.nextInt(5000)];
        random.nextBytes(bytes);
        return bytes;
    }

    private String text(int most) {
        StringBuilder text = new StringBuilder();
        int letters = random.nextInt(Math.min(most, 20) / 2 + 1);
        for (int i = 0; i < letters; i++) {
            text.append(LETTERS[random.nextInt(LETTERS.length)]);
        }
        return text.toString();
    }

    /** Every row of a practice, table by table, as text, without the numbers that a database gives. */
    static Map<String, Set<String>> rows(Connection connection, UUID practice) throws Exception {
        Map<String, Set<String>> rows = new HashMap<>();
        for (ArchiveTables.Table table : ArchiveTables.ALL) {
            RowText text = RowText.of(connection, table.name());
            int key = text.names().indexOf(table.key());
            Set<String> lines = new HashSet<>();
            RowPages.read(connection, table, text, practice, page -> {
                for (Object[] row : page) {
                    if (table.numbered()) {
                        row[key] = null;
                    }
                    lines.add(text.line(row));
                }
            });
            rows.put(table.name(), lines);
        }
        return rows;
    }
}
