package org.morphotera.server.storage;

import com.zaxxer.hikari.HikariDataSource;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;

/**
 * The pool of connections. Whoever waits at a page is told after some seconds that a database server says nothing;
 * what is worked on without anybody waiting (changes of tables at the start, archives, judging anew) may take as long
 * as its statements take.
 */
class Connections extends HikariDataSource {

    /** How long a request waits for the next word of a database server, ms. */
    static final int PATIENCE_MS = 2500;

    private static final ThreadLocal<Boolean> WAITED_FOR = new ThreadLocal<>();

    /** Goes on with a request, whose connections wait for so long at most. */
    static void answer(FilterChain chain, HttpServletRequest request, HttpServletResponse response)
            throws ServletException, IOException {
        WAITED_FOR.set(true);
        try {
            chain.doFilter(request, response);
        } finally {
            WAITED_FOR.remove();
        }
    }

    @Override
    public Connection getConnection() throws SQLException {
        Connection connection = super.getConnection();
        if (WAITED_FOR.get() != null && getJdbcUrl().startsWith(StorageConfiguration.POSTGRES)) {
            try {
                // given back, the pool takes it off again
                connection.setNetworkTimeout(Runnable::run, PATIENCE_MS);
            } catch (SQLException e) {
                connection.close();
                throw e;
            }
        }
        return connection;
    }
}
