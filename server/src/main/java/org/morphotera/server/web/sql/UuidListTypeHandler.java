package org.morphotera.server.web.sql;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;

/** A short list of ids in one column, joined by commas: SQL that H2 and PostgreSQL share has no array of UUID. */
@MappedTypes(List.class)
public class UuidListTypeHandler extends BaseTypeHandler<List<UUID>> {

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, List<UUID> ids, JdbcType type)
            throws SQLException {
        statement.setString(index, ids.stream().map(UUID::toString).collect(Collectors.joining(",")));
    }

    @Override
    public List<UUID> getNullableResult(ResultSet rows, String column) throws SQLException {
        return parsed(rows.getString(column));
    }

    @Override
    public List<UUID> getNullableResult(ResultSet rows, int column) throws SQLException {
        return parsed(rows.getString(column));
    }

    @Override
    public List<UUID> getNullableResult(CallableStatement statement, int column) throws SQLException {
        return parsed(statement.getString(column));
    }

    private static List<UUID> parsed(String text) {
        return text == null || text.isEmpty()
                ? null
                : Arrays.stream(text.split(",")).map(UUID::fromString).toList();
    }
}
