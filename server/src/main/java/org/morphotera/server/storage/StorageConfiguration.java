package org.morphotera.server.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.morphotera.server.storage.orderedfile.OrderedFile;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/** The connections, opened on a file that was looked at and is at today's tables, and the transactions on them. */
@Configuration
class StorageConfiguration {

    /** Space that nothing refers to any more is written over only so many versions later, when all of them are synced. */
    static final int VERSIONS_KEPT = 8;

    /** Held by what writes into a file, and by what moves its parts: the store does not bear both at once. */
    static final Object FILE = new Object();

    private static final int RETENTION_MS = 2000;

    static final String POSTGRES = "jdbc:postgresql:";

    /** Seconds; how long an answer may take is said of each connection, by who waits for it. */
    private static final String POSTGRES_LIMITS =
            "connectTimeout=2&loginTimeout=2&cancelSignalTimeout=1&tcpKeepAlive=true&reWriteBatchedInserts=true"
                    + "&options=-c%20synchronous_commit%3Don&ApplicationName=morphotera";

    @Bean
    @ConfigurationProperties("spring.datasource.hikari")
    HikariDataSource dataSource(DataSourceProperties properties) {
        String url = properties.determineUrl();
        DataFile file = DataFile.of(url);
        if (file != null) {
            int at = url.indexOf(';');
            new Tables(
                            file,
                            at < 0 ? "" : url.substring(at),
                            properties.determineUsername(),
                            properties.determinePassword())
                    .prepare();
        }
        Connections source = new Connections();
        source.setUsername(properties.determineUsername());
        source.setPassword(properties.determinePassword());
        source.setJdbcUrl(file == null ? withLimits(url) : OrderedFile.address(url));
        if (file != null) {
            tune(source);
        }
        return source;
    }

    static String withLimits(String url) {
        return url.startsWith(POSTGRES) ? url + (url.contains("?") ? "&" : "?") + POSTGRES_LIMITS : url;
    }

    /** Sets what the file store has no option of the address for. */
    static void tune(DataSource source) {
        try (Connection connection = source.getConnection()) {
            tune(store(connection));
        } catch (SQLException e) {
            throw new CannotGetJdbcConnectionException("opening the data file", e);
        }
    }

    static void tune(MVStore store) {
        store.setVersionsToKeep(VERSIONS_KEPT);
        store.setRetentionTime(RETENTION_MS);
    }

    static MVStore store(Connection connection) throws SQLException {
        SessionLocal session =
                (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
        return session.getDatabase().getStore().getMvStore();
    }

    /** On a database server a commit is on its disk; in a file it is once the file is synced. */
    @Bean
    @Primary
    PlatformTransactionManager transactionManager(DataSource source, DataSourceProperties properties) {
        boolean file = DataFile.of(properties.determineUrl()) != null;
        return new SyncedTransactions(source, file ? StorageConfiguration::sync : connection -> {});
    }

    /** Writes all that was committed into the file, waits until it is written, and forces it onto the disk. */
    static void sync(Connection connection) {
        try {
            MVStore store = store(connection);
            synchronized (FILE) {
                store.commit();
                store.getFileStore().executeFileStoreOperation(() -> {});
                store.sync();
            }
        } catch (SQLException e) {
            throw new CannotGetJdbcConnectionException("syncing the data file", e);
        }
    }

    @Bean
    @Primary
    TransactionTemplate transactionTemplate(PlatformTransactionManager transactions) {
        return new TransactionTemplate(transactions);
    }

    /** When a sign-in was last used is noted at every request, without waiting for the disk. */
    @Bean
    TransactionOperations springSessionTransactionOperations(DataSource source) {
        TransactionTemplate operations = new TransactionTemplate(new JdbcTransactionManager(source));
        operations.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        return operations;
    }
}
