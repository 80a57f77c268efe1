package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.OwnApp;

/** Whoever waits at a page is told soon that a database server says nothing; other work may take its time. */
@EnabledIfSystemProperty(named = "morphotera.test-database", matches = "postgres")
class ConnectionsTest {

    @TempDir
    private Path folder;

    private static void sleepLonger(Connections pool) throws SQLException {
        double seconds = Connections.PATIENCE_MS / 1000.0 + 1;
        try (Connection connection = pool.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("select pg_sleep(" + seconds + ")");
        }
    }

    @Test
    void onlyWhatSomebodyWaitsForIsBrokenOff() throws Exception {
        try (OwnApp app = OwnApp.start("--morphotera.data=" + folder.resolve("data"))) {
            Connections pool = app.bean(Connections.class);
            long from = System.nanoTime();
            assertThatThrownBy(() -> Connections.answer(
                            (request, response) -> {
                                try {
                                    sleepLonger(pool);
                                } catch (SQLException e) {
                                    throw new IllegalStateException(e);
                                }
                            },
                            null,
                            null))
                    .hasCauseInstanceOf(SQLException.class);
            assertThat((System.nanoTime() - from) / 1e6).isGreaterThan(Connections.PATIENCE_MS * 0.9);
            // a connection that a request had is lent to work without its limit
            for (int i = 0; i < 3; i++) {
                Connections.answer(
                        (request, response) -> {
                            try (Connection connection = pool.getConnection()) {
                                assertThat(connection.getNetworkTimeout()).isEqualTo(Connections.PATIENCE_MS);
                            } catch (SQLException e) {
                                throw new IllegalStateException(e);
                            }
                        },
                        null,
                        null);
            }
            sleepLonger(pool);
            try (Connection connection = pool.getConnection()) {
                assertThat(connection.getNetworkTimeout()).isZero();
            }
        }
    }
}
