package org.morphotera.server.archive;

import java.math.BigDecimal;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.web.TextRule;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A row as a line of JSON and back, by the columns that its table has. Bytes are not in the line but in a file of the
 * archive; the line names their length and hash.
 */
final class RowText {

    private static final TypeReference<LinkedHashMap<String, Object>> TREE = new TypeReference<>() {};
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    /** @param type of {@link Types}, one for each kind that is told apart here */
    record Column(String name, int type) {}

    private final List<Column> columns;

    private RowText(List<Column> columns) {
        this.columns = columns;
    }

    static RowText of(Connection connection, String table) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet none = statement.executeQuery("select * from " + table + " where 1 = 0")) {
            ResultSetMetaData meta = none.getMetaData();
            List<Column> columns = new ArrayList<>();
            for (int i = 1; i <= meta.getColumnCount(); i++) {
                columns.add(new Column(meta.getColumnName(i).toLowerCase(Locale.ROOT), kind(meta, i)));
            }
            return new RowText(columns);
        }
    }

    private static int kind(ResultSetMetaData meta, int column) throws SQLException {
        String name = meta.getColumnTypeName(column).toLowerCase(Locale.ROOT);
        if (name.equals("uuid")) {
            return Types.OTHER;
        }
        return switch (meta.getColumnType(column)) {
            case Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY, Types.BLOB -> Types.VARBINARY;
            case Types.TIMESTAMP, Types.TIMESTAMP_WITH_TIMEZONE -> Types.TIMESTAMP_WITH_TIMEZONE;
            case Types.BIT, Types.BOOLEAN -> Types.BOOLEAN;
            case Types.DOUBLE, Types.FLOAT -> Types.DOUBLE;
            case Types.INTEGER, Types.SMALLINT -> Types.INTEGER;
            case Types.BIGINT -> Types.BIGINT;
            case Types.DATE -> Types.DATE;
            case Types.VARCHAR, Types.CHAR -> Types.VARCHAR;
            default -> throw new IllegalStateException("no form for column type " + name);
        };
    }

    List<Column> columns() {
        return columns;
    }

    List<String> names() {
        return columns.stream().map(Column::name).toList();
    }

    /** The values of the row that the result stands at, in the order of the columns, as any database takes them back. */
    Object[] values(ResultSet row) throws SQLException {
        Object[] values = new Object[columns.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = switch (columns.get(i).type()) {
                case Types.OTHER -> row.getObject(i + 1, UUID.class);
                case Types.TIMESTAMP_WITH_TIMEZONE -> utc(row.getObject(i + 1, OffsetDateTime.class));
                case Types.DATE -> row.getObject(i + 1, LocalDate.class);
                case Types.VARBINARY -> row.getBytes(i + 1);
                case Types.VARCHAR -> row.getString(i + 1);
                // one zero, of whichever sign: not every database tells them apart
                case Types.DOUBLE -> orNull(row, row.getDouble(i + 1) + 0.0);
                case Types.INTEGER -> orNull(row, row.getInt(i + 1));
                case Types.BIGINT -> orNull(row, row.getLong(i + 1));
                default -> orNull(row, row.getBoolean(i + 1));
            };
        }
        return values;
    }

    private static Object orNull(ResultSet row, Object value) throws SQLException {
        return row.wasNull() ? null : value;
    }

    private static OffsetDateTime utc(OffsetDateTime at) {
        return at == null ? null : at.withOffsetSameInstant(ZoneOffset.UTC);
    }

    String line(Object[] values) {
        Map<String, Object> tree = new LinkedHashMap<>();
        for (int i = 0; i < values.length; i++) {
            Object value = values[i];
            if (value instanceof byte[] bytes) {
                tree.put(columns.get(i).name(), Map.of("bytes", bytes.length, "sha256", sha256(bytes)));
            } else if (value instanceof UUID || value instanceof OffsetDateTime || value instanceof LocalDate) {
                tree.put(columns.get(i).name(), value.toString());
            } else if (value instanceof String text) {
                // rows of before the rule for texts: what can't be shown could not be restored
                tree.put(columns.get(i).name(), TextRule.printable(text));
            } else if (value != null) {
                tree.put(columns.get(i).name(), value);
            }
        }
        return JSON.writeValueAsString(tree);
    }

    /** Where the bytes of a line lie, and what they must be. */
    record Bytes(long length, String sha256) {}

    /**
     * @return the values in the order of the columns; for bytes a {@link Bytes}
     * @throws IllegalArgumentException saying what is wrong with the line
     */
    Object[] read(String line) {
        Map<String, Object> tree = tree(line);
        Object[] values = new Object[columns.size()];
        for (int i = 0; i < values.length; i++) {
            Column column = columns.get(i);
            try {
                values[i] = value(column.type(), tree.remove(column.name()));
            } catch (ClassCastException | ArithmeticException | IllegalArgumentException | DateTimeParseException e) {
                throw new IllegalArgumentException(column.name() + " can't be read", e);
            }
        }
        if (!tree.isEmpty()) {
            String name = tree.keySet().iterator().next();
            throw new IllegalArgumentException("there is no column " + name.substring(0, Math.min(40, name.length())));
        }
        return values;
    }

    private static Map<String, Object> tree(String line) {
        try {
            Map<String, Object> tree = JSON.readValue(line, TREE);
            if (tree == null) {
                throw new IllegalArgumentException("it is no row");
            }
            return tree;
        } catch (JacksonException e) {
            throw new IllegalArgumentException("it is no JSON", e);
        }
    }

    private static Object value(int type, Object raw) {
        if (raw == null) {
            return null;
        }
        return switch (type) {
            case Types.OTHER -> uuid((String) raw);
            case Types.TIMESTAMP_WITH_TIMEZONE -> OffsetDateTime.parse((String) raw);
            case Types.DATE -> LocalDate.parse((String) raw);
            case Types.VARCHAR -> (String) raw;
            case Types.BOOLEAN -> (Boolean) raw;
            case Types.DOUBLE -> finite(new BigDecimal(((Number) raw).toString()).doubleValue());
            case Types.INTEGER -> new BigDecimal(((Number) raw).toString()).intValueExact();
            case Types.BIGINT -> new BigDecimal(((Number) raw).toString()).longValueExact();
            default -> {
                Map<?, ?> bytes = (Map<?, ?>) raw;
                if (!(bytes.get("bytes") instanceof Number length) || !(bytes.get("sha256") instanceof String hash)) {
                    throw new IllegalArgumentException("bytes without length or hash");
                }
                yield new Bytes(length.longValue(), hash);
            }
        };
    }

    private static double finite(double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("no number that can be kept");
        }
        return value;
    }

    /** Only as it is written: a short form would be another text for the same row. */
    private static UUID uuid(String text) {
        UUID id = UUID.fromString(text);
        if (!id.toString().equals(text)) {
            throw new IllegalArgumentException("no id");
        }
        return id;
    }

    static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    static String sha256(byte[] bytes) {
        return HexFormat.of().formatHex(digest().digest(bytes));
    }
}
