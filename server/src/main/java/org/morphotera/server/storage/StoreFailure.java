package org.morphotera.server.storage;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.mvstore.MVStoreException;
import org.springframework.transaction.TransactionSystemException;

/** Tells a failure of the database from one of what was asked of it. */
final class StoreFailure {

    private static final Set<Integer> H2_CODES = Set.of(
            ErrorCode.DATABASE_IS_CLOSED,
            ErrorCode.DATABASE_CALLED_AT_SHUTDOWN,
            ErrorCode.CONNECTION_BROKEN_1,
            ErrorCode.IO_EXCEPTION_1,
            ErrorCode.IO_EXCEPTION_2,
            ErrorCode.OBJECT_CLOSED,
            ErrorCode.FILE_CORRUPTED_1);

    private StoreFailure() {}

    static boolean is(Throwable error) {
        int depth = 0;
        for (Throwable each = error; each != null && depth < 20; each = each.getCause()) {
            depth++;
            if (each instanceof TransactionSystemException
                    || each instanceof MVStoreException
                    || each instanceof SQLException sql && lost(sql)) {
                return true;
            }
        }
        return false;
    }

    /** Whether only all connections were in use: a busy server, and nothing wrong with its database. */
    static boolean busy(Throwable error) {
        int depth = 0;
        for (Throwable each = error; each != null && depth < 20; each = each.getCause()) {
            depth++;
            // the pool names what a new connection failed of, if one did
            if (each instanceof SQLTransientConnectionException) {
                return !is(error);
            }
        }
        return false;
    }

    private static boolean lost(SQLException e) {
        String state = e.getSQLState() == null ? "" : e.getSQLState();
        // connection lost or refused, server shutting down or starting, disk of the server full
        return state.startsWith("08")
                || state.startsWith("57P0")
                || state.equals("53100")
                || H2_CODES.contains(e.getErrorCode());
    }
}
